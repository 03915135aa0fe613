import type { Verdict } from '../policy/disposition'
import { verdictOf } from './partVerdict'
import type { Vote } from './vote'

/** What is shown of a measurement: its verdict, or that it judges nothing, which is no verdict to reuse anything. */
export type Shown = Verdict | 'nothing'

type Said = Pick<Vote, 'rule' | 'mild' | 'strong'>

/** Whether a reason speaks for nothing: the value is for information only, measured or not. */
const saysNothing = ({ rule, strong }: Said): boolean => strong === 'reuse' && (rule === 'information' || rule === 'notMeasured')

export const shownOfVote = (vote: Said): Shown => (saysNothing(vote) ? 'nothing' : verdictOf(vote))

export const shownOf = ({ verdict, votes }: { readonly verdict: Verdict; readonly votes: readonly Said[] }): Shown =>
  verdict === 'reuse' && votes.every(saysNothing) ? 'nothing' : verdict
