import type { Executor } from '../../db/client'
import { say } from '../../labels/refusals'
import { type Action, may, type Role, rolesThatMay } from '../people/roles'
import { Refused } from './refused'

/** Who asks, what they may reach, and the clock. Every use case takes one. */
export interface Context {
  readonly db: Executor
  readonly user: { readonly id: string; readonly name: string; readonly role: Role; readonly station?: string | null }
  readonly now: () => Date
}

const actionWords: Record<Action, string> = {
  read: say.read,
  measure: say.enterReadings,
  confirm: say.confirmSteps,
  decide: say.decideParts,
  send: say.sendJobReviewer,
  review: say.returnSignReport,
  note: say.noteStepsTags,
  plan: say.openJobsTick,
  check: say.holdTypedLimits,
  administer: say.administer,
}

/** Refuses unless the person's role may do this. */
export function authorise(context: Context, action: Action): void {
  if (may(context.user.role, action)) return
  const who = rolesThatMay(action).join(' or ')
  throw new Refused('notAllowed', say.youSignedAs(context.user.role, actionWords[action], who))
}
