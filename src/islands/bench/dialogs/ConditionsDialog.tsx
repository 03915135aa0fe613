import { gaugeKindFacts } from '../../../core/gauge/gaugeKinds'
import { formatQuantity, unitOf } from '../../../core/quantity/format'
import { differenceOf } from '../../../core/quantity/kind'
import { parseQuantity } from '../../../core/quantity/quantity'
import { quantityFaultWords } from '../../../core/words/quantities'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import { Fault, TextField } from '../../../ui/Field'
import type { FieldSays } from '../../../ui/fieldSays'
import { useKeptForm } from '../../forms/useKeptForm'
import type { Bench } from '../benchState'

interface Typed {
  readonly zero: string
  readonly part: string
  readonly scale: string
  readonly within: string
}

/** Temperatures of a part that somebody measures, °C. */
const LEAST_C = -60
const MOST_C = 400

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
  const canCorrect = characteristic.expansionPerK !== undefined && gauge?.expansionPerK != null

  const read = ({ zero, part, scale, within }: Typed) => {
    const faults: FieldSays[] = []
    const figure = (at: keyof Typed, text: string, kind: typeof quantity): number | null => {
      if (text.trim() === '') return null
      const parsed = parseQuantity(text, kind, unitOf(kind, units))
      if (parsed.ok) return parsed.value.value
      faults.push({ at, says: quantityFaultWords(parsed.fault) })
      return null
    }
    const celsius = (at: keyof Typed, text: string): number | null => {
      const value = figure(at, text, 'temperature')
      if (value !== null && (value < LEAST_C || value > MOST_C))
        faults.push({ at, says: say.temperatureBetween(LEAST_C, MOST_C) })
      return value
    }
    const [zeroRead, partC, scaleC] = [figure('zero', zero, quantity), celsius('part', part), celsius('scale', scale)]
    const withinK = Number(within.replace(',', '.'))
    if ((part.trim() === '') !== (scale.trim() === ''))
      faults.push({ at: part.trim() === '' ? 'part' : 'scale', says: say.bothTemperaturesNeeded })
    if (part.trim() !== '' && !(withinK >= 0 && withinK <= 50)) faults.push({ at: 'within', says: say.sayWithinHow })
    return { faults, zero: zeroRead, temperature: partC === null || scaleC === null ? null : { partC, scaleC, withinK } }
  }
  const form = useKeptForm<Typed>({
    key: `medida-form:${record.job.id}:conditions:${gauge?.id ?? 'eye'}`,
    start: () => ({
      zero: zeroNow === 0 ? '' : formatQuantity(zeroNow, quantity, units, gauge?.resolution ?? 0.001).replace('−', '-'),
      part: warm ? shown(warm.partC) : '',
      scale: warm ? shown(warm.scaleC) : '',
      within: warm ? String(warm.withinK) : '1',
    }),
    check: (typed) => read(typed).faults,
    send: async (typed) => {
      const { zero, temperature } = read(typed)
      conditions.note(gauge?.id ?? null, zero, temperature)
      form.done()
      onClose()
      return []
    },
  })
  return (
    <Dialog title={say.zeroTemperature} onClose={onClose}>
      <form onSubmit={form.submit} noValidate>
        {gauge && (
          <TextField
            label={say.showsZeroMaster(gauge.code)}
            hint={say.whatTooMuch(unitOf(quantity, units))}
            {...form.field('zero')}
            autoComplete="off"
          />
        )}
        <TextField label={say.temperaturePart(unitOf('temperature', units))} {...form.field('part')} autoComplete="off" />
        <TextField label={say.temperatureGaugeMaster(unitOf('temperature', units))} {...form.field('scale')} autoComplete="off" />
        <TextField
          label={say.bothKnownWithin}
          hint={canCorrect ? say.lengthsCorrected20 : say.notedEachReading}
          {...form.field('within')}
          autoComplete="off"
        />
        <Fault text={form.fault} />
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
