import type { Method } from '../method/method'
import type { Limit } from './limit'

/** Id of the limit that a method brings itself. */
export const ASKED = 'asked'

const limitOn = (judges: Limit['judges']): Limit => ({
  id: ASKED,
  judges,
  side: 'upper',
  plan: null,
  wear: 0,
  whenPassed: 'mend',
  instruction: '',
  source: { document: '', page: '' },
})

/**
 * The limits that judge a characteristic: those of its book, and where it gives none for them, what the method itself asks:
 * that every answer is the one wanted, that every point of a test lies in its own band. Unanswered is not as wanted.
 */
export function judgingLimits(method: Method, limits: readonly Limit[]): readonly Limit[] {
  if (method.kind === 'visualCheck' && limits.length === 0) return [limitOn('notAsWanted')]
  const hasBands = method.kind === 'benchTest' && method.points.some(({ least, greatest }) => least !== null || greatest !== null)
  if (hasBands && limits.every(({ judges }) => judges !== 'failedPoints')) return [...limits, limitOn('failedPoints')]
  return limits
}
