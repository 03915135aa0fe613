import { type SyntheticEvent, useState } from 'react'
import { gaugeKindFacts } from '../../../core/gauge/gaugeKinds'
import { formatQuantity, unitOf } from '../../../core/quantity/format'
import { differenceOf } from '../../../core/quantity/kind'
import { parseQuantity } from '../../../core/quantity/quantity'
import { quantityFaultWords } from '../../../core/words/quantities'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import { Fault, TextField } from '../../../ui/Field'
import type { Bench } from '../benchState'

const EMPTY = ''

/** What the gauge showed at zero, and the temperatures of part and scale: applied to every reading that follows. */
export function ConditionsDialog({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) {
  const { conditions, gauge, record, characteristic } = bench
  const { system } = bench
  const units = record.machine.units
  // What it shows at zero, or beside its master, is a difference.
  const quantity = differenceOf(gauge ? gaugeKindFacts[gauge.kind].quantity : 'length')
  const zeroNow = gauge ? (conditions.conditions.zeroOf[gauge.id] ?? 0) : 0
  const warm = conditions.conditions.temperature
  const shown = (celsius: number): string => formatQuantity(celsius, 'temperature', units, 0.1).replace('−', '-')
  const [zero, setZero] = useState(
    zeroNow === 0 ? EMPTY : formatQuantity(zeroNow, quantity, units, gauge?.resolution ?? 0.001).replace('−', '-'),
  )
  const [part, setPart] = useState(warm ? shown(warm.partC) : EMPTY)
  const [scale, setScale] = useState(warm ? shown(warm.scaleC) : EMPTY)
  const [within, setWithin] = useState(warm ? String(warm.withinK) : '1')
  const [fault, setFault] = useState<string | null>(null)
  const canCorrect = characteristic.expansionPerK !== undefined && gauge?.expansionPerK != null

  const save = (event: SyntheticEvent): void => {
    event.preventDefault()
    const read = (text: string, kind: typeof quantity, what: string): number | null | 'fault' => {
      if (text.trim() === EMPTY) return null
      const parsed = parseQuantity(text, kind, unitOf(kind, units))
      if (parsed.ok) return parsed.value.value
      setFault(`${what}: ${quantityFaultWords(parsed.fault)}`)
      return 'fault'
    }
    const zeroRead = read(zero, quantity, say.zero)
    const partRead = read(part, 'temperature', say.part)
    const scaleRead = read(scale, 'temperature', say.scale)
    const withinRead = Number(within.replace(',', '.'))
    if (zeroRead === 'fault' || partRead === 'fault' || scaleRead === 'fault') return
    if ((partRead === null) !== (scaleRead === null)) return setFault(say.bothTemperaturesNeeded)
    if (partRead !== null && !(withinRead >= 0 && withinRead <= 50)) return setFault(say.sayWithinHow)
    if ([partRead, scaleRead].some((celsius) => celsius !== null && (celsius < -60 || celsius > 400)))
      return setFault('A temperature between −60 and 400 °C is expected.')
    conditions.note(
      gauge?.id ?? null,
      zeroRead,
      partRead === null || scaleRead === null ? null : { partC: partRead, scaleC: scaleRead, withinK: withinRead },
    )
    onClose()
  }
  return (
    <Dialog title={say.zeroTemperature} onClose={onClose}>
      <form onSubmit={save}>
        {gauge && (
          <TextField
            label={say.showsZeroMaster(gauge.code)}
            hint={say.whatTooMuch(unitOf(quantity, units))}
            value={zero}
            onChange={(event) => setZero(event.currentTarget.value)}
            autoComplete="off"
          />
        )}
        <TextField
          label={say.temperaturePart(unitOf('temperature', units))}
          value={part}
          onChange={(event) => setPart(event.currentTarget.value)}
          autoComplete="off"
        />
        <TextField
          label={say.temperatureGaugeMaster(unitOf('temperature', units))}
          value={scale}
          onChange={(event) => setScale(event.currentTarget.value)}
          autoComplete="off"
        />
        <TextField
          label={say.bothKnownWithin}
          hint={canCorrect ? say.lengthsCorrected20 : say.notedEachReading}
          value={within}
          onChange={(event) => setWithin(event.currentTarget.value)}
          autoComplete="off"
        />
        <Fault text={fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.leave}</Button>
          <Button kind="primary" type="submit">
            {say.noteWhatFollows}
          </Button>
        </DialogActions>
      </form>
      {system !== units && <p>{say.figuresHereMachines}</p>}
    </Dialog>
  )
}
