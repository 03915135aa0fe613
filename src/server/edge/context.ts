import type { Executor } from '../../db/client'
import { say } from '../../labels/refusals'
import { type Action, mayIn, mayInPractice, type Role, rolesThatMay } from '../people/roles'
import { Refused } from './refused'

/** Who asks, what they may reach, and the clock. Every use case takes one. */
export interface Context {
  readonly db: Executor
  readonly user: {
    readonly id: string
    readonly name: string
    readonly role: Role
    readonly station?: string | null
    /** Whether a second factor is set up; `asked`: it must be before anything is done. */
    readonly secondFactor?: 'none' | 'asked' | 'set'
    /** An administrator asks for one. */
    readonly factorAsked?: boolean
  }
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

/** Refuses unless the person's role may do this; in a practice job more may. */
export function authorise({ user: { role } }: Pick<Context, 'user'>, action: Action, practice = false): void {
  if (!mayIn(role, action, practice)) throw notAllowed(role, [action])
}

/** Why a role may do none of these, and who may. */
export function notAllowed(role: Role, actions: readonly Action[]): Refused {
  const [action = 'read'] = actions
  const who = [...new Set(actions.flatMap(rolesThatMay))].join(' or ')
  const says = mayInPractice(role, action) ? say.onlyInPractice : say.youSignedAs
  return new Refused('notAllowed', says(role, actionWords[action], who))
}
