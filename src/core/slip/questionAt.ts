import type { Characteristic } from '../book/bookSchema'
import { coverageFactor } from '../gauge/errors'
import type { Gauge } from '../gauge/gauge'
import { readingUncertainty } from '../gauge/uncertainty'
import { givesOf, quantityOf, stepOf } from '../method/gives'
import { kindOf } from '../method/kinds'
import { PRESSURE } from '../method/kinds/openingPressure'
import { formAt, quantityAt, type Slot, slotKey, slotsOf } from '../method/layout'
import { isOfReadings, isShape } from '../method/valuesGiven'
import type { ParsedReading } from '../quantity/reading'
import type { InspectionRecord, Overhaul, Reading } from '../record/recordSchema'
import type { Stage } from '../record/stage'
import { standingReadings } from '../record/standing'
import { levelOf } from '../scope/need'
import type { Neighbour } from './expectation'
import { questionReading, type SlipInput } from './question'
import type { SlipQuestion } from './slip'

export interface QuestionInput {
  readonly record: InspectionRecord
  readonly characteristic: Characteristic
  readonly slot: Slot
  readonly text: string
  readonly parsed: ParsedReading
  readonly gauge: Gauge
  readonly conditions: Reading['conditions']
  readonly today: string
  readonly stage: Stage
  /** Standing readings of this characteristic at this stage, and of any at any stage. */
  readonly standing: readonly Reading[]
  readonly standingOf: (characteristic: string, stage: Stage) => readonly Reading[]
}

/** Holds a reading about to be accepted against everything the record knows of its place; null when nothing is wrong. */
export function questionAt(input: QuestionInput): SlipQuestion | null {
  const { record, characteristic, slot, parsed, gauge, text, today } = input
  const { method, showTo } = characteristic
  // Bounds and answers are not figures to be misread by a digit.
  if (parsed.kind !== 'point' || formAt(method, slot).kind !== 'quantity') return null
  const quantity = quantityAt(method, slot)
  const own = quantity === quantityOf(method)
  const gives = givesOf(method)
  const limits = characteristic.limits.filter(({ judges }) => isOfReadings(judges) && gives[judges] === quantity)
  const shapes = characteristic.limits.filter(({ judges }) => isShape(judges)).map(({ wear }) => wear)
  const others = input.standing.filter(
    (reading) => reading.value !== null && slotKey(reading) !== slotKey(slot) && sameKind(characteristic, reading, slot),
  )
  const predicted = input.stage === 'asFound' ? predictions(record, characteristic) : fromBefore(input)
  const lastAt = (at: Slot): number | null => predicted.get(slotKey(at))?.value ?? null
  const neighbours = others.map((reading): Neighbour => ({ value: reading.value ?? 0, last: lastAt(reading) }))
  const question: SlipInput = {
    method,
    text,
    value: parsed.value,
    deviation: parsed.deviation,
    masterMm: method.kind === 'boreDiameter' ? method.masterMm : null,
    quantity,
    system: record.machine.units,
    step: stepOf(method, showTo, quantity),
    typedStep: parsed.typedStep,
    newSize: characteristic.new && [characteristic.new.lower, characteristic.new.upper],
    limits: own && (method.kind !== 'openingPressure' || slot.station === PRESSURE.opens) ? limits : [],
    expandedUncertainty: coverageFactor(null) * readingUncertainty(gauge),
    gauge,
    gaugeUsedBefore:
      record.job.readings.some((reading) => reading.gauge === gauge.id) ||
      input.standing.some((reading) => reading.gauge === gauge.id),
    errorAsked: errorAsked(record, gauge),
    today,
    before: textsBefore(characteristic, input.standing, slot).map((at) => ({ text: at.text, last: lastAt(at.slot) })),
    repeats: repeatsAt(characteristic, others, slot),
    expects: {
      neighbours,
      last: own ? lastAt(slot) : null,
      growth: predicted.get(slotKey(slot))?.growth ?? null,
      sisters: own ? sistersAt(input, slot) : [],
      shape: shapes.length === 0 ? null : Math.min(...shapes),
    },
  }
  return questionReading(question)
}

const sameKind = ({ method }: Characteristic, a: Slot, b: Slot): boolean =>
  !kindOf(method).stationsDiffer || a.station === b.station

/** What each place of a characteristic should show now if it went on wearing as before. */
interface Prediction {
  readonly value: number
  /** How far that is from what it showed last; null with one earlier overhaul: nothing says how fast it moves. */
  readonly growth: number | null
}
type Predictions = ReadonlyMap<string, Prediction>

