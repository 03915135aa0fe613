import type { Disposition } from '../policy/disposition'
import type { Stage } from '../record/stage'
import { NONE, openVote, type Vote } from '../verdict/vote'

/** What nobody has measured at a stage leaves open all that its limits could ask for. */
export const notMeasuredVote = (characteristic: string, stage: Stage, strong: Disposition): Vote =>
  openVote({
    rule: 'notMeasured',
    code: 'notMeasured',
    facts: NONE,
    stage,
    subject: characteristic,
    strong,
    settledBy: { code: 'measure', characteristic },
  })
