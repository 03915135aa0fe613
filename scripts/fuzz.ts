/** `npm run fuzz -- [COUNT] [SEED]`: so many bodies at and beyond every bound, on a Medida of its own. */

import { fuzz } from '../attack/fuzz'
import { FUZZED } from '../attack/targets'
import { Medida } from '../e2e/support/medida'
import { nowMs } from '../src/clock/clock'
import { connect } from '../src/db/client'
import { stop } from './bootstrap.mjs'
import { runningClusterUrl } from './lib/cluster'

const DEFAULT_COUNT = 10_000
const [count = DEFAULT_COUNT, seed = nowMs() % 1_000_000_000] = process.argv.slice(2).map(Number)
if (!Number.isInteger(count) || count < 1 || !Number.isInteger(seed)) stop('usage: npm run fuzz -- [COUNT] [SEED]', 2)
process.stdout.write(`${count} inputs from seed ${seed}\n`)
const medida = await Medida.start()
const connection = connect(runningClusterUrl(medida.dataFolder) ?? '')
try {
  const { tried, accepted, failures } = await fuzz({ url: medida.url, connection, ...FUZZED }, count, seed)
  for (const failure of failures) process.stdout.write(`${failure}\n`)
  process.stdout.write(`${tried} tried, ${accepted} accepted, ${failures.length} wrong\n`)
  process.exitCode = failures.length === 0 ? 0 : 1
} finally {
  await connection.pool.end()
  await medida.clear()
}
