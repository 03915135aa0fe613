import { unitOf } from '../quantity/format'
import type { UnitSystem } from '../quantity/unitSystem'
import { inUnit, unitById } from '../quantity/units'
import type { Gauge } from './gauge'
import { gaugeKindFacts } from './gaugeKinds'

/** So many digits does a step have on a scale that somebody divided; a step of the other scale never ends. */
const significant = (step: number): number =>
  Number(step.toPrecision(9)).toExponential().replace(/e.*$/, '').replace(/[-.]/g, '').length

/**
 * The units a gauge is divided in, told by its step: 0.0254 mm is a thousandth of an inch, 0.0025 mm is no round part of one.
 * A gauge whose step tells nothing is metric.
 */
export function ownUnits({ kind, resolution }: Pick<Gauge, 'kind' | 'resolution'>): UnitSystem {
  if (resolution <= 0) return 'metric'
  const { quantity } = gaugeKindFacts[kind]
  const digits = (system: UnitSystem): number => significant(inUnit(resolution, unitById(quantity, unitOf(quantity, system))))
  return digits('inch') < digits('metric') ? 'inch' : 'metric'
}