/** As left a place should show what it showed after work, or as found where nothing was done; after work anything may be. */
function fromBefore({ characteristic, stage, standingOf }: QuestionInput): Predictions {
  if (stage === 'afterWork') return new Map()
  const worked = standingOf(characteristic.id, 'afterWork')
  const before = worked.length > 0 ? worked : standingOf(characteristic.id, 'asFound')
  return new Map(
    before.flatMap((reading) =>
      reading.value === null ? [] : [[slotKey(reading), { value: reading.value, growth: null }] as const],
    ),
  )
}

const predictionsOf = new WeakMap<InspectionRecord['history'], Map<string, Predictions>>()

/** Predictions for a characteristic from the earlier overhauls of the part that is installed now, worked out once per record. */
function predictions(record: InspectionRecord, characteristic: Characteristic): Predictions {
  const known = predictionsOf.get(record.history) ?? new Map<string, Predictions>()
  predictionsOf.set(record.history, known)
  const found = known.get(characteristic.id)
  if (found) return found
  const made = predict(record, characteristic)
  known.set(characteristic.id, made)
  return made
}

function predict(record: InspectionRecord, characteristic: Characteristic): Predictions {
  const same = (overhaul: Overhaul): boolean =>
    overhaul.installed[characteristic.part] === record.job.installed[characteristic.part]
  const [latest, before] = record.history
    .filter(same)
    .sort((a, b) => b.runningHours - a.runningHours)
    .map((overhaul) => ({ hours: overhaul.runningHours, ...valuesIn(overhaul, characteristic.id) }))
    .filter(({ left }) => left.size > 0)
  if (!latest) return new Map()
  const ahead = record.job.runningHours - latest.hours
  return new Map(
    [...latest.left].map(([slot, value]): readonly [string, Prediction] => {
      // It wore from how it was left to how it was found; what work did to it in between is no wear.
      const [began, ended] = [before?.left.get(slot), latest.found.get(slot)]
      if (!before || began === undefined || ended === undefined || latest.hours === before.hours)
        return [slot, { value, growth: null }]
      const growth = ((ended - began) / (latest.hours - before.hours)) * ahead
      return [slot, { value: value + growth, growth }]
    }),
  )
}

/** Figures by place as they were found at an overhaul, and as they were left; as found where nothing was done. */
function valuesIn(overhaul: Overhaul, characteristic: string) {
  const own = overhaul.readings.filter((reading) => reading.characteristic === characteristic)
  const at = (stage: Stage): ReadonlyMap<string, number> =>
    new Map(
      standingReadings(own.filter((reading) => reading.stage === stage)).flatMap((reading) =>
        reading.value === null ? [] : [[slotKey(reading), reading.value] as const],
      ),
    )
  const [found, left] = [at('asFound'), at('asLeft')]
  return { found, left: left.size > 0 ? left : found }
}

/** The same place of characteristics measured alike on parts that were alike when new. */
function sistersAt({ record, characteristic, stage, standingOf }: QuestionInput, slot: Slot): number[] {
  // Work is done on one part and not on its sister.
  if (stage !== 'asFound') return []
  const { method, new: size } = characteristic
  // Without a new size nothing says that two parts were alike.
  if (size === null) return []
  return record.book.characteristics
    .filter((other) => other.id !== characteristic.id && other.method.kind === method.kind && other.new?.nominal === size.nominal)
    .flatMap((other) =>
      standingOf(other.id, stage)
        .filter((reading) => slotKey(reading) === slotKey(slot))
        .flatMap(({ value }) => value ?? []),
    )
}

function textsBefore({ method }: Characteristic, standing: readonly Reading[], slot: Slot): { text: string; slot: Slot }[] {
  const slots = slotsOf(method)
  const here = slots.findIndex((other) => slotKey(other) === slotKey(slot))
  const texts = new Map(standing.map((reading) => [slotKey(reading), reading.text]))
  const before: { text: string; slot: Slot }[] = []
  for (const other of slots.slice(0, Math.max(0, here)).reverse()) {
    const text = texts.get(slotKey(other))
    if (text === undefined) break
    before.push({ text, slot: other })
  }
  return before
}

function repeatsAt({ method, beforeRepeats }: Characteristic, others: readonly Reading[], slot: Slot): SlipInput['repeats'] {
  const limit = 'repeatabilityLimit' in method ? method.repeatabilityLimit : null
  if (limit === null) return null
  const values = others
    .filter((other) => other.station === slot.station && other.direction === slot.direction)
    .flatMap(({ value }) => value ?? [])
  return { values, limit, first: beforeRepeats ?? null }
}

/** Greatest permissible error that the job's level asks of this kind of gauge; null where it asks none. */
function errorAsked(record: InspectionRecord, gauge: Gauge): number | null {
  const level = levelOf(record.book, record.job.level)
  const asked = (level?.needs.gauges ?? [])
    .filter(({ kind }) => kind === gauge.kind)
    .flatMap(({ maximumPermissibleError }) => maximumPermissibleError ?? [])
  return asked.length === 0 ? null : Math.max(...asked)
}
