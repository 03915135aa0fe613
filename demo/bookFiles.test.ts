/** Limit books as files: JSON and spreadsheets, whole or not at all, with every planted fault at its place. */
import fc from 'fast-check'
import { zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import { bookAsSheets } from '../src/core/bookSheets/toSheets'
import { evaluate } from '../src/core/evaluate/evaluate'
import { sheetNames } from '../src/core/words/bookSheets'
import { readBookFile } from '../src/server/books/file/bookFile'
import { readWorkbook, writeWorkbook } from '../src/server/books/file/workbook'
import larkhollow from './larkhollow/book.json'
import quillmere from './quillmere/book.json'
import gates from './quillmere/gates/book.json'
import pump from './quillmere/pump/book.json'
import { demoRecord } from './record'

const books = [larkhollow, quillmere, pump, gates].map((book) => bookSchema.parse(book))
const unitsOf = ({ currency }: LimitBook) => (currency === 'GBP' ? ('inch' as const) : ('metric' as const))
const bytesOf = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value))

type Draft = Record<string, Record<string, unknown>[]>
/** What somebody may get wrong, where it must be told, and in what words. `at` chooses one of the entries. */
interface Slip {
  readonly list: string
  readonly child?: string
  readonly make: (entry: Record<string, unknown>) => void
  readonly json: RegExp
  readonly says: RegExp
}
const slips: readonly Slip[] = [
  { list: 'parts', make: (part) => delete part.assembly, json: /^Parts › .* › Assembly$/, says: /^is missing/ },
  {
    list: 'parts',
    make: (part) => Object.assign(part, { within: 'attic' }),
    json: /› Within part$/,
    says: /^no part “attic” in this book$/,
  },
  { list: 'parts', make: (part) => Object.assign(part, { colour: 'red' }), json: /^Parts › /, says: /^not known here: colour$/ },
  {
    list: 'characteristics',
    make: (one) => Object.assign(one, { gaugeKind: 'thumb' }),
    json: /› Gauge$/,
    says: /^is not known here: one of /,
  },
  { list: 'characteristics', make: (one) => Object.assign(one, { part: 'attic' }), json: /› Part$/, says: /^no part “attic”/ },
  {
    list: 'characteristics',
    make: (one) => Object.assign(one, { showTo: -1 }),
    json: /› Read to$/,
    says: /^must be more than 0$/,
  },
  {
    list: 'characteristics',
    child: 'limits',
    make: (limit) => Object.assign(limit, { judges: 'beauty' }),
    json: /› Limits › .* › Value$/,
    says: /^is not known here: one of /,
  },
  {
    list: 'characteristics',
    child: 'limits',
    make: (limit) => Object.assign(limit, { source: { document: 'LOST', page: 'p. 1' } }),
    json: /› Where it stands › Document$/i,
    says: /^no document “LOST” in this book$/,
  },
  {
    list: 'procedure',
    make: (step) => Object.assign(step, { phase: 'lunch' }),
    json: /^Steps › .* › phase$/i,
    says: /^is not known here/,
  },
  {
    list: 'positions',
    make: (one) => Object.assign(one, { part: 'attic' }),
    json: /^Positions › .* › part$/i,
    says: /^no part “attic”/,
  },
  {
    list: 'documents',
    make: (one) => Object.assign(one, { title: '' }),
    json: /^Documents › .* › title$/i,
    says: /must not be empty/,
  },
]

/** A column by its letters: the first is A, the twenty-seventh AA. */
const lettersOf = (column: number): string =>
  `${column < 26 ? '' : String.fromCharCode(64 + Math.floor(column / 26))}${String.fromCharCode(65 + (column % 26))}`

/** A book with some of the slips, each in an entry of its own: one entry that cannot be read hides nothing of another. */
function planted(book: LimitBook, chosen: readonly number[], at: number) {
  const draft = structuredClone(book) as unknown as Draft
  const used = new Set<unknown>()
  const made = chosen.flatMap((index) => {
    const slip = slips[index % slips.length]
    if (!slip) return []
    const entries = (draft[slip.list] ?? []).flatMap((entry) =>
      slip.child === undefined ? [entry] : ((entry[slip.child] ?? []) as Record<string, unknown>[]),
    )
    const owners = (draft[slip.list] ?? []).flatMap((entry) =>
      slip.child === undefined ? [entry] : ((entry[slip.child] ?? []) as unknown[]).map(() => entry),
    )
    const place = at % Math.max(1, entries.length)
    const entry = entries[place]
    if (!entry || used.has(owners[place])) return []
    used.add(owners[place])
    slip.make(entry)
    return [slip]
  })
  return { draft, made }
}

