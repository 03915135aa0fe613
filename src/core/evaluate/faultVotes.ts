import type { Characteristic } from '../book/bookSchema'
import type { MethodFault, Reductions } from '../method/reduction'
import type { Level } from '../policy/disposition'
import type { Figures } from '../quantity/figures'
import type { Stage } from '../record/stage'
import { listed } from '../verdict/limitVote'
import type { Vote, VoteFacts, VoteRule } from '../verdict/vote'
import { openVote } from '../verdict/vote'

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
    case 'repeatsNotFigures': {
      const at = fault.at === '' ? '' : ` at ${fault.at}`
      return {
        rule: 'repeats',
        reason: `A repeat${at} is a bound or a range: whether the repeats agree within ${difference(fault.limitValue)} ${unit} is not known`,
        settledBy: `Read every repeat${at} to a figure.`,
      }
    }
    case 'noGauge':
      return {
        rule: 'gauge',
        reason: `No gauge noted: ${listed(fault.slots)}`,
        settledBy: 'Take it again with a gauge from the store.',
      }
    case 'otherGauge':
      return {
        rule: 'gauge',
        reason: `Read with a gauge of another quantity: ${listed(fault.slots)}`,
        settledBy: 'Take it again with a gauge that measures this.',
      }
    case 'notUnderstood':
      return {
        rule: 'gauge',
        reason: `Typed in words that may say another figure: ${listed(fault.slots)}`,
        settledBy: 'Type it again.',
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

/**
 * Faults of the method keep the verdict open, up to what its limits could ask for, until the readings are taken again. One
 * without a limit settles nothing for whoever reads it: their votes say so.
 */
export const faultVotes = (
  { characteristic, stage }: { readonly characteristic: Characteristic; readonly stage: Stage },
  reductions: Reductions,
  figures: Figures,
  strongestOfLimits: Level,
): Vote[] =>
  reductions.faults.map((fault) =>
    openVote({
      ...sayFault(fault, figures, characteristic.beforeRepeats),
      code: fault.code,
      facts: factsOf(fault),
      stage,
      subject: characteristic.id,
      strong: strongestOfLimits,
    }),
  )

function factsOf(fault: MethodFault): VoteFacts {
  const { code: _, ...facts } = fault
  return facts
}
