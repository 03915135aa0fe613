/** A new size as it is typed: both ends, or the size with its class. */
import { err, ok, type Result } from '../base/result'
import { writtenClass } from '../fit/writtenClass'
import { forRecord } from '../quantity/decimal'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { readFigureText, type TextFault } from './figureText'

export interface NewSize {
  readonly nominal: number
  readonly lower: number
  readonly upper: number
}

export type NewSizeFault =
  | { readonly at: 'lower' | 'upper' | 'nominal'; readonly fault: TextFault }
  | { readonly at: 'lower'; readonly fault: { readonly code: 'newEndsSwapped' } }

interface ReadSizeBy {
  readonly quantity: QuantityKind
  readonly system: UnitSystem
  /** A clearance has no class. */
  readonly hasClass: boolean
}

/** Both ends of a size from one text, “80.03 … 80.06”; of a class both are the text itself. Null where it has no two ends. */
export function endsIn(text: string, { quantity, system, hasClass }: ReadSizeBy): readonly [string, string] | null {
  if (hasClass && quantity === 'length' && writtenClass(text, system)) return [text, text]
  const [lower, upper, ...more] = text.split(/\s*(?:\.{2,3}|…|\bto\b|\s[–-]\s)\s*/).filter((end) => end !== '')
  return lower === undefined || upper === undefined || more.length > 0 ? null : [lower, upper]
}

/** A new size, or everything that is wrong with it. `nominal`: null where the class says it, or the middle does. */
export function readNewSize(
  { lower, upper, nominal }: { readonly lower: string; readonly upper: string; readonly nominal: string | null },
  { quantity, system, hasClass }: ReadSizeBy,
): Result<NewSize, readonly NewSizeFault[]> {
  const read = (text: string, classOf: keyof NewSize) =>
    readFigureText(text, { quantity, system, classOf: hasClass ? classOf : null })
  const [least, most] = [read(lower, 'lower'), read(upper, 'upper')]
  const middle = nominal === null ? nominalIn(lower, { quantity, system, hasClass }) : read(nominal, 'nominal')
  const faults: NewSizeFault[] = [
    ...(least.ok ? [] : [{ at: 'lower', fault: least.fault } as const]),
    // A class is refused once for both ends.
    ...(most.ok || (!least.ok && lower === upper) ? [] : [{ at: 'upper', fault: most.fault } as const]),
    ...(middle === null || middle.ok ? [] : [{ at: 'nominal', fault: middle.fault } as const]),
  ]
  if (!least.ok || !most.ok || (middle && !middle.ok)) return err(faults)
  if (least.value > most.value) return err([{ at: 'lower', fault: { code: 'newEndsSwapped' } }])
  return ok({
    nominal: middle?.value ?? forRecord((least.value + most.value) / 2),
    lower: least.value,
    upper: most.value,
  })
}

/** The nominal size of a class; null where none is written. */
function nominalIn(text: string, { quantity, system, hasClass }: ReadSizeBy): Result<number, TextFault> | null {
  const written = hasClass && quantity === 'length' ? writtenClass(text, system) : null
  return written?.ok ? ok(written.value.nominal) : null
}
