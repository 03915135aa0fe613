import type { Characteristic } from '../book/bookSchema'
import { bookFaults } from '../book/faults'
import { formAt } from '../method/layout'
import { parseReading } from '../quantity/reading'
import type { UnsettledFaultAt } from './recordFault'
import type { InspectionRecord, Reading } from './recordSchema'

/** Faults with which a record can never be settled: those of its book, and texts that no reading of today says. */
export function recordFaults(record: InspectionRecord): UnsettledFaultAt[] {
  const measured = new Set(record.history.flatMap(({ readings }) => readings.map(({ characteristic }) => characteristic)))
  const characteristics = new Map(record.book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const texts = (readings: readonly Reading[], path: UnsettledFaultAt['path']): UnsettledFaultAt[] =>
    readings.flatMap((reading, at): UnsettledFaultAt[] => {
      const characteristic = characteristics.get(reading.characteristic)
      return characteristic && !isUnderstood(characteristic, reading)
        ? [{ path: [...path, at, 'text'], fault: { code: 'noReadingOf', text: reading.text, characteristic: characteristic.id } }]
        : []
    })
  return [
    ...bookFaults(record.book, (id) => measured.has(id)).map(({ path, fault }) => ({ path: ['book', ...path], fault })),
    ...texts(record.job.readings, ['job', 'readings']),
    ...record.history.flatMap(({ readings }, at) => texts(readings, ['history', at, 'readings'])),
  ]
}

/** Whether the text of a reading still says something at its place; what marks a place says it in its reason. */
function isUnderstood({ method }: Pick<Characteristic, 'method'>, reading: Reading): boolean {
  if (reading.kind === 'cannot' || reading.kind === 'withdrawn') return true
  const form = formAt(method, reading)
  const context = {
    form: form.kind === 'quantity' ? { ...form, masterMm: reading.masterMm } : form,
    defaultUnit: reading.defaultUnit,
  }
  return parseReading(reading.text, context).ok
}
