import type { Limit } from '../limit/limit'
import { acceptsSlot, formAt, quantityAt } from '../method/layout'
import type { Method } from '../method/method'
import { typedIn } from '../notes/typedBook'
import { readTypedCharacteristic } from '../notes/typedCharacteristic'
import { forComparison } from '../quantity/decimal'
import type { QuantityKind } from '../quantity/kind'
import { parseReading } from '../quantity/reading'
import { OWN_WAY } from './ownWay'
import type { Reading } from './readingSchema'
import type { RecordFault, RecordFaultAt } from './recordFault'
import type { InspectionRecord } from './recordShapeSchema'

/** What a stored reading says must be what its text says; null when it does. */
function readingFault(reading: Reading, method: Method): { readonly field: string; readonly fault: RecordFault } | null {
  if (reading.kind === 'cannot' || reading.kind === 'withdrawn')
    return reading.reason === null ? { field: 'reason', fault: { code: 'noReason' } } : null
  const form = formAt(method, reading)
  const parsed = parseReading(reading.text, {
    form: form.kind === 'quantity' ? { ...form, masterMm: reading.masterMm } : form,
    defaultUnit: reading.defaultUnit,
  })
  // What was understood once and is not today is read all the same, and settles nothing (recordFaults, standing).
  if (!parsed.ok) return null
  const says = parsed.value
  if (says.kind !== reading.kind) return { field: 'kind', fault: { code: 'otherKind', text: says.kind, reading: reading.kind } }
  const quantity = quantityAt(method, reading)
  if (says.kind === 'point')
    return same(says.value, reading.value, quantity)
      ? null
      : { field: 'value', fault: { code: 'otherValue', text: says.exact, value: reading.value } }
  if (says.kind === 'interval')
    return same(says.low, reading.low, quantity) && same(says.high, reading.high, quantity)
      ? null
      : { field: 'low', fault: { code: 'otherEnds' } }
  return null
}

const sameLimits = (a: readonly Limit[], b: readonly Limit[]): boolean =>
  a.length === b.length &&
  a.every((limit, index) => {
    const other = b[index]
    return (
      other !== undefined &&
      limit.judges === other.judges &&
      limit.side === other.side &&
      same(limit.wear, other.wear) &&
      same(limit.plan, other.plan)
    )
  })

const same = (a: number | null, b: number | null, quantity: QuantityKind = 'length'): boolean =>
  a === null || b === null ? a === b : forComparison(a - b, quantity) === 0

/** Everything in a record that does not hold together: what is named and not in it, and what says two things. */
export function recordReferenceFaults(record: InspectionRecord): RecordFaultAt[] {
  const faults: RecordFaultAt[] = []
  const fault = (path: (string | number)[], found: RecordFault): void => void faults.push({ path, fault: found })
  const characteristics = new Map(record.book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const gauges = new Set(record.gauges.map((gauge) => gauge.id))
  const parts = new Set(record.book.parts.map((part) => part.id))

  const checkReadings = (readings: readonly Reading[], path: (string | number)[]): void => {
    const byId = new Map(readings.map((reading) => [reading.id, reading]))
    if (byId.size !== readings.length) fault(path, { code: 'sameReadingId' })
    const superseded = new Set<string>()
    readings.forEach((reading, index) => {
      const at = [...path, index]
      const characteristic = characteristics.get(reading.characteristic)
      if (!characteristic) {
        fault([...at, 'characteristic'], { code: 'noCharacteristic', id: reading.characteristic })
        return
      }
      if (reading.gauge !== null && !gauges.has(reading.gauge)) fault([...at, 'gauge'], { code: 'noGauge', id: reading.gauge })
      if (!acceptsSlot(characteristic.method, reading)) fault([...at, 'station'], { code: 'noSuchPlace' })
      const wrong = readingFault(reading, characteristic.method)
      if (wrong) fault([...at, wrong.field], wrong.fault)
      if (reading.supersedes === null) return
      const corrected = byId.get(reading.supersedes)
      if (!corrected) fault([...at, 'supersedes'], { code: 'correctsNothing' })
      else if (
        corrected.characteristic !== reading.characteristic ||
        corrected.station !== reading.station ||
        corrected.direction !== reading.direction ||
        corrected.repeat !== reading.repeat ||
        corrected.stage !== reading.stage
      )
        fault([...at, 'supersedes'], { code: 'correctsElsewhere' })
      if (superseded.has(reading.supersedes)) fault([...at, 'supersedes'], { code: 'correctedTwice' })
      superseded.add(reading.supersedes)
      if (reading.reason === null) fault([...at, 'reason'], { code: 'correctionWithoutReason' })
    })
    const standing = new Map<string, number>()
    readings.forEach((reading, index) => {
      if (superseded.has(reading.id)) return
      const place = [reading.characteristic, reading.stage, reading.station, reading.direction, reading.repeat].join('/')
      if (standing.has(place)) fault([...path, index], { code: 'twoAtOnePlace' })
      standing.set(place, index)
    })
  }

  const checkInstalled = (installed: Record<string, string>, path: (string | number)[]): void => {
    for (const part of Object.keys(installed)) if (!parts.has(part)) fault([...path, part], { code: 'noPart', id: part })
  }

  const typed = new Map(typedIn(record.job.entries).map((item) => [item.id, item]))
  record.book.characteristics.forEach((characteristic, index) => {
    if (!characteristic.typed) return
    const said = typed.get(characteristic.id)
    const read = said && readTypedCharacteristic(said, record.machine.units)
    if (!read?.ok || said?.entry !== characteristic.typed.entry || !sameLimits(read.value.limits, characteristic.limits))
      fault(['book', 'characteristics', index], { code: 'notAsTyped' })
  })
  if (record.job.level !== null && !record.book.levels.some(({ id }) => id === record.job.level))
    fault(['job', 'level'], { code: 'noLevel', id: record.job.level })
  if (new Set(record.job.entries.map(({ id }) => id)).size !== record.job.entries.length)
    fault(['job', 'entries'], { code: 'sameEntryId' })
  checkReadings(record.job.readings, ['job', 'readings'])
  checkInstalled(record.job.installed, ['job', 'installed'])
  record.history.forEach((overhaul, index) => {
    checkReadings(overhaul.readings, ['history', index, 'readings'])
    checkInstalled(overhaul.installed, ['history', index, 'installed'])
    if (overhaul.runningHours > record.job.runningHours) fault(['history', index, 'runningHours'], { code: 'hoursAfterThis' })
  })
  record.decisions.forEach((decision, index) => {
    if (!parts.has(decision.part)) fault(['decisions', index, 'part'], { code: 'noPart', id: decision.part })
    if (decision.decided !== decision.recommended && decision.reason === null)
      fault(['decisions', index, 'reason'], { code: 'departureWithoutReason' })
    const routes = record.book.parts.find(({ id }) => id === decision.part)?.routes ?? []
    if (decision.route !== undefined && decision.route !== OWN_WAY && !routes.some(({ id }) => id === decision.route))
      fault(['decisions', index, 'route'], { code: 'noRoute', part: decision.part, route: decision.route })
  })
  return faults
}
