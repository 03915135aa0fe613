/** What is usual where nobody says otherwise of what is typed: the value a limit judges, the step its figures are read to. */
import { writtenClass } from '../fit/writtenClass'
import { givesOf, quantityOf, quantityOfValue } from '../method/gives'
import type { Method } from '../method/method'
import type { ReductionName } from '../method/reduction'
import { formatQuantity, unitOf } from '../quantity/format'
import { differenceOf, type QuantityKind, quantityFacts } from '../quantity/kind'
import { parseReading } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'

/** Values a limit of this method may judge. */
export const judgedBy = (method: Method): readonly ReductionName[] => Object.keys(givesOf(method)) as ReductionName[]

/** Which value a manual's limit usually means. */
export function usualJudge(method: Method, side: 'upper' | 'lower'): ReductionName {
  const names = judgedBy(method)
  // Play and float are usually judged by the mean of their repeats.
  if (method.kind === 'endFloat' || method.kind === 'radialPlay') return 'mean'
  const wanted: readonly ReductionName[] =
    side === 'upper' ? ['maximum', 'gapAtWornDiameter', 'mean', 'totalIndicated'] : ['minimum', 'mean', 'total']
  return wanted.find((name) => names.includes(name)) ?? names[0] ?? 'maximum'
}

/** Limits on differences of readings have fewer digits than they. */
const SPREADS: ReadonlySet<string> = new Set<ReductionName>([
  ...(['outOfRound', 'taper', 'parallelism', 'variation', 'wear', 'oppositeDifference'] as const),
])

/** Whether a limit on this value has fewer digits than the readings it is worked out from. */
export const isSpread = (judges: string): boolean => SPREADS.has(judges)

const SIZES: ReadonlySet<ReductionName> = new Set<ReductionName>(['minimum', 'maximum', 'mean', 'median'])

/** Whether a value is a size as it is read: it lies near the new one. */
export const isOfSize = (method: Method, judges: ReductionName): boolean =>
  SIZES.has(judges) && quantityOfValue(method, judges) === quantityOf(method)

/** Lengths are read to this where no gauge and no figure says finer, mm. */
const USUAL_MM: Readonly<Record<UnitSystem, number>> = { metric: 0.01, inch: 0.0254 }

/** Step figures of a method are read to where nobody says otherwise, with its unit: that of the gauge, or the last place typed. */
export function usualStep(method: Method, system: UnitSystem, typed: readonly string[], resolutions: readonly number[]): string {
  const kind = differenceOf(quantityOf(method))
  const usual = kind === 'length' ? USUAL_MM[system] : quantityFacts[kind].step
  const gauge = resolutions.length === 0 ? usual : Math.min(...resolutions)
  const places = typed.flatMap((text) => lastPlace(text, quantityOf(method), system) ?? [])
  const step = Math.min(gauge, ...places)
  return `${formatQuantity(step, kind, system, step)} ${unitOf(kind, system)}`.trim()
}

/** Limits of size of a class are whole micrometres. */
const CLASS_STEP_MM = 0.001

/** Last place of a typed figure, in the fixed unit; null where it is no figure yet. */
function lastPlace(text: string, quantity: QuantityKind, system: UnitSystem): number | null {
  if (quantity === 'length' && writtenClass(text, system)?.ok) return CLASS_STEP_MM
  const form = { kind: 'quantity', quantity, signed: true, masterMm: null, pair: false } as const
  const parsed = parseReading(text.trim(), { form, defaultUnit: unitOf(quantity, system) })
  return parsed.ok && parsed.value.kind === 'point' ? parsed.value.typedStep : null
}
