/** What each role may do. The server asks here at every route and every call. */
export const roles = ['inspector', 'reviewer', 'planner', 'trainee', 'visitor', 'administrator'] as const
export type Role = (typeof roles)[number]

export const actions = ['read', 'measure', 'confirm', 'decide', 'send', 'review', 'note', 'plan', 'check', 'administer'] as const
export type Action = (typeof actions)[number]

const allowed: Record<Role, readonly Action[]> = {
  inspector: ['read', 'measure', 'confirm', 'decide', 'send', 'note', 'plan', 'check'],
  reviewer: ['read', 'review', 'check'],
  planner: ['read', 'plan'],
  trainee: ['read'],
  visitor: ['read'],
  administrator: ['read', 'administer'],
}

/** What a role may do besides in a job marked as practice, where nothing counts. */
const practised: Partial<Record<Role, readonly Action[]>> = { trainee: ['measure', 'confirm', 'decide', 'note'] }

export const may = (role: Role, action: Action): boolean => allowed[role].includes(action)

export const mayInPractice = (role: Role, action: Action): boolean =>
  may(role, action) || (practised[role] ?? []).includes(action)

/** Whether somebody may do this in a job, which is practice or not. */
export const mayIn = (role: Role, action: Action, practice: boolean): boolean =>
  practice ? mayInPractice(role, action) : may(role, action)

/** Whether somebody sees the machines of a station: a visitor who was given one sees no other. */
export const sees = ({ role, station }: { readonly role: Role; readonly station?: string | null }, of: string): boolean =>
  role !== 'visitor' || station == null || station === of

/** Roles that may do something, for the sentence that refuses the others. */
export const rolesThatMay = (action: Action): Role[] => roles.filter((role) => may(role, action))

export const isRole = (text: string): text is Role => (roles as readonly string[]).includes(text)
