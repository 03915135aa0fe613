import { say } from '../../labels/refusals'
import { Refused } from './refused'

const UNREACHABLE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EHOSTUNREACH'])
/** Classes of PostgreSQL's error codes (its manual, appendix A) that mean it is away or busy, not that something is wrong. */
const AWAY = /^(08|40|53|55|57)/
/** And those that mean a value which cannot be kept: a sign, a day or a figure that it does not know. */
const CANNOT_BE_KEPT = /^22/
const LOST = /timeout|terminated|Client has encountered a connection error|Client was closed/i

/** What a fault of the database means to the person, as a refusal; null when it is a fault of ours. */
export function refusalOf(error: unknown): Refused | null {
  for (let cause = error; cause instanceof Error; cause = cause.cause) {
    if (cause instanceof Refused) return cause
    const code = 'code' in cause ? String(cause.code) : ''
    if (UNREACHABLE.has(code) || AWAY.test(code) || (code === '' && LOST.test(cause.message)))
      return new Refused('unavailable', say.databaseDoesNot)
    if (CANNOT_BE_KEPT.test(code) && code.length === 5) return new Refused('malformed', say.somethingCannotKept)
  }
  return null
}
