/** `npm run evaluate -- FILE.json`: evaluates one inspection record and prints results, verdicts and traces as JSON. */

import { readFileSync } from 'node:fs'
import { z } from 'zod'
import { evaluate } from '../src/core/evaluate/evaluate'
import { recordFaults } from '../src/core/record/recordFaults'
import { recordSchema } from '../src/core/record/recordSchema'
import { upgradeRecord } from '../src/core/record/upgrade'
import { issueWords } from '../src/core/words/issues'
import { unsettledFaultWords } from '../src/core/words/recordFaults'
import { nameOf, speakerOf } from '../src/core/words/speaker'

const BROKEN_INPUT = 2

/** Prints the faults, one line each, and ends. */
function refuse(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`)
  process.exit(BROKEN_INPUT)
}

function readJson(file: string): unknown {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch (error) {
    refuse([`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'}). Check the path.`])
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    refuse([`${file}: is not JSON: ${(error as SyntaxError).message}`])
  }
}

const file = process.argv[2]
if (file === undefined) refuse(['usage: npm run evaluate -- FILE.json'])
const parsed = recordSchema.safeParse(upgradeRecord(readJson(file)))
if (!parsed.success)
  refuse([
    `${file}: not a valid inspection record, ${parsed.error.issues.length} fault(s):`,
    ...parsed.error.issues.map((issue) => `  ${z.core.toDotPath(issue.path) || '(whole file)'}: ${issueWords(issue)}`),
  ])
const faults = recordFaults(parsed.data)
const speaker = speakerOf(parsed.data.book, parsed.data.machine.units)
if (faults.length > 0)
  refuse([
    `${file}: this record can never be settled, ${faults.length} fault(s):`,
    ...faults.map(
      ({ path, fault }) => `  ${z.core.toDotPath([...path])}: ${unsettledFaultWords(fault, (id) => nameOf(speaker, id))}`,
    ),
  ])
process.stdout.write(`${JSON.stringify(evaluate(parsed.data), null, 2)}\n`)
