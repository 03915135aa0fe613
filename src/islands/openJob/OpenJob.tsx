import { v7 } from 'uuid'
import type { OpenJobView } from '../../contract/answers'
import type { OpenJobBody } from '../../contract/bodies'
import { defaultPolicy } from '../../core/policy/defaults'
import { schoolIds } from '../../core/policy/schools'
import { isRead, type Meter, meterOf } from '../../core/quantity/meter'
import { meterHead, meterName, ranAtWords } from '../../core/words/meter'
import { schoolWords } from '../../core/words/policy'
import { say } from '../../labels/openJob'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { CheckField, Fault, TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'
import { useSentForm } from '../forms/useSentForm'
import styles from './OpenJob.module.css'

interface Typed {
  readonly id: string
  readonly level: string | null
  readonly hours: string
  readonly readOn: string
  readonly reason: string
  readonly complaint: string
  readonly returnBy: string
  readonly mustRun: string
  readonly starts: string
  readonly policy: OpenJobBody['policy']
  readonly practice: boolean
  /** Null until the hours are questioned. */
  readonly hoursNote: string | null
}

/** What is typed as hours, as the schema reads it: what is no number is none to it either. */
const hoursOf = (text: string): number => wholeHours(text) ?? Number.NaN

function faultsOf({ hours, mustRun, starts }: Typed, meter: Meter): readonly FieldSays[] {
  return [
    ...(isRead(meter) && wholeHours(hours) === null ? [{ at: 'hours', says: say.noCount(hours, meterName[meter]) }] : []),
    ...(meter !== 'none' && wholeHours(mustRun) === null ? [{ at: 'mustRun', says: say.noCount(mustRun, runName(meter)) }] : []),
    ...(starts.trim() !== '' && wholeHours(starts) === null ? [{ at: 'starts', says: say.noStarts(starts) }] : []),
  ]
}

/** What a length of running is called: hours, starts; days where dates count. */
const runName = (meter: Meter): string => (meter === 'days' ? say.days : meter === 'hours' ? say.hoursWord : meterName[meter])
const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`

/** Receive: why the machine is opened, how far, by which policy; hours checked against its log. */
export function OpenJob({ view }: { readonly view: OpenJobView }) {
  const meter = meterOf(view.machine)
  const form = useSentForm<Typed, { readonly id: string }>({
    key: `medida-form:open:${view.machine.id}`,
    // One id for this form: pressing twice, after a reload, or again after a broken network, opens one job.
    start: () => ({
      id: v7(),
      level: view.levels[0]?.id ?? null,
      hours: '',
      readOn: view.today,
      reason: '',
      complaint: '',
      returnBy: '',
      mustRun: view.lastMustRunHours === null ? '' : String(view.lastMustRunHours),
      starts: '',
      policy: view.lastPolicy ?? defaultPolicy,
      practice: false,
      hoursNote: null,
    }),
    path: `/api/machines/${encodeURIComponent(view.machine.id)}/jobs`,
    schema: async () => (await import('../../contract/bodies')).openJobBody,
    fieldOf: { runningHours: 'hours', mustRunHours: 'mustRun' },
    check: (typed) => faultsOf(typed, meter),
    body: ({ hours, mustRun, starts, returnBy, hoursNote, ...typed }) => ({
      ...typed,
      // Dates are counted by the server, and nothing is nothing.
      runningHours: isRead(meter) ? hoursOf(hours) : 0,
      mustRunHours: meter === 'none' ? 0 : hoursOf(mustRun),
      starts: starts.trim() === '' ? null : hoursOf(starts),
      returnBy: returnBy === '' ? null : returnBy,
      hoursNote: hoursNote?.trim() ? hoursNote.trim() : null,
    }),
    refused: (paths) => {
      if (paths.includes('hoursNote')) form.set({ hoursNote: form.value.hoursNote ?? '' })
    },
    done: ({ id }) => location.assign(`/jobs/${id}/plan`),
  })
  const { field, set } = form
  const { level, policy, practice, hoursNote } = form.value
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <fieldset className={styles.levels}>
        <legend>{say.howFarOpened}</legend>
        {view.levels.length === 0 && <p className={styles.about}>{view.book ? say.limitBookHas : say.machineNoLimit}</p>}
        {view.levels.map((item) => (
          <label key={item.id} className={styles.level} data-chosen={item.id === level || undefined}>
            <input type="radio" name="level" checked={item.id === level} onChange={() => set({ level: item.id })} />
            <span>
              <b>{item.name}</b>
              {item.gate && <span className={styles.gate}>{say.endsGate}</span>}
              <span className={styles.about}>{item.about}</span>
              <span className={styles.about}>
                <span className="figure">{item.measures}</span> {say.characteristicsMeasured}
              </span>
            </span>
          </label>
        ))}
      </fieldset>
      <div className={styles.row}>
        {isRead(meter) && <TextField label={capital(meterName[meter])} inputMode="numeric" {...field('hours')} />}
        <TextField label={isRead(meter) ? say.meterRead : say.dayOpened} type="date" max={view.today} {...field('readOn')} />
      </div>
      {hoursNote !== null && (
        <TextField label={say.whyHoursRight} hint={say.theyDoNot} maxLength={400} autoFocus {...field('hoursNote')} />
      )}
      <TextField label={say.whyOpened} hint={say.hoursDueDefect} maxLength={200} {...field('reason')} />
      <TextField label={say.complaintOwner} hint={say.noiseHeatLeak} maxLength={1000} {...field('complaint')} />
      <div className={styles.row}>
        <TextField label={say.mustBack} type="date" min={view.today} {...field('returnBy')} />
        {meter !== 'none' && <TextField label={say.mustThenRun(runName(meter))} inputMode="numeric" {...field('mustRun')} />}
        {meter !== 'starts' && <TextField label={say.starts} hint={say.startsAbout} inputMode="numeric" {...field('starts')} />}
      </div>
      <CheckField label={say.practice} hint={say.practiceAbout} {...form.field('practice')} />
      <div className={styles.policy}>
        <h2>{say.policy}</h2>
        <Choice
          legend={say.doubtNearLimit}
          options={[
            { value: 'guarded', label: say.guardedGuardBand },
            { value: 'simple', label: say.simpleLimitAs },
          ]}
          value={policy.acceptance.kind}
          onChange={(kind) =>
            set({
              policy: { ...policy, acceptance: kind === 'simple' ? { kind: 'simple' } : { kind: 'guarded', guardFactor: 1.65 } },
            })
          }
        />
        <Choice
          legend={say.whatCountsAs}
          options={[
            { value: 'interval', label: say.whenWouldNot },
            { value: 'limit', label: say.onlyLimit },
          ]}
          value={policy.mustLastTheInterval ? 'interval' : 'limit'}
          onChange={(choice) => set({ policy: { ...policy, mustLastTheInterval: choice === 'interval' } })}
        />
        <Choice
          legend={say.clearanceSplitBearing}
          options={[
            { value: 'measuredParts', label: say.boreMinusJournal },
            { value: 'strip', label: say.plasticStrip },
          ]}
          value={policy.clearanceBy}
          onChange={(clearanceBy) => set({ policy: { ...policy, clearanceBy } })}
        />
      </div>
      <details className={styles.schools}>
        <summary>{say.moreSchoolsPractice(Object.values(policy.schools ?? {}).filter(Boolean).length)}</summary>
        <p className={styles.about}>{say.namedReportWhere}</p>
        {schoolIds.map((school) => (
          <Choice
            key={school}
            legend={schoolWords[school].question}
            options={[
              { value: '', label: say.asBookSays },
              ...Object.entries<string>(schoolWords[school].answers).map(([value, label]) => ({ value, label })),
            ]}
            value={policy.schools?.[school] ?? ''}
            onChange={(answer) =>
              set({ policy: { ...policy, schools: { ...policy.schools, [school]: answer === '' ? undefined : answer } } })
            }
          />
        ))}
      </details>
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary" disabled={form.busy || (view.openJob !== null && !practice)}>
          {say.openJob}
        </Button>
      </div>
    </form>
  )
}

/** Whole hours as typed, with or without spaces between thousands; null when it is none. */
function wholeHours(text: string): number | null {
  const bare = text.replace(/[\s\u00a0]/g, '')
  return /^\d{1,8}$/.test(bare) ? Number(bare) : null
}

/** The machine's hours as they were noted before. */
export function HoursLog({ view }: { readonly view: OpenJobView }) {
  return (
    <table className={styles.log}>
      <thead>
        <tr>
          <th scope="col">{say.day}</th>
          <th scope="col">{meterHead(meterOf(view.machine))}</th>
          <th scope="col">{say.noted}</th>
        </tr>
      </thead>
      <tbody>
        {[...view.hoursLog].reverse().map(({ date, hours, where }) => (
          <tr key={`${date} ${hours} ${where}`}>
            <td className="figure">{date}</td>
            <td className="figure">{ranAtWords(hours, meterOf(view.machine))}</td>
            <td>{where}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
