/**
 * `npm run soundness -- [COUNT] [SEED]`: holds what must be so of any verdict on so many small records of every method, and on a
 * twentieth as many machines composed from the kit, all made up from a seed; prints what does not hold.
 */
import { nowMs } from '../src/clock/clock'
import { furtherPastIsNeverMilder, lessKnownIsMilder } from '../src/core/evaluate/lessKnown.fixture'
import { composedLaws } from '../src/core/kit/composedSoundness.fixture'

const DEFAULT_COUNT = 20_000
/** A composed machine takes as long as so many small records. */
const SMALL_PER_COMPOSED = 20
const [count = DEFAULT_COUNT, seed = nowMs() % 1_000_000_000] = process.argv.slice(2).map(Number)
if (!Number.isInteger(count) || count < 1 || !Number.isInteger(seed)) {
  process.stderr.write('usage: npm run soundness -- [COUNT] [SEED]\n')
  process.exit(2)
}
const composed = Math.max(1, Math.round(count / SMALL_PER_COMPOSED))
const laws = [
  ['less known is never milder', count, lessKnownIsMilder],
  ['further past its limit is never milder', count, furtherPastIsNeverMilder],
  ...composedLaws.map(([name, law]) => [`composed: ${name}`, composed, law] as const),
] as const
let broken = 0
for (const [name, records, law] of laws) {
  let own = 0
  for (let at = seed; at < seed + records; at += 1) {
    const sentence = law(at)
    if (sentence === null) continue
    own += 1
    process.stdout.write(`${sentence}\n`)
  }
  process.stdout.write(`${name}: ${records - own} of ${records} from seed ${seed} held\n`)
  broken += own
}
process.exitCode = broken === 0 ? 0 : 1
