/** `npm run check-book -- FILE`: everything that is wrong with a limit book (JSON or XLSX), and what reads like a slip. */

import { readFileSync } from 'node:fs'
import { readBookFile } from '../src/server/books/file/bookFile'

const BROKEN_INPUT = 2

const [file] = process.argv.slice(2)
if (file === undefined) {
  process.stderr.write('usage: npm run check-book -- FILE.json|FILE.xlsx\n')
  process.exit(BROKEN_INPUT)
}
let bytes: Uint8Array
try {
  bytes = readFileSync(file)
} catch (error) {
  process.stderr.write(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'}). Check the path.\n`)
  process.exit(BROKEN_INPUT)
}
const { book, faults, warnings } = await readBookFile(bytes)
const lines = (of: typeof faults): string => of.map(({ place, says }) => `  ${place}: ${says}\n`).join('')
if (faults.length > 0) process.stdout.write(`${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}:\n${lines(faults)}`)
if (warnings.length > 0) process.stdout.write(`${warnings.length} to look at:\n${lines(warnings)}`)
if (book !== null)
  process.stdout.write(
    `${book.title}, revision ${book.revision}: ${book.parts.length} parts, ${book.characteristics.length} characteristics, no fault.\n`,
  )
process.exitCode = book === null ? BROKEN_INPUT : 0
