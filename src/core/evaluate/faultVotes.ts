import type { Characteristic } from '../book/bookSchema'
import { quantityOf } from '../method/gives'
import type { MethodFault, Reductions } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import type { Stage } from '../record/stage'
import type { Said, Vote } from '../verdict/vote'
import { openVote } from '../verdict/vote'

type FaultRule = Extract<Said, { readonly facts: { readonly fault: MethodFault } }>['rule']

/** What each fault is about. */
const ruleOf: Readonly<Record<MethodFault['code'], FaultRule>> = {
  repeatsDisagree: 'repeats',
  repeatsNotFigures: 'repeats',
  noGauge: 'gauge',
  otherGauge: 'gauge',
  beyondRange: 'gauge',
  lapsed: 'gauge',
  notUnderstood: 'gauge',
  outsideStripScale: 'stripScale',
  shimsUnequal: 'shims',
  noSpringLine: 'springLine',
  formula: 'formula',
}

/**
 * Faults of the method keep the verdict open, up to what its limits could ask for, until the readings are taken again. One
 * without a limit settles nothing for whoever reads it: their votes say so.
 */
export const faultVotes = (
  { characteristic, stage }: { readonly characteristic: Characteristic; readonly stage: Stage },
  { faults }: Reductions,
  strongestOfLimits: Disposition,
): Vote[] =>
  faults.map((fault) =>
    openVote({
      rule: ruleOf[fault.code],
      code: fault.code,
      facts: { fault, quantity: quantityOf(characteristic.method) },
      stage,
      subject: characteristic.id,
      strong: strongestOfLimits,
      settledBy: { code: 'fault' },
    }),
  )
