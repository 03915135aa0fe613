import { bookAsSheets } from '../../core/bookSheets/toSheets'
import { sheetRows } from '../../core/kit/limitSheet'
import { writtenTable } from '../../core/limit/limitTable'
import { exactText } from '../../core/quantity/exactText'
import { unitOf } from '../../core/quantity/format'
import { sheetNames } from '../../core/words/bookSheets'
import { valueName } from '../../core/words/labels'
import { say } from '../../labels/books'
import { authorise, type Context } from '../edge/context'
import { csvOf } from '../edge/csv'
import { bookIn, familySeen, unitsOf } from './family'
import { writeSheets } from './file/inWorker'

/** A book as a spreadsheet, in the units of the machines that use it. */
export async function bookAsXlsx(context: Context, id: string, revision: string): Promise<Uint8Array> {
  authorise(context, 'read')
  const family = await familySeen(context, id, revision)
  return writeSheets(bookAsSheets(await bookIn(context.db, family, revision), unitsOf(family), sheetNames))
}

/** The limits of a book as a plain table. */
export async function limitsAsCsv(context: Context, id: string, revision: string): Promise<string> {
  authorise(context, 'read')
  const family = await familySeen(context, id, revision)
  const units = unitsOf(family)
  const book = await bookIn(context.db, family, revision)
  const rows = sheetRows(book).map(({ group, name, judges, side, quantity, step, new: size, limit }) => {
    const figure = (value: number): string => exactText(value, quantity, units, step).replace('−', '-')
    const limited = (which: 'plan' | 'wear'): string => {
      if (limit === null) return ''
      if ('depends' in limit) return writtenTable(limit.depends, which, figure, units) ?? say.byFormula
      const value = limit[which]
      return value === null ? '' : figure(value)
    }
    return [
      group,
      name,
      valueName[judges],
      say.sides[side],
      size ? figure(size.lower) : '',
      size ? figure(size.upper) : '',
      limited('plan'),
      limited('wear'),
      unitOf(quantity, units),
      limit ? say.whenPassed[limit.whenPassed] : '',
      limit?.instruction ?? '',
      limit?.source.document ?? '',
      limit?.source.page ?? '',
    ]
  })
  return csvOf([[...say.csvHeader], ...rows])
}
