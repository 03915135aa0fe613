import type { JobView } from '../../contract/answers'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import { type PackedRows, packRows, unpackRows } from './packedRows'

/** Text of JSON that ends no script element. */
const inScript = (value: unknown): string => JSON.stringify(value).replaceAll('<', '\\u003c')

/** A record never changes: whoever shows the same one again writes the same text. */
const texts = new WeakMap<InspectionRecord, string>()

type Packed = PackedRows | readonly Readonly<Record<string, unknown>>[]
const packed = (readings: readonly Reading[]): Packed => packRows(readings as never)
const unpacked = (readings: unknown): Reading[] => unpackRows(readings as Packed) as never

/** A record with its readings as tables. */
const packedRecord = (record: InspectionRecord): unknown => ({
  ...record,
  job: { ...record.job, readings: packed(record.job.readings) },
  history: record.history.map((overhaul) => ({ ...overhaul, readings: packed(overhaul.readings) })),
})

const isOfJob = (view: object): view is JobView => 'record' in view

/** A view as it stands in its page; that of a job with its readings as tables. */
export function pageText(view: JobView | Readonly<Record<string, unknown>>): string {
  if (!isOfJob(view)) return inScript(view)
  const { record, ...rest } = view
  const text = texts.get(record) ?? inScript(packedRecord(record))
  texts.set(record, text)
  return `{"record":${text},${inScript(rest).slice(1)}`
}

/** The view again; one that a device kept from before readings were tables is read as well. */
export function readPageData(text: string): JobView {
  const view = JSON.parse(text) as JobView
  if (!isOfJob(view)) return view
  const { record } = view
  const job = { ...record.job, readings: unpacked(record.job.readings) }
  const history = record.history.map((overhaul) => ({ ...overhaul, readings: unpacked(overhaul.readings) }))
  return { ...view, record: { ...record, job, history } }
}
