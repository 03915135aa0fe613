import { type SyntheticEvent, useState } from 'react'
import { v7 } from 'uuid'
import type { Gauge } from '../../core/gauge/gauge'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { SelectField, TextField } from '../../ui/Field'
import styles from './GaugeForm.module.css'

interface Pairing {
  readonly id: string
  readonly code: string
  readonly name: string
  readonly by: string
  readonly at: string
}

const OFFLINE = 'The server cannot be reached. Press again when the network is back.'
const pathOf = (gaugeId: string): string => `/api/gauges/${encodeURIComponent(gaugeId)}/pairings`

/** Gauges that send their readings by themselves: paired once by a code, and unpaired again. */
export function Pairings({ gauges, pairings }: { readonly gauges: readonly Gauge[]; readonly pairings: readonly Pairing[] }) {
  const [open, setOpen] = useState<Gauge | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const end = async ({ id, code }: Pairing): Promise<void> => {
    const gauge = gauges.find((one) => one.code === code)
    if (!gauge) return setFault(`${code} is in the store no more.`)
    const answer = await postJson(`${pathOf(gauge.id)}/end`, { pairing: id })
    if (answer.kind === 'ok') return location.reload()
    setFault(answer.kind === 'offline' ? OFFLINE : answer.message)
  }
  return (
    <section className={styles.pairings} aria-labelledby="pairings">
      <h2 id="pairings">Gauges that send their readings</h2>
      <p>A gauge or its adapter is paired once with a code; what has no pairing is not heard.</p>
      {gauges.length > 0 && (
        <SelectField
          label="Pair"
          value=""
          options={[
            { value: '', label: 'choose …' },
            ...gauges.map(({ id, code, name }) => ({ value: id, label: `${code} · ${name}` })),
          ]}
          onChange={(event) => setOpen(gauges.find(({ id }) => id === event.currentTarget.value) ?? null)}
        />
      )}
      {pairings.length > 0 && (
        <ul className={styles.pairingList}>
          {pairings.map((pairing) => (
            <li key={pairing.id}>
              <b className="figure">{pairing.code}</b> {pairing.name}
              <span>
                paired <span className="figure">{pairing.at.slice(0, 10)}</span> by {pairing.by}
              </span>
              <Button onClick={() => void end(pairing)}>
                Unpair
                <span className="hidden-label">
                  {' '}
                  {pairing.code}, {pairing.name}
                </span>
              </Button>
            </li>
          ))}
        </ul>
      )}
      {fault !== null && <p role="alert">! {fault}</p>}
      {open !== null && <PairDialog gauge={open} onClose={() => setOpen(null)} />}
    </section>
  )
}

function PairDialog({ gauge, onClose }: { readonly gauge: Gauge; readonly onClose: () => void }) {
  const [id] = useState(() => v7())
  const [name, setName] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [secret, setSecret] = useState<string | null>(null)
  const pair = async (event: SyntheticEvent): Promise<void> => {
    event.preventDefault()
    if (name.trim() === '') return setFault('Name the adapter, or the place it stands at.')
    const answer = await postJson<{ secret: string }>(pathOf(gauge.id), { id, name })
    if (answer.kind === 'ok') return setSecret(answer.value.secret)
    setFault(answer.kind === 'offline' ? OFFLINE : answer.message)
  }
  if (secret !== null)
    return (
      <Dialog title={`${gauge.code} is paired`} onClose={() => location.reload()}>
        <p>Type this code into the gauge or its adapter now. It is shown only once.</p>
        <p className={`figure ${styles.secret}`}>{secret}</p>
        <DialogActions>
          <Button kind="primary" onClick={() => location.reload()}>
            Done
          </Button>
        </DialogActions>
      </Dialog>
    )
  return (
    <Dialog title={`Pair ${gauge.code}`} onClose={onClose}>
      <form onSubmit={(event) => void pair(event)}>
        <TextField
          label="Adapter or place"
          hint="As the bench will name it"
          value={name}
          maxLength={60}
          error={fault}
          autoComplete="off"
          onChange={(event) => {
            setName(event.currentTarget.value)
            setFault(null)
          }}
        />
        <DialogActions>
          <Button kind="primary" type="submit">
            Make the code
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
