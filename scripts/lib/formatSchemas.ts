import { z } from 'zod'
import { bookSchema } from '../../src/core/book/bookSchema'
import { recordSchema } from '../../src/core/record/recordSchema'

const about = 'Made from the Zod schema by `npm run schemas`. References between parts are checked by the Zod schema only.'

function schemaText(schema: z.ZodType, title: string): string {
  return `${JSON.stringify({ title, $comment: about, ...z.toJSONSchema(schema, { io: 'input' }) }, null, 2)}\n`
}

/** The JSON Schemas of the open formats, by file name in docs/. */
export const formatSchemas = (): { file: string; text: string }[] => [
  { file: 'record.schema.json', text: schemaText(recordSchema, 'Medida inspection record, version 1') },
  { file: 'limit-book.schema.json', text: schemaText(bookSchema, 'Medida limit book, version 1') },
]
