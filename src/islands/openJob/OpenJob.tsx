import { useState } from 'react'
import { v7 } from 'uuid'
import type { OpenJobView } from '../../contract/answers'
import type { OpenJobBody } from '../../contract/bodies'
import { defaultPolicy } from '../../core/policy/defaults'
import { schoolIds } from '../../core/policy/schools'
import { formatHours } from '../../core/quantity/format'
import { schoolWords } from '../../core/words/policy'
import { say } from '../../labels/openJob'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, TextField } from '../../ui/Field'
import { useKept } from '../keptForm'
import styles from './OpenJob.module.css'

interface Faults {
  readonly message: string
  readonly paths: readonly string[]
}

/** Receive: why the machine is opened, how far, by which policy; hours checked against its log. */
export function OpenJob({ view }: { readonly view: OpenJobView }) {
  // One id for this form: pressing twice, after a reload, or again after a broken network, opens one job.
  const [form, set, forget] = useKept(`medida-form:open:${view.machine.id}`, () => ({
    id: v7(),
    level: view.levels[0]?.id ?? null,
    hours: '',
    readOn: view.today,
    reason: '',
    complaint: '',
    returnBy: '',
    mustRun: view.lastMustRunHours === null ? '' : String(view.lastMustRunHours),
    policy: view.lastPolicy ?? defaultPolicy,
    hoursNote: null as string | null,
  }))
  const { id, level, hours, readOn, reason, complaint, returnBy, mustRun, policy, hoursNote } = form
  const [faults, setFaults] = useState<Faults | null>(null)
  const [busy, setBusy] = useState(false)
  const at = (path: string): string | null => (faults?.paths.includes(path) ? faults.message : null)

  async function open(): Promise<void> {
    const [runningHours, mustRunHours] = [wholeHours(hours), wholeHours(mustRun)]
    if (runningHours === null)
      return setFaults({
        message: say.noRunningHours(hours),
        paths: ['runningHours'],
      })
    if (mustRunHours === null) return setFaults({ message: say.noNumberHours(mustRun), paths: ['mustRunHours'] })
    setBusy(true)
    const body: OpenJobBody = {
      id,
      level,
      runningHours,
      readOn,
      reason,
      complaint,
      returnBy: returnBy === '' ? null : returnBy,
      mustRunHours,
      policy,
      hoursNote: hoursNote?.trim() ? hoursNote.trim() : null,
    }
    const answer = await postJson<{ id: string }>(`/api/machines/${encodeURIComponent(view.machine.id)}/jobs`, body)
    if (answer.kind === 'ok') {
      forget()
      return location.assign(`/jobs/${answer.value.id}/plan`)
    }
    setBusy(false)
    if (answer.kind === 'offline')
      return setFaults({
        message: say.serverCannotReached,
        paths: [],
      })
    if (answer.paths.includes('hoursNote')) set({ hoursNote: hoursNote ?? '' })
    setFaults({ message: answer.message, paths: answer.paths })
  }

  const known = ['runningHours', 'hoursNote', 'readOn', 'reason', 'complaint', 'returnBy', 'mustRunHours']
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault()
        void open()
      }}
    >
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
        <TextField
          label={say.runningHours}
          inputMode="numeric"
          value={hours}
          error={at('runningHours')}
          required
          onChange={(event) => set({ hours: event.currentTarget.value })}
        />
        <TextField
          label={say.meterRead}
          type="date"
          value={readOn}
          max={view.today}
          error={at('readOn')}
          required
          onChange={(event) => set({ readOn: event.currentTarget.value })}
        />
      </div>
      {hoursNote !== null && (
        <TextField
          label={say.whyHoursRight}
          hint={say.theyDoNot}
          value={hoursNote}
          error={at('hoursNote')}
          maxLength={400}
          autoFocus
          onChange={(event) => set({ hoursNote: event.currentTarget.value })}
        />
      )}
      <TextField
        label={say.whyOpened}
        hint={say.hoursDueDefect}
        value={reason}
        maxLength={200}
        error={at('reason')}
        required
        onChange={(event) => set({ reason: event.currentTarget.value })}
      />
      <TextField
        label={say.complaintOwner}
        hint={say.noiseHeatLeak}
        value={complaint}
        maxLength={1000}
        error={at('complaint')}
        onChange={(event) => set({ complaint: event.currentTarget.value })}
      />
      <div className={styles.row}>
        <TextField
          label={say.mustBack}
          type="date"
          value={returnBy}
          min={view.today}
          error={at('returnBy')}
          onChange={(event) => set({ returnBy: event.currentTarget.value })}
        />
        <TextField
          label={say.mustThenRun}
          inputMode="numeric"
          value={mustRun}
          error={at('mustRunHours')}
          required
          onChange={(event) => set({ mustRun: event.currentTarget.value })}
        />
      </div>
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
      <Fault text={faults && !faults.paths.some((path) => known.includes(path)) ? faults.message : null} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary" disabled={busy || view.openJob !== null}>
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
          <th scope="col">{say.hours}</th>
          <th scope="col">{say.noted}</th>
        </tr>
      </thead>
      <tbody>
        {[...view.hoursLog].reverse().map(({ date, hours, where }) => (
          <tr key={`${date} ${hours} ${where}`}>
            <td className="figure">{date}</td>
            <td className="figure">{formatHours(hours)} h</td>
            <td>{where}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
