import type { Policy } from './policySchema'

/** What a job is opened with unless its planner chooses otherwise: guarded by 1.65 u, one-sided 95 % (JCGM 106). */
export const defaultPolicy: Policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: true,
  clearanceBy: 'measuredParts',
}

/** For what was not judged here, such as earlier readings taken over: the limit as it stands. */
export const asItStands: Policy = {
  acceptance: { kind: 'simple' },
  mustLastTheInterval: false,
  clearanceBy: 'measuredParts',
}
