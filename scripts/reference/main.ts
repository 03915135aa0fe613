/** `npm run reference -- DIR`: puts every case of every topic file in DIR to the core. */

import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { issueWords } from '../../src/core/words/issues'
import { differences } from './compare'
import { topics } from './topics'

const fileSchema = z.object({
  topic: z.string(),
  cases: z.array(
    z.object({
      id: z.string(),
      input: z.unknown(),
      expected: z.record(z.string(), z.unknown()),
      tolerance: z.union([z.strictObject({ abs: z.number().min(0) }), z.strictObject({ rel: z.number().min(0) })]),
    }),
  ),
})
type TopicFile = z.infer<typeof fileSchema>

const BROKEN_INPUT = 2

function refuse(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(BROKEN_INPUT)
}

function readTopic(file: string): TopicFile {
  try {
    return fileSchema.parse(JSON.parse(readFileSync(file, 'utf8')))
  } catch (error) {
    const why =
      error instanceof z.ZodError
        ? error.issues.map((issue) => `${z.core.toDotPath(issue.path)}: ${issueWords(issue)}`).join('; ')
        : String(error)
    refuse(`${file}: not a topic file: ${why}`)
  }
}

/** One case: the line to print and whether it passed. A case the core cannot even read is a failure, not an excuse. */
function runCase(topic: string, test: TopicFile['cases'][number]): { line: string; passed: boolean } {
  let got: unknown
  try {
    got = topics[topic]?.(test.input)
  } catch (error) {
    return {
      line: `FAIL ${topic} ${test.id} expected ${JSON.stringify(test.expected)} got error ${String(error).replaceAll(/\s+/g, ' ')}`,
      passed: false,
    }
  }
  const paths = differences(got, test.expected, test.tolerance)
  if (paths.length === 0) return { line: `ok ${topic} ${test.id}`, passed: true }
  return {
    line: `FAIL ${topic} ${test.id} expected ${JSON.stringify(test.expected)} got ${JSON.stringify(got)} (differs at ${paths.join(', ')})`,
    passed: false,
  }
}

const directory = process.argv[2]
if (directory === undefined) refuse('usage: npm run reference -- DIR')

let files: string[]
try {
  files = readdirSync(directory)
    .filter((name) => name.endsWith('.json'))
    .sort()
} catch {
  refuse(`${directory}: no such folder. Name the folder that holds the topic files.`)
}
if (files.length === 0) refuse(`${directory}: holds no topic file (*.json).`)

const totals: string[] = []
let failed = 0
for (const name of files) {
  const { topic, cases } = readTopic(join(directory, name))
  if (!topics[topic]) {
    process.stdout.write(`not yet ${topic}\n`)
    continue
  }
  const outcomes = cases.map((test) => runCase(topic, test))
  for (const { line } of outcomes) process.stdout.write(`${line}\n`)
  const passed = outcomes.filter((outcome) => outcome.passed).length
  failed += cases.length - passed
  totals.push(`${topic}: ${passed} of ${cases.length} ok`)
}
process.stdout.write(`${totals.join('\n')}\n`)
process.exitCode = failed > 0 ? 1 : 0
