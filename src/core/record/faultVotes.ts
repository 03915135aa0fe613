import type { Level } from '../decision/level'
import { listed } from '../decision/limitVote'
import type { MethodFault, Reductions } from '../method/reduction'
import type { Figures } from '../quantity/figures'
import type { Characteristic } from './bookSchema'
import type { Vote, VoteRule } from './results'

/** What a fault of the method says, and what to do about it. */
export function sayFault(
  fault: MethodFault,
  { difference, unit }: Figures,
  beforeRepeats: string | undefined,
): { rule: VoteRule; reason: string; settledBy: string } {
  switch (fault.code) {
    case 'repeatsDisagree': {
      const first = beforeRepeats ?? 'Turn the shaft over'
      const at = fault.at === '' ? '' : ` at ${fault.at}`
      return {
        rule: 'repeats',
        reason: `Repeats${at} spread over ${difference(fault.range)} ${unit}, more than the ${difference(fault.limitValue)} allowed: they must agree before the mean counts`,
        settledBy:
          fault.sticksOut === null ? `Take the repeats${at} again.` : `${first} and take repeat ${fault.sticksOut}${at} again.`,
      }
    }
    case 'outsideStripScale':
      return {
        rule: 'stripScale',
        reason: `Strip width outside its scale at ${listed(fault.slots)}: wrong strip for this clearance`,
        settledBy: 'Use the strip of the next range and take it again.',
      }
    case 'shimsUnequal':
      return {
        rule: 'shims',
        reason: `The shims differ by ${difference(fault.range)} ${unit}, more than the ${difference(fault.limitValue)} allowed: the cap lay askew`,
        settledBy: 'Use shims of equal thickness and flatten new wires.',
      }
    case 'noSpringLine':
      return {
        rule: 'springLine',
        reason: 'The shorter length does not carry more than the longer one: no rate follows',
        settledBy: 'Take the loads again, clear of coil bind.',
      }
    case 'formula':
      return { rule: 'formula', reason: fault.why, settledBy: 'Have the formula in the limit book put right.' }
  }
}

/** Faults of the method keep the verdict open, up to what its limits could ask for, until the readings are taken again. */
export const faultVotes = (
  characteristic: Characteristic,
  reductions: Reductions,
  figures: Figures,
  strongestOfLimits: Level,
): Vote[] =>
  reductions.faults.map((fault) => ({
    ...sayFault(fault, figures, characteristic.beforeRepeats),
    subject: characteristic.id,
    source: null,
    route: null,
    trace: [],
    mild: 'reuse',
    // Without a limit of its own it serves what others judge: how far that reaches is not known here.
    strong: characteristic.limits.length === 0 ? 'replace' : strongestOfLimits,
  }))
