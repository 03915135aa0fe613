import { useRef } from 'react'
import { v7 } from 'uuid'
import type { MachineBody } from '../../contract/bodies'
import { meters } from '../../core/quantity/meter'
import { meterName } from '../../core/words/meter'
import { say } from '../../labels/openJob'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './OpenJob.module.css'

/** A machine that is in no limit book: named here, then a job is opened on it at once. */
export function AddMachine({ stations }: { readonly stations: readonly string[] }) {
  /** Where it goes on once the machine is on record. */
  const next = useRef<'open' | 'compose'>('open')
  const form = useSentForm<MachineBody, { readonly id: string }>({
    key: 'medida-form:machine',
    // One id for this form: pressing twice puts one machine on record.
    start: () => ({ id: v7(), station: '', name: '', units: 'metric', meter: 'hours' }),
    path: '/api/machines',
    schema: async () => (await import('../../contract/bodies')).machineBody,
    body: (typed) => typed,
    done: ({ id }) => location.assign(`/machines/${id}/${next.current}`),
  })
  const { field, set } = form
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.station} hint={say.worksShipPower} list="stations" maxLength={120} autoFocus {...field('station')} />
      <datalist id="stations">
        {stations.map((known) => (
          <option key={known} value={known} />
        ))}
      </datalist>
      <TextField label={say.machine} maxLength={120} {...field('name')} />
      <Choice
        legend={say.unitsBareFigure}
        options={[
          { value: 'metric', label: say.metricMmBar },
          { value: 'inch', label: say.inchPsiLbf },
        ]}
        value={form.value.units}
        onChange={(units) => set({ units })}
      />
      <SelectField
        label={say.countedIn}
        hint={say.countedAbout}
        options={meters.map((meter) => ({ value: meter, label: meterName[meter] }))}
        {...field('meter')}
      />
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button
          type="submit"
          kind="primary"
          disabled={form.busy}
          onClick={() => {
            next.current = 'compose'
          }}
        >
          {say.putRecordCompose}
        </Button>
        <Button
          type="submit"
          disabled={form.busy}
          onClick={() => {
            next.current = 'open'
          }}
        >
          {say.putRecordOpen}
        </Button>
      </div>
    </form>
  )
}
