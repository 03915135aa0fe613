/** A limit as it is typed, wherever that is: in a job, in the limits sheet, at a fit that is added. */
import { err, ok, type Result } from '../base/result'
import { type WrittenClass, type WrittenClassFault, writtenClass } from '../fit/writtenClass'
import { comesFirst } from '../limit/planFirst'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseInTwoUnits, type TwoUnitsFault } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'

/** Why a text is no figure. */
export type TextFault =
  | { readonly code: 'figure'; readonly why: TwoUnitsFault }
  | { readonly code: 'sizeClass'; readonly why: WrittenClassFault }

/** How a text is read: by the units of the machine; `classOf`: the end of a size that may be written with its class, “63 H7”. */
export interface ReadBy {
  readonly quantity: QuantityKind
  readonly system: UnitSystem
  readonly classOf: keyof WrittenClass | null
}

/** A figure as typed, in the fixed unit of its quantity: in one unit, in two that agree, or by its class. */
export function readFigureText(text: string, { quantity, system, classOf }: ReadBy): Result<number, TextFault> {
  if (classOf !== null && quantity === 'length') {
    const written = writtenClass(text, system)
    if (written) return written.ok ? ok(written.value[classOf]) : err({ code: 'sizeClass', why: written.fault })
  }
  const parsed = parseInTwoUnits(text, quantity, unitOf(quantity, system))
  return parsed.ok ? ok(parsed.value.value) : err({ code: 'figure', why: parsed.fault })
}

export interface LimitText {
  readonly side: 'upper' | 'lower'
  /** Null where none is given. */
  readonly plan: string | null
  readonly wear: string
}

export type LimitTextFault =
  | { readonly at: 'plan' | 'wear'; readonly fault: TextFault }
  | { readonly at: 'plan'; readonly fault: { readonly code: 'planAfterWear' } }

/** The figures of a limit, or everything that is wrong with them. */
export function readLimitText(
  { side, plan, wear }: LimitText,
  by: Omit<ReadBy, 'classOf'> & { readonly hasClass: boolean },
): Result<{ readonly plan: number | null; readonly wear: number }, readonly LimitTextFault[]> {
  const { hasClass, ...how } = by
  const read = (text: string) => readFigureText(text, { ...how, classOf: hasClass ? side : null })
  const [wearIs, planIs] = [read(wear), plan === null ? null : read(plan)]
  const faults: LimitTextFault[] = [
    ...(wearIs.ok ? [] : [{ at: 'wear', fault: wearIs.fault } as const]),
    ...(planIs === null || planIs.ok ? [] : [{ at: 'plan', fault: planIs.fault } as const]),
  ]
  if (wearIs.ok && planIs?.ok && !comesFirst(side, planIs.value, wearIs.value))
    faults.push({ at: 'plan', fault: { code: 'planAfterWear' } })
  if (!wearIs.ok || (planIs && !planIs.ok) || faults.length > 0) return err(faults)
  return ok({ plan: planIs?.value ?? null, wear: wearIs.value })
}
