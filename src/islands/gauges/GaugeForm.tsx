import { type SyntheticEvent, useState } from 'react'
import { v7 } from 'uuid'
import type { GaugeBody } from '../../contract/bodies'
import type { Gauge } from '../../core/gauge/gauge'
import { type GaugeKind, gaugeKindFacts, gaugeKinds } from '../../core/gauge/gaugeKinds'
import { readTypedGauge } from '../../core/gauge/typedGauge'
import { unitOf } from '../../core/quantity/format'
import { gaugeFaultWords, gaugeKindName } from '../../core/words/gauges'
import { say } from '../../labels/gauges'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'
import styles from './GaugeForm.module.css'

type Typed = Omit<GaugeBody, 'id' | 'replaces'>

const EMPTY: Typed = {
  code: '',
  name: '',
  kind: 'outsideMicrometer',
  resolution: '',
  maximumPermissibleError: '',
  expanded: '',
  coverage: '2',
  repeatability: '',
  corrections: '',
  expansion: '',
  least: '',
  greatest: '',
  calibrationDue: '',
}

/** What is on record of a gauge, as somebody would type it; its certificate is typed anew. */
const formOf = (gauge: Gauge): Typed => ({
  ...EMPTY,
  code: gauge.code,
  name: gauge.name,
  kind: gauge.kind,
  resolution: String(gauge.resolution),
  maximumPermissibleError: String(gauge.maximumPermissibleError),
  repeatability: gauge.repeatability === undefined ? '' : String(gauge.repeatability),
  expansion: gauge.expansionPerK === null ? '' : String(Number((gauge.expansionPerK * 1e6).toPrecision(6))),
  least: gauge.range === null ? '' : String(gauge.range.least),
  greatest: gauge.range === null ? '' : String(gauge.range.greatest),
})

/** Adds a gauge to the store, or the new calibration of one that is there. */
export function GaugeActions({ gauges }: { readonly gauges: readonly Gauge[] }) {
  const [open, setOpen] = useState<Gauge | 'new' | null>(null)
  return (
    <div className={styles.actions}>
      <Button kind="primary" onClick={() => setOpen('new')}>
        {say.addGauge}
      </Button>
      {gauges.length > 0 && (
        <SelectField
          label={say.newCalibration}
          value=""
          options={[
            { value: '', label: say.choose },
            ...gauges.map(({ id, code, name }) => ({ value: id, label: `${code} · ${name}` })),
          ]}
          onChange={(event) => setOpen(gauges.find(({ id }) => id === event.currentTarget.value) ?? null)}
        />
      )}
      {open !== null && <GaugeForm before={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
    </div>
  )
}

function GaugeForm({ before, onClose }: { readonly before: Gauge | null; readonly onClose: () => void }) {
  // One id for this form: pressing twice stores one gauge.
  const [id] = useState(() => v7())
  const [typed, setTyped] = useState<Typed>(() => (before ? formOf(before) : EMPTY))
  const [faults, setFaults] = useState<readonly FieldSays[]>([])
  const [busy, setBusy] = useState(false)
  const at = (path: string): string | null => faults.find((fault) => fault.at === path)?.says ?? null
  const set = (over: Partial<Typed>): void => {
    setTyped((now) => ({ ...now, ...over }))
    setFaults([])
  }
  const unit = unitOf(gaugeKindFacts[typed.kind].quantity, 'metric')
  const withUnit = (label: string): string => (unit === '' ? label : `${label}, ${unit}`)

  const save = async (event: SyntheticEvent): Promise<void> => {
    event.preventDefault()
    const read = readTypedGauge(typed)
    const dated = typed.calibrationDue !== ''
    const undated: readonly FieldSays[] = dated ? [] : [{ at: 'calibrationDue', says: say.giveDayUntil }]
    if (!read.ok || !dated)
      return setFaults([
        ...(read.ok ? [] : read.fault.map(({ at, fault }) => ({ at, says: gaugeFaultWords(fault) }))),
        ...undated,
      ])
    setBusy(true)
    const body: GaugeBody = { id, replaces: before?.id ?? null, ...typed }
    const answer = await postJson('/api/gauges', body)
    if (answer.kind === 'ok') return location.reload()
    setBusy(false)
    if (answer.kind === 'offline') return setFaults([{ at: '', says: say.serverCannotReached }])
    const told = answer.issues.map(({ path, message }) => ({ at: path, says: message }))
    setFaults(told.length > 0 ? told : [{ at: '', says: answer.message }])
  }
  const text = (key: keyof Typed, label: string, hint = '') => (
    <TextField
      label={label}
      hint={hint}
      value={typed[key]}
      error={at(key)}
      autoComplete="off"
      onChange={(event) => set({ [key]: event.currentTarget.value })}
    />
  )
  const own = Object.keys(EMPTY)
  return (
    <Dialog title={before ? say.newCalibrationOf(before.code) : say.addGauge} onClose={onClose} wide>
      <form className={styles.form} onSubmit={(event) => void save(event)}>
        {before ? (
          <p className={styles.whole}>{say.whatReadUntil(gaugeKindName[before.kind], before.name)}</p>
        ) : (
          <>
            {text('code', say.code, say.asGauge)}
            {text('name', say.name)}
            <SelectField
              label={say.kind}
              value={typed.kind}
              options={gaugeKinds.filter((kind) => kind !== 'eye').map((kind) => ({ value: kind, label: gaugeKindName[kind] }))}
              onChange={(event) => set({ kind: event.currentTarget.value as GaugeKind })}
            />
          </>
        )}
        {text('resolution', withUnit(say.step))}
        {text('maximumPermissibleError', withUnit(say.permissibleError))}
        {text('least', withUnit(say.rangeFrom), say.bothEmptyWhere)}
        {text('greatest', withUnit(say.range))}
        {text('expanded', withUnit(say.uncertaintyCalibrationU), say.fromCertificateEmpty)}
        {text('coverage', say.coverageFactorK)}
        {text('repeatability', withUnit(say.spreadRepeatsS), say.standardDeviationEmpty)}
        {text('expansion', say.expansionMM, say.scaleMasterSteel)}
        <TextField
          label={say.calibratedUntil}
          type="date"
          value={typed.calibrationDue}
          error={at('calibrationDue')}
          onChange={(event) => set({ calibrationDue: event.currentTarget.value })}
        />
        <div className={styles.whole}>{text('corrections', withUnit(say.errorsFromCertificate), say.indicatedValueWhat)}</div>
        <div className={styles.whole}>
          <Fault text={faults.find((fault) => !own.includes(fault.at))?.says ?? null} />
          <DialogActions>
            <Button onClick={onClose}>{say.leave}</Button>
            <Button kind="primary" type="submit" disabled={busy}>
              {before ? say.enterCalibration : say.putStore}
            </Button>
          </DialogActions>
        </div>
      </form>
    </Dialog>
  )
}
