import type { Cell } from '../../core/bookSheets/codec'
import type { SheetOfCells } from '../../core/bookSheets/toSheets'
import { evaluate } from '../../core/evaluate/evaluate'
import { quantityOfValue, stepOf } from '../../core/method/gives'
import { quantityAt } from '../../core/method/layout'
import type { ReductionName } from '../../core/method/reduction'
import { exactText } from '../../core/quantity/exactText'
import { unitOf } from '../../core/quantity/format'
import type { QuantityKind } from '../../core/quantity/kind'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { standingReadings } from '../../core/record/standing'
import { shownOf } from '../../core/verdict/shown'
import { shownName, stageName, valueName } from '../../core/words/labels'
import { slotWords } from '../../core/words/places'
import { say } from '../../labels/measuredResults'
import { writeSheets } from '../books/file/inWorker'
import type { Context } from '../edge/context'
import { csvOf } from '../edge/csv'
import { jobView } from './jobView'

const COVERAGE = 2

/** What was measured in a job, as tables: every standing reading with who took it and by what, and what follows from them. */
async function measured(
  context: Context,
  jobId: string,
): Promise<{ readonly sheets: readonly SheetOfCells[]; readonly name: string }> {
  const { record } = await jobView(context, jobId)
  const results = evaluate(record)
  const { book, machine, gauges } = record
  const { units } = machine
  const partName = new Map(book.parts.map(({ id, name }) => [id, name]))
  const gaugeName = new Map(gauges.map(({ id, code }) => [id, code]))
  const readings = book.characteristics.flatMap((characteristic) => {
    const { method, showTo } = characteristic
    return standingReadings(record.job.readings)
      .filter((reading) => reading.characteristic === characteristic.id && reading.kind !== 'withdrawn')
      .map((reading): Cell[] => {
        const kind = quantityAt(method, reading)
        const step = stepOf(method, showTo, kind)
        return [
          partName.get(characteristic.part) ?? '',
          characteristic.name,
          slotWords(method, reading),
          stageName[reading.stage],
          reading.text,
          figure(reading.value, kind, units, step),
          unitOf(kind, units),
          reading.gauge === null ? '' : (gaugeName.get(reading.gauge) ?? ''),
          reading.by,
          reading.takenAt,
          reading.reason ?? '',
        ]
      })
  })
  const values = book.characteristics.flatMap((characteristic) => {
    const result = results.characteristics.find(({ id }) => id === characteristic.id)
    if (!result) return []
    const { method, showTo } = characteristic
    return (Object.keys(result.reductions.values) as ReductionName[]).flatMap((name): Cell[][] => {
      const value = result.reductions.values[name]
      if (!value) return []
      const kind = quantityOfValue(method, name)
      const step = stepOf(method, showTo, kind)
      const limits = characteristic.limits.filter(({ judges }) => judges === name)
      const limit = (side: 'upper' | 'lower'): Cell =>
        figure(limits.find((one) => one.side === side)?.wear ?? null, kind, units, step)
      return [
        [
          partName.get(characteristic.part) ?? '',
          characteristic.name,
          valueName[name],
          figure(value.value, kind, units, step),
          figure(value.interval?.low ?? null, kind, units, step),
          figure(value.interval?.high ?? null, kind, units, step),
          figure(COVERAGE * value.uncertainty, kind, units, step),
          unitOf(kind, units),
          limit('lower'),
          limit('upper'),
          shownName[shownOf(result)],
        ],
      ]
    })
  })
  return {
    name: `${machine.name}-${record.job.id}`.replace(/[^A-Za-z0-9._-]+/g, '-'),
    sheets: [
      { name: say.readings, rows: [[...say.readingHeader], ...readings] },
      { name: say.results, rows: [[...say.resultHeader], ...values] },
    ],
  }
}

const figure = (value: number | null, kind: QuantityKind, units: UnitSystem, step: number): Cell =>
  value === null ? null : Number(exactText(value, kind, units, step).replace('−', '-'))

/** Both tables as one spreadsheet. */
export async function measuredAsXlsx(
  context: Context,
  jobId: string,
): Promise<{ readonly bytes: Uint8Array; readonly name: string }> {
  const { sheets, name } = await measured(context, jobId)
  return { bytes: await writeSheets(sheets), name }
}

/** One of them as plain text: the readings, or what follows from them. */
export async function measuredAsCsv(
  context: Context,
  jobId: string,
  which: 'readings' | 'results',
): Promise<{ readonly text: string; readonly name: string }> {
  const { sheets, name } = await measured(context, jobId)
  const rows = sheets[which === 'readings' ? 0 : 1]?.rows ?? []
  return { text: csvOf(rows.map((row) => row.map((cell) => (cell === null ? '' : String(cell))))), name: `${name}-${which}` }
}
