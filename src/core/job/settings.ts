/**
 * Settings that must be made in a job: what was found out of setting, and what rests on a part that was replaced or reconditioned.
 * Each is asked for beside any stronger verdict, until it is taken as left and lies inside.
 */
import type { LimitBook } from '../book/bookSchema'
import { type Evaluation, startEvaluation } from '../evaluate/evaluate'
import { readBy, sidesOf } from '../fit/kinds'
import { settingOfFit } from '../fit/settingOfFit'
import type { OpenSetting } from '../notes/settingsBefore'
import { isRenewed } from '../policy/disposition'
import type { InspectionRecord } from '../record/recordSchema'
import { type Setting, settingOf } from '../setting/setting'
import type { Vote } from '../verdict/vote'

export interface SettingAsked {
  /** Measurement or fit. */
  readonly subject: string
  readonly name: string
  /** Measurements that tell of it. */
  readonly measures: readonly string[]
  readonly setting: Setting
  /** What was found out of setting; null where a part that it rests on was mended or renewed. */
  readonly found: Vote | null
  /** Found out in the same direction at the last overhaul too. */
  readonly isAgain: boolean
  /** Somebody may be hurt by it. */
  readonly isSafety: boolean
  /** Taken as left, all of it, and inside. */
  readonly isSet: boolean
}

export function settingsAsked(record: InspectionRecord): readonly SettingAsked[] {
  const { book } = record
  const evaluation = startEvaluation(record)
  const mended = mendedParts(record)
  const restsOnMended = ({ chain }: Setting): boolean => chain.some((part) => mended.has(part))
  const safety = new Set(book.characteristics.flatMap(({ id, safety: marked }) => (marked ? [id] : [])))
  const partOf = new Map(book.characteristics.map(({ id, part }) => [id, part]))

  const values = book.characteristics.flatMap((of, index): SettingAsked[] => {
    const setting = firstOf(of.limits.map((limit) => settingOf(of, limit)))
    const result = setting && evaluation.needAt(index) === 'required' ? evaluation.characteristicAt(index) : undefined
    if (!setting || !result) return []
    const found = outOf(result.votes)
    if (!found && !restsOnMended(setting)) return []
    const left = result.stages.find(({ stage }) => stage === 'asLeft')
    const isSet = left !== undefined && left.reductions.taken === left.reductions.needed && isInside(left.votes)
    const isAgain = found !== null && wasOutBefore(record, index, found)
    return [{ subject: of.id, name: of.name, measures: [of.id], setting, found, isAgain, isSafety: of.safety, isSet }]
  })
  const fits = book.fits.flatMap((fit, index): SettingAsked[] => {
    const sides = sidesOf(fit)
    const parts = [fit.mendOn, ...sides.flatMap((id) => partOf.get(id) ?? [])]
    const setting = firstOf(fit.limits.map((limit) => settingOfFit(fit, parts, limit)))
    const result = setting && isAskedFor(book, evaluation, sides) ? evaluation.fitAt(index) : undefined
    if (!setting || !result) return []
    const found = outOf(result.votes)
    if (!found && !restsOnMended(setting)) return []
    const left = result.stages.find(({ stage }) => stage === 'asLeft')
    const isSafety = sides.some((id) => safety.has(id))
    return [
      {
        subject: fit.id,
        name: fit.name,
        measures: readBy(fit),
        setting,
        found,
        isAgain: false,
        isSafety,
        isSet: left !== undefined && isInside(left.votes),
      },
    ]
  })
  return [...values, ...fits]
}

const firstOf = (settings: readonly (Setting | null)[]): Setting | null => settings.find((one) => one !== null) ?? null

const isAskedFor = ({ characteristics }: LimitBook, evaluation: Evaluation, ids: readonly string[]): boolean =>
  characteristics.every(({ id }, index) => !ids.includes(id) || evaluation.needAt(index) === 'required')

/** What says that a setting is out, beyond doubt. */
const outOf = (votes: readonly Vote[]): Vote | null =>
  votes.find(({ setting, mild }) => setting !== undefined && mild !== 'reuse') ?? null

const isInside = (votes: readonly Vote[]): boolean => votes.every(({ strong }) => strong === 'reuse')

/** Parts that were decided to be renewed or worked. */
const mendedParts = ({ decisions }: InspectionRecord): ReadonlySet<string> => {
  const last = new Map(decisions.map(({ part, decided }) => [part, decided]))
  return new Set([...last].flatMap(([part, decided]) => (isRenewed(decided) ? [part] : [])))
}

/** Whether the overhaul before found it beyond the same limit. */
function wasOutBefore(record: InspectionRecord, index: number, { facts }: Vote): boolean {
  const last = record.history.at(-1)
  if (!last || !('limit' in facts)) return false
  const job = { ...record.job, ...last, entries: [] }
  const before = startEvaluation({ ...record, job, history: record.history.slice(0, -1), decisions: [] }).characteristicAt(index)
  return before?.limits.some(({ limit, grade }) => limit.id === facts.limit.id && grade.mild > 0) ?? false
}

/** The same as steps wait for it. */
export const openSettings = (record: InspectionRecord): readonly OpenSetting[] =>
  notSetYet(record).map(({ name, measures, setting }) => ({ name, measures, isProving: setting.isProving }))

/** What must be set before anybody proves the machine, or (taken while proving) before it goes back to work. */
export const notSetYet = (record: InspectionRecord): readonly SettingAsked[] =>
  settingsAsked(record).filter(({ isSet }) => !isSet)