test('as JSON: each is read and can be evaluated, or refused with every planted fault at its place', async () => {
  const readable = demoRecord({})
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...books),
      fc.array(fc.nat(slips.length - 1), { maxLength: 7 }),
      fc.nat(60),
      async (book, chosen, at) => {
        const { draft, made } = planted(book, chosen, at)
        const read = await readBookFile(bytesOf(draft))
        expect(read.book === null).toBe(made.length > 0)
        for (const { json, says } of made)
          expect(read.faults.filter((line) => json.test(line.place) && says.test(line.says))).not.toHaveLength(0)
        if (read.book?.id === readable.book.id) evaluate({ ...readable, book: read.book })
      },
    ),
    { seed: 17, numRuns: Number(process.env.MUTATED_BOOKS ?? 100) },
  )
})

describe('as a spreadsheet', () => {
  test('each slip is told at its sheet and cell, all of them at once', async () => {
    const cellSlips: readonly (readonly [string, string, unknown, RegExp])[] = [
      ['Limits', 'Wear limit', 'thick', /“thick” is not a number|not a size|thick/],
      ['Limits', 'Value', 'beauty', /is not known here: one of /],
      ['Limits', 'Belongs to', 'attic', /there is no “attic” in the sheet “Characteristics”/],
      ['Characteristics', 'Gauge', 'thumb', /is not known here: one of /],
      ['Parts', 'Within part', 'attic', /no part “attic” in this book/],
      ['Parts', 'Renewed always', 'maybe', /write yes, or leave it empty/],
      ['Routes', 'Cost', 'dear', /“dear” is not a number/],
      ['Steps', 'Stage', 'lunch', /is not known here/],
      ['Documents', 'Title', null, /is missing/],
    ]
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...books),
        fc.uniqueArray(fc.nat(cellSlips.length - 1), { maxLength: 6 }),
        fc.nat(9),
        async (book, chosen, at) => {
          const sheets = bookAsSheets(book, unitsOf(book), sheetNames).map(({ name, rows }) => ({
            name,
            rows: rows.map((row) => [...row]),
          }))
          const made = chosen.flatMap((index, nth) => {
            const [name, header, cell, says] = cellSlips[index] ?? []
            const rows = sheets.find((sheet) => sheet.name === name)?.rows
            const column = rows?.[0]?.indexOf(header ?? '') ?? -1
            // Two slips in one row may hide each other: each has a row of its own.
            const row = 1 + ((at + nth * 2) % Math.max(1, (rows?.length ?? 1) - 1))
            const line = rows?.[row]
            if (!line || column < 0 || says === undefined) return []
            line[column] = cell as string | null
            return [{ place: `Sheet “${name}”, cell ${lettersOf(column)}${row + 1}`, says }]
          })
          const read = await readBookFile(await writeWorkbook(sheets))
          expect(read.book === null).toBe(made.length > 0)
          for (const { place, says } of made)
            expect(read.faults.filter((line) => line.place === place && says.test(line.says))).not.toHaveLength(0)
        },
      ),
      { seed: 23, numRuns: Number(process.env.MUTATED_WORKBOOKS ?? 15) },
    )
  })

  test('figures of what is wrong are in the units of the book', async () => {
    const inch = books.find((book) => unitsOf(book) === 'inch') ?? books[0]
    if (!inch) throw new Error('There is no book.')
    const float = inch.characteristics.find(({ id }) => id === 'axle-float')
    const crossed = float?.limits.map((limit) =>
      limit.side === 'lower' ? { ...limit, wear: 5.08 } : { ...limit, wear: 2.54, plan: null },
    )
    const wrong = {
      ...inch,
      characteristics: inch.characteristics.map((one) => (one === float ? { ...one, limits: crossed ?? [] } : one)),
    }
    const read = await readBookFile(await writeWorkbook(bookAsSheets(wrong, 'inch', sheetNames)))
    expect(read.faults.map(({ says }) => says)).toEqual([expect.stringMatching(/\(0\.2 in\) lies above .* \(0\.1 in\)/)])
  })

  test('comes back as it went, an inch book in inches, and no text is taken for a formula', async () => {
    for (const book of books) {
      const evil = {
        ...book,
        title: '=HYPERLINK("http://x","y")',
        parts: book.parts.map((part) => ({ ...part, position: '+1' })),
      }
      const bytes = await writeWorkbook(bookAsSheets(evil, unitsOf(book), sheetNames))
      const read = await readBookFile(bytes)
      expect(read).toMatchObject({ faults: [], system: unitsOf(book) })
      expect(read.book).toEqual(evil)
      expect(Buffer.from(bytes).includes('<f>')).toBe(false)
    }
    const [engine] = books
    const rows = engine && bookAsSheets(engine, 'inch', sheetNames).find(({ name }) => name === 'Limits')?.rows
    // The wear limit of the left cylinder as its page prints it.
    expect(rows?.[1]?.[rows[0]?.indexOf('Wear limit') ?? -1]).toBe(9.09)
  })

  test.each([
    ['whose units are not said', 'Book', 'Units', null, /Sheet “Book”, cell B3.*must say metric or inch/],
    ['whose units nobody knows', 'Book', 'Units', 'inches', /Sheet “Book”, cell B3.*must say metric or inch/],
    ['in which a spreadsheet made 0.7 of 70 %', 'Limits', 'Wear limit', 0.7, /Sheet “Limits”, cell \w+.*0\.7 may stand for 70 %/],
  ])('one %s is not taken as it may be', async (_, name, header, cell, says) => {
    const judges = name === 'Limits' ? 'contactPercent' : null
    const [book] = books.filter(({ characteristics }) =>
      characteristics.some(({ limits }) => judges === null || limits.some((limit) => limit.judges === judges)),
    )
    if (!book) throw new Error('no book limits a contact')
    const sheets = bookAsSheets(book, unitsOf(book), sheetNames).map((sheet) => {
      if (sheet.name !== name) return sheet
      const rows = sheet.rows.map((row) => [...row])
      const line = rows.find((row) => (judges === null ? row[0] === header : row.includes(judges)))
      if (line) line[judges === null ? 1 : (rows[0]?.indexOf(header) ?? -1)] = cell
      return { ...sheet, rows }
    })
    const read = await readBookFile(await writeWorkbook(sheets))
    expect(read.book).toBeNull()
    expect(read.faults.map((line) => `${line.place}: ${line.says}`).join('\n')).toMatch(says)
  })

  test.each([
    ['that is none', new TextEncoder().encode('PK but no more'), /cannot be read/],
    ['that unpacks to more than any book', zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(70e6) }), /larger than any book/],
    ['a text that is no JSON', new TextEncoder().encode('{"parts":'), /neither a spreadsheet/],
    ['a list', bytesOf([]), /must be an entry/],
  ])('a file %s is refused with a sentence', async (_, bytes, says) => {
    const { book, faults } = await readBookFile(bytes)
    expect(book).toBeNull()
    expect(faults.map((line) => line.says).join()).toMatch(says)
  })

  test('what is written over, left free and out of order in a spreadsheet is read all the same', async () => {
    const [, book] = books
    if (!book) throw new Error('no book')
    const sheets = bookAsSheets(book, 'metric', sheetNames).map(({ name, rows: [header = [], ...rows] }) =>
      name === 'Parts'
        ? {
            name: ' parts ',
            rows: [[...header].reverse(), [], ...rows.map((row) => [...header.map((__, at) => row[at] ?? null)].reverse())],
          }
        : { name, rows: [header, ...rows] },
    )
    const back = await readWorkbook(await writeWorkbook(sheets))
    expect(typeof back).not.toBe('string')
    const read = await readBookFile(await writeWorkbook(sheets))
    expect(read.faults).toEqual([])
    expect(read.book).toEqual(book)
  })
})
