import { useState } from 'react'
import { v7 } from 'uuid'
import type { MachineBody } from '../../contract/bodies'
import { say } from '../../labels/openJob'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, TextField } from '../../ui/Field'
import styles from './OpenJob.module.css'

/** A machine that is in no limit book: named here, then a job is opened on it at once. */
export function AddMachine({ stations }: { readonly stations: readonly string[] }) {
  // One id for this form: pressing twice puts one machine on record.
  const [id] = useState(() => v7())
  const [station, setStation] = useState('')
  const [name, setName] = useState('')
  const [units, setUnits] = useState<MachineBody['units']>('metric')
  const [fault, setFault] = useState<{ readonly path: string; readonly says: string } | null>(null)
  const [busy, setBusy] = useState(false)
  const at = (path: string): string | null => (fault?.path === path ? fault.says : null)

  async function add(): Promise<void> {
    if (station.trim() === '') return setFault({ path: 'station', says: say.namePlaceStands })
    if (name.trim() === '') return setFault({ path: 'name', says: say.nameMachine })
    setBusy(true)
    const body: MachineBody = { id, station: station.trim(), name: name.trim(), units }
    const answer = await postJson<{ id: string }>('/api/machines', body)
    if (answer.kind === 'ok') return location.assign(`/machines/${answer.value.id}/open`)
    setBusy(false)
    setFault(
      answer.kind === 'offline'
        ? { path: '', says: say.serverCannotReached }
        : { path: answer.paths[0] ?? '', says: answer.message },
    )
  }
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault()
        void add()
      }}
    >
      <TextField
        label={say.station}
        hint={say.worksShipPower}
        list="stations"
        value={station}
        error={at('station')}
        maxLength={120}
        autoFocus
        onChange={(event) => setStation(event.currentTarget.value)}
      />
      <datalist id="stations">
        {stations.map((known) => (
          <option key={known} value={known} />
        ))}
      </datalist>
      <TextField
        label={say.machine}
        value={name}
        error={at('name')}
        maxLength={120}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <Choice
        legend={say.unitsBareFigure}
        options={[
          { value: 'metric', label: say.metricMmBar },
          { value: 'inch', label: say.inchPsiLbf },
        ]}
        value={units}
        onChange={setUnits}
      />
      <Fault text={fault && !['station', 'name'].includes(fault.path) ? fault.says : null} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary" disabled={busy}>
          {say.putRecordOpen}
        </Button>
      </div>
    </form>
  )
}
