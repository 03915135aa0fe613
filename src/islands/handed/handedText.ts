import type { JobView } from '../../contract/answers'
import type { InspectionRecord } from '../../core/record/recordSchema'

/** Text of JSON that ends no script element. */
const inScript = (value: unknown): string => JSON.stringify(value).replaceAll('<', '\\u003c')

/** A record never changes: whoever shows the same one again writes the same text. */
const texts = new WeakMap<InspectionRecord, string>()

/** A view as it stands in its page. */
export function handedText({ record, ...rest }: JobView): string {
  const text = texts.get(record) ?? inScript(record)
  texts.set(record, text)
  return `{"record":${text},${inScript(rest).slice(1)}`
}
