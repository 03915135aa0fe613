/**
 * `npm run verify -- REPORT`: says of a signed report whether it, and all it rests on, still stands as it was signed.
 * `npm run verify -- --all [--against HEADS] [--heads FILE]`: the same of everything, with the event log.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { signingKeyIn } from '../src/server/signingKey'
import { type Heads, headsOf, headsSchema, verifyAll } from '../src/server/verifyAll'
import { type Finding, verifyReport } from '../src/server/verifyReport'
import { stop } from './bootstrap.mjs'
import { signingKeyFile } from './lib/cluster'
import { withDatabase } from './lib/database'
import { readOptions } from './lib/options'

const USAGE = 2
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

const options = readOptions()
const [id] = options.rest
if (id === undefined && !options.all)
  stop(
    'usage: npm run verify -- REPORT [--data FOLDER], or --all [--against HEADS] [--heads FILE]. REPORT is the id in the address of the signed report.',
    USAGE,
  )
if (id !== undefined && !UUID.test(id))
  stop(`“${id}” is not the id of a report. It stands in the address of the signed report.`, USAGE)

const keyFile = process.env.MEDIDA_SIGNING_KEY ?? signingKeyFile(options.dataFolder)
const installationKey = existsSync(keyFile) ? signingKeyIn(keyFile).publicKey : null

const say = (findings: readonly Finding[]): boolean => {
  for (const { holds, says } of findings) process.stdout.write(`${holds ? 'ok  ' : 'FAIL'} ${says}\n`)
  return findings.every(({ holds }) => holds)
}

function readHeads(file: string): Heads {
  try {
    return headsSchema.parse(JSON.parse(readFileSync(file, 'utf8')))
  } catch (error) {
    return stop(`The heads in ${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`, USAGE)
  }
}

const heads = options.against === null ? null : readHeads(options.against)
const holds = await withDatabase(options, async ({ db }) => {
  if (id !== undefined) {
    const verification = await verifyReport(db, id, installationKey)
    return verification === null ? null : say(verification.findings)
  }
  const all = await verifyAll(db, installationKey, heads)
  const each = all.reports.map(({ id: report, where, findings }) => {
    process.stdout.write(`Report ${report} (${where})\n`)
    return say(findings)
  })
  process.stdout.write('Log and chains\n')
  const rest = say(all.others)
  if (options.heads !== null) writeFileSync(options.heads, `${JSON.stringify(await headsOf(db, new Date()), null, 2)}\n`)
  return each.every(Boolean) && rest
}).catch((error: unknown) =>
  stop(`The database cannot be read: ${error instanceof Error ? error.message : String(error)}`, USAGE),
)
if (holds === null) stop(`There is no signed report ${id} in this database.`, USAGE)
process.exitCode = holds ? 0 : 1
