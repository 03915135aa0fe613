/**
 * `npm run verify -- REPORT`: says of a signed report whether it, and all it rests on, still stands as it was signed.
 * `npm run verify -- --all [--against HEADS] [--heads FILE]`: the same of everything, with the event log.
 */

import { existsSync, writeFileSync } from 'node:fs'
import { now } from '../src/clock/clock'
import { connect } from '../src/db/client'
import { signingKeyIn } from '../src/server/reports/signingKey'
import { headsOf } from '../src/server/reports/verifyAll'
import { verifyReport } from '../src/server/reports/verifyReport'
import { stop } from './bootstrap.mjs'
import { signingKeyFile } from './lib/cluster'
import { withOwner } from './lib/database'
import { CANCELLED, Cancelled, withProgress } from './lib/longWork'
import { readOptions } from './lib/options'
import { readHeads, say, sayAll } from './lib/sayAll'

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

const ownKey = process.env.MEDIDA_SIGNING_KEY ?? signingKeyFile(options.dataFolder)
const keyFile = existsSync(ownKey) ? ownKey : null

function checkHeads(file: string): void {
  try {
    readHeads(file)
  } catch (error) {
    stop(`The heads in ${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`, USAGE)
  }
}
if (options.against !== null) checkHeads(options.against)

const holds = await withProgress((work) =>
  withOwner(options, async (url) => {
    if (id === undefined) {
      const all = await sayAll(url, keyFile, options.against, work)
      if (options.heads !== null) await writeHeads(url, options.heads)
      return all
    }
    const { db, pool } = connect(url, 'long')
    const key = keyFile === null ? null : signingKeyIn(keyFile).publicKey
    const verification = await verifyReport(db, id, key).finally(() => pool.end())
    return verification === null ? null : say(verification.findings)
  }),
).catch((error: unknown) => {
  if (error instanceof Cancelled) stop('Cancelled: nothing is said of what was not looked at.', CANCELLED)
  return stop(`The database cannot be read: ${error instanceof Error ? error.message : String(error)}`, USAGE)
})
if (holds === null) stop(`There is no signed report ${id} in this database.`, USAGE)
process.exitCode = holds ? 0 : 1

async function writeHeads(url: string, file: string): Promise<void> {
  const { db, pool } = connect(url, 'long')
  const heads = await headsOf(db, now()).finally(() => pool.end())
  writeFileSync(file, `${JSON.stringify(heads, null, 2)}\n`)
}
