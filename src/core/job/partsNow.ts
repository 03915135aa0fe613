import type { Part } from '../book/bookSchema'
import type { Results } from '../evaluate/results'
import { type Disposition, isRenewed, type Verdict } from '../policy/disposition'
import type { InspectionRecord } from '../record/recordSchema'
import { type Age, ageOf } from '../verdict/serviceVote'
import { standingDecisions } from './progress'

/** When a part is due, on the machine's meter; what makes it due. */
export type NextDue =
  | { readonly by: 'wear'; readonly characteristic: string; readonly atHours: number }
  | { readonly by: 'service'; readonly atHours: number }
  /** At the next overhaul, whenever that is. */
  | { readonly by: 'overhaul' }

/** A part as it is fitted now. */
export interface PartNow {
  readonly part: string
  /** Mark of what is fitted; null where it is not on record: never noted, or renewed since. */
  readonly mark: string | null
  /** Running hours since it was fitted; null where nobody knows. */
  readonly hours: number | null
  /** What was last said of it: the inspector's verdict where it stands, else the recommended one. */
  readonly last: { readonly verdict: Verdict; readonly decided: Disposition | null }
  readonly due: NextDue | null
}

/**
 * What is fitted on a machine now, from its latest job. `hoursNow` is what its meter shows since; `ended` says that the job is
 * over, so that what it replaced or reconditioned begins anew.
 */
export function partsNow(
  record: InspectionRecord,
  results: Results,
  { hoursNow, ended }: { readonly hoursNow: number; readonly ended: boolean },
): readonly PartNow[] {
  const standing = standingDecisions(record, results)
  const since = Math.max(0, hoursNow - record.job.runningHours)
  return record.book.parts.flatMap((part): PartNow[] => {
    const result = results.parts.find(({ id }) => id === part.id)
    if (!result) return []
    const own = standing.get(part.id)
    const decided = own && !own.stale ? own.decided.decided : null
    const isNew = ended && decided === 'replace'
    const age = isNew ? { overhauls: 0, hours: 0 } : ageOf(record, part.id)
    return [
      {
        part: part.id,
        mark: isNew ? null : (record.job.installed[part.id] ?? null),
        hours: age?.hours == null ? null : age.hours + since,
        last: { verdict: result.verdict, decided },
        due: dueOf(part, record, results, age, ended && decided !== null && isRenewed(decided)),
      },
    ]
  })
}

/** What comes first: an hour that is known, before an overhaul that is not. */
function dueOf(
  part: Part,
  record: InspectionRecord,
  results: Results,
  age: Pick<Age, 'overhauls' | 'hours'> | null,
  /** What was forecast of the part before it was mended or renewed holds no more. */
  isMended: boolean,
): NextDue | null {
  const own = new Set(record.book.characteristics.filter((one) => one.part === part.id).map(({ id }) => id))
  const wear = isMended
    ? []
    : results.characteristics.flatMap(({ id, forecast }): NextDue[] => {
        // The cautious end of it: a part that may be worn then is due then.
        const hours = own.has(id) ? (forecast?.earliestHoursToWear ?? forecast?.hoursToWear ?? null) : null
        return hours === null ? [] : [{ by: 'wear', characteristic: id, atHours: record.job.runningHours + Math.max(0, hours) }]
      })
  const rules = part.service ?? []
  const service = rules.flatMap((rule): NextDue[] =>
    rule.kind === 'afterHours' && age?.hours != null
      ? [{ by: 'service', atHours: record.job.runningHours + Math.max(0, rule.hours - age.hours) }]
      : [],
  )
  const [first] = [...wear, ...service].sort((a, b) => atOf(a) - atOf(b))
  if (first) return first
  const atOverhaul =
    part.renewedAlways ||
    rules.some((rule) => rule.kind === 'always' || (rule.kind === 'everyNth' && age !== null && age.overhauls + 2 > rule.nth))
  return atOverhaul ? { by: 'overhaul' } : null
}

const atOf = (due: NextDue): number => (due.by === 'overhaul' ? Number.POSITIVE_INFINITY : due.atHours)
