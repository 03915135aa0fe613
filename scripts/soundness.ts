/** `npm run soundness -- [COUNT] [SEED]`: holds “less known is never milder” on so many records made up from a seed, and prints it. */
import { nowMs } from '../src/clock/clock'
import { lessKnownIsMilder } from '../src/core/evaluate/lessKnown.fixture'

const DEFAULT_COUNT = 20_000
const [count = DEFAULT_COUNT, seed = nowMs() % 1_000_000_000] = process.argv.slice(2).map(Number)
if (!Number.isInteger(count) || count < 1 || !Number.isInteger(seed)) {
  process.stderr.write('usage: npm run soundness -- [COUNT] [SEED]\n')
  process.exit(2)
}
process.stdout.write(`${count} records from seed ${seed}\n`)
let broken = 0
for (let at = seed; at < seed + count; at += 1) {
  const sentence = lessKnownIsMilder(at)
  if (sentence === null) continue
  broken += 1
  process.stdout.write(`${sentence}\n`)
}
process.stdout.write(`${count - broken} held, ${broken} did not\n`)
process.exitCode = broken === 0 ? 0 : 1
