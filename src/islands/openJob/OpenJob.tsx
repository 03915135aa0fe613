import { useState } from 'react'
import { v7 } from 'uuid'
import type { OpenJobView } from '../../contract/answers'
import type { OpenJobBody } from '../../contract/bodies'
import { defaultPolicy } from '../../core/policy/defaults'
import { schoolIds } from '../../core/policy/schools'
import { formatHours } from '../../core/quantity/format'
import { schoolWords } from '../../core/words/policy'
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
        message: `“${hours}” is no running hours. Type whole hours as the meter shows them.`,
        paths: ['runningHours'],
      })
    if (mustRunHours === null)
      return setFaults({ message: `“${mustRun}” is no number of hours. Type whole hours.`, paths: ['mustRunHours'] })
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
        message: 'The server cannot be reached. Nothing typed is lost: press again when the network is back.',
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
        <legend>How far is it opened?</legend>
        {view.levels.length === 0 && (
          <p className={styles.about}>
            {view.book
              ? 'The limit book has no inspection levels: everything in it is measured.'
              : 'This machine is in no limit book: what is measured is named and its limits are typed at the bench.'}
          </p>
        )}
        {view.levels.map((item) => (
          <label key={item.id} className={styles.level} data-chosen={item.id === level || undefined}>
            <input type="radio" name="level" checked={item.id === level} onChange={() => set({ level: item.id })} />
            <span>
              <b>{item.name}</b>
              {item.gate && <span className={styles.gate}>ends with a gate</span>}
              <span className={styles.about}>{item.about}</span>
              <span className={styles.about}>
                <span className="figure">{item.measures}</span> characteristics measured
              </span>
            </span>
          </label>
        ))}
      </fieldset>
      <div className={styles.row}>
        <TextField
          label="Running hours"
          inputMode="numeric"
          value={hours}
          error={at('runningHours')}
          required
          onChange={(event) => set({ hours: event.currentTarget.value })}
        />
        <TextField
          label="Meter read on"
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
          label="Why the hours are right"
          hint="They do not fit the log: meter changed, long standstill, peak season …"
          value={hoursNote}
          error={at('hoursNote')}
          maxLength={400}
          autoFocus
          onChange={(event) => set({ hoursNote: event.currentTarget.value })}
        />
      )}
      <TextField
        label="Why it is opened"
        hint="Hours due, defect, opportunity"
        value={reason}
        maxLength={200}
        error={at('reason')}
        required
        onChange={(event) => set({ reason: event.currentTarget.value })}
      />
      <TextField
        label="Complaint of the owner"
        hint="Noise, heat, leak, loss of output, in their words; empty when there is none. It stays in sight until it is explained and proved gone."
        value={complaint}
        maxLength={1000}
        error={at('complaint')}
        onChange={(event) => set({ complaint: event.currentTarget.value })}
      />
      <div className={styles.row}>
        <TextField
          label="Must be back by"
          type="date"
          value={returnBy}
          min={view.today}
          error={at('returnBy')}
          onChange={(event) => set({ returnBy: event.currentTarget.value })}
        />
        <TextField
          label="Must then run, hours"
          inputMode="numeric"
          value={mustRun}
          error={at('mustRunHours')}
          required
          onChange={(event) => set({ mustRun: event.currentTarget.value })}
        />
      </div>
      <div className={styles.policy}>
        <h2>Policy</h2>
        <Choice
          legend="Doubt near a limit"
          options={[
            { value: 'guarded', label: 'Guarded: the guard band to spare' },
            { value: 'simple', label: 'Simple: the limit as it stands' },
          ]}
          value={policy.acceptance.kind}
          onChange={(kind) =>
            set({
              policy: { ...policy, acceptance: kind === 'simple' ? { kind: 'simple' } : { kind: 'guarded', guardFactor: 1.65 } },
            })
          }
        />
        <Choice
          legend="What counts as worn"
          options={[
            { value: 'interval', label: 'When it would not reach the next overhaul' },
            { value: 'limit', label: 'Only at the limit' },
          ]}
          value={policy.mustLastTheInterval ? 'interval' : 'limit'}
          onChange={(choice) => set({ policy: { ...policy, mustLastTheInterval: choice === 'interval' } })}
        />
        <Choice
          legend="Clearance of a split bearing"
          options={[
            { value: 'measuredParts', label: 'Bore minus journal' },
            { value: 'strip', label: 'Plastic strip' },
          ]}
          value={policy.clearanceBy}
          onChange={(clearanceBy) => set({ policy: { ...policy, clearanceBy } })}
        />
      </div>
      <details className={styles.schools}>
        <summary>More schools of practice ({Object.values(policy.schools ?? {}).filter(Boolean).length} chosen)</summary>
        <p className={styles.about}>Named on the report. Where nothing is chosen, the limit book and its maker speak.</p>
        {schoolIds.map((school) => (
          <Choice
            key={school}
            legend={schoolWords[school].question}
            options={[
              { value: '', label: 'as the book says' },
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
          Open the job
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
          <th scope="col">Day</th>
          <th scope="col">Hours</th>
          <th scope="col">Noted at</th>
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
