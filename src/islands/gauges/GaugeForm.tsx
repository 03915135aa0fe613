import { useState } from 'react'
import { v7 } from 'uuid'
import type { GaugeBody } from '../../contract/bodies'
import type { Gauge } from '../../core/gauge/gauge'
import { gaugeKindFacts, gaugeKinds } from '../../core/gauge/gaugeKinds'
import { readTypedGauge } from '../../core/gauge/typedGauge'
import { unitOf } from '../../core/quantity/format'
import { gaugeFaultWords, gaugeKindName } from '../../core/words/gauges'
import { say } from '../../labels/gauges'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'
import { useSentForm } from '../forms/useSentForm'
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
  place: '',
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

type Form = Typed & { readonly id: string }

/** All that is wrong with it as it is typed. */
function faultsOf(typed: Form): readonly FieldSays[] {
  const read = readTypedGauge(typed)
  return [
    ...(read.ok ? [] : read.fault.map(({ at, fault }) => ({ at, says: gaugeFaultWords(fault) }))),
    ...(typed.calibrationDue === '' ? [{ at: 'calibrationDue', says: say.giveDayUntil }] : []),
  ]
}

function GaugeForm({ before, onClose }: { readonly before: Gauge | null; readonly onClose: () => void }) {
  const form = useSentForm<Form, unknown>({
    key: `medida-form:gauge:${before?.id ?? 'new'}`,
    // One id for this form: pressing twice stores one gauge.
    start: () => ({ id: v7(), ...(before ? formOf(before) : EMPTY) }),
    path: '/api/gauges',
    schema: async () => (await import('../../contract/bodies')).gaugeBody,
    check: faultsOf,
    body: ({ id, ...typed }) => ({ id, replaces: before?.id ?? null, ...typed }),
    done: () => location.reload(),
  })
  const { field } = form
  const unit = unitOf(gaugeKindFacts[form.value.kind].quantity, 'metric')
  const withUnit = (label: string): string => (unit === '' ? label : `${label}, ${unit}`)
  const text = (key: keyof Typed, label: string, hint = '') => (
    <TextField label={label} hint={hint} autoComplete="off" {...field(key)} />
  )
  return (
    <Dialog title={before ? say.newCalibrationOf(before.code) : say.addGauge} onClose={onClose} wide>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        {before ? (
          <p className={styles.whole}>{say.whatReadUntil(gaugeKindName[before.kind], before.name)}</p>
        ) : (
          <>
            {text('code', say.code, say.asGauge)}
            {text('name', say.name)}
            <SelectField
              label={say.kind}
              options={gaugeKinds.filter((kind) => kind !== 'eye').map((kind) => ({ value: kind, label: gaugeKindName[kind] }))}
              {...field('kind')}
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
        <TextField label={say.calibratedUntil} type="date" {...field('calibrationDue')} />
        {text('place', say.place, say.placeHint)}
        <div className={styles.whole}>{text('corrections', withUnit(say.errorsFromCertificate), say.indicatedValueWhat)}</div>
        <div className={styles.whole}>
          <Fault text={form.fault} />
          <DialogActions>
            <Button onClick={onClose}>{say.leave}</Button>
            <Button kind="primary" type="submit" disabled={form.busy}>
              {before ? say.enterCalibration : say.putStore}
            </Button>
          </DialogActions>
        </div>
      </form>
    </Dialog>
  )
}
