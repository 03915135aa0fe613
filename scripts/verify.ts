/** `npm run verify -- REPORT`: says of a signed report whether its bytes, its chain and its results still hold. */
import { verifyReport } from '../src/server/verifyReport'
import { stop } from './bootstrap.mjs'
import { withDatabase } from './lib/database'
import { readOptions } from './lib/options'

const USAGE = 2
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

const options = readOptions()
const [id] = options.rest
if (id === undefined)
  stop('usage: npm run verify -- REPORT [--data FOLDER]. REPORT is the id in the address of the signed report.', USAGE)
if (!UUID.test(id)) stop(`“${id}” is not the id of a report. It stands in the address of the signed report.`, USAGE)

const verification = await withDatabase(options, ({ db }) => verifyReport(db, id)).catch((error: unknown) =>
  stop(`The database cannot be read: ${error instanceof Error ? error.message : String(error)}`, USAGE),
)
if (verification === null) stop(`There is no signed report ${id} in this database.`, USAGE)

const findings = [verification.bytes, verification.chain, verification.results]
for (const { holds, says } of findings) process.stdout.write(`${holds ? 'ok  ' : 'FAIL'} ${says}\n`)
process.exitCode = findings.every(({ holds }) => holds) ? 0 : 1
