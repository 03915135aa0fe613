import type { Executor } from '../../db/client'
import { type Action, may, type Role, rolesThatMay } from '../people/roles'
import { Refused } from './refused'

/** Who asks, what they may reach, and the clock. Every use case takes one. */
export interface Context {
  readonly db: Executor
  readonly user: { readonly id: string; readonly name: string; readonly role: Role }
  readonly now: () => Date
}

const actionWords: Record<Action, string> = {
  read: 'read this',
  measure: 'enter readings',
  confirm: 'confirm steps',
  decide: 'decide on parts',
  send: 'send a job to the reviewer',
  review: 'return or sign a report',
  note: 'note steps, tags and findings',
  plan: 'open jobs and tick the plan',
  check: 'hold typed limits against their document',
}

/** Refuses unless the person's role may do this. */
export function authorise(context: Context, action: Action): void {
  if (may(context.user.role, action)) return
  const who = rolesThatMay(action).join(' or ')
  throw new Refused(
    'notAllowed',
    `You are signed in as ${context.user.role}, who may not ${actionWords[action]}. Ask the ${who}.`,
  )
}
