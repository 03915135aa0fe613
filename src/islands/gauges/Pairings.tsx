import { useState } from 'react'
import { v7 } from 'uuid'
import type { PairingBody } from '../../contract/bodies'
import type { Gauge } from '../../core/gauge/gauge'
import { say } from '../../labels/gauges'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './GaugeForm.module.css'

interface Pairing {
  readonly id: string
  readonly code: string
  readonly name: string
  readonly by: string
  readonly at: string
}

const OFFLINE = say.serverCannotReachedPress
const pathOf = (gaugeId: string): string => `/api/gauges/${encodeURIComponent(gaugeId)}/pairings`

/** Gauges that send their readings by themselves: paired once by a code, and unpaired again. */
export function Pairings({ gauges, pairings }: { readonly gauges: readonly Gauge[]; readonly pairings: readonly Pairing[] }) {
  const [open, setOpen] = useState<Gauge | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const end = async ({ id, code }: Pairing): Promise<void> => {
    const gauge = gauges.find((one) => one.code === code)
    if (!gauge) return setFault(say.storeNoMore(code))
    const answer = await postJson(`${pathOf(gauge.id)}/end`, { pairing: id })
    if (answer.kind === 'ok') return location.reload()
    setFault(answer.kind === 'offline' ? OFFLINE : answer.message)
  }
  return (
    <section className={styles.pairings} aria-labelledby="pairings">
      <h2 id="pairings">{say.gaugesSendTheir}</h2>
      <p>{say.gaugeAdapterPaired}</p>
      {gauges.length > 0 && (
        <SelectField
          label={say.pair}
          value=""
          options={[
            { value: '', label: say.choose },
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
                {say.paired} <span className="figure">{pairing.at.slice(0, 10)}</span> {say.by(pairing.by)}
              </span>
              <Button onClick={() => void end(pairing)}>
                {say.unpair}
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
  const [secret, setSecret] = useState<string | null>(null)
  const form = useSentForm<PairingBody, { readonly secret: string }>({
    key: `medida-form:pair:${gauge.id}`,
    start: () => ({ id: v7(), name: '' }),
    path: pathOf(gauge.id),
    schema: async () => (await import('../../contract/bodies')).pairingBody,
    body: (typed) => typed,
    done: (answer) => setSecret(answer.secret),
  })
  if (secret !== null)
    return (
      <Dialog title={say.isPaired(gauge.code)} onClose={() => location.reload()}>
        <p>{say.typeCodeInto}</p>
        <p className={`figure ${styles.secret}`}>{secret}</p>
        <DialogActions>
          <Button kind="primary" onClick={() => location.reload()}>
            {say.done}
          </Button>
        </DialogActions>
      </Dialog>
    )
  return (
    <Dialog title={say.pairOf(gauge.code)} onClose={onClose}>
      <form onSubmit={form.submit} noValidate>
        <TextField label={say.adapterPlace} hint={say.asBenchWill} maxLength={60} autoComplete="off" {...form.field('name')} />
        <Fault text={form.fault} />
        <DialogActions>
          <Button kind="primary" type="submit" disabled={form.busy}>
            {say.makeCode}
          </Button>
          <Button onClick={onClose}>{say.cancel}</Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
