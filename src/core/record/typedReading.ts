import { ok, type Result } from '../base/result'
import type { Characteristic } from '../book/bookSchema'
import type { GaugeKind } from '../gauge/gaugeKinds'
import { formAt, masterAt, type Slot } from '../method/layout'
import { unitOf } from '../quantity/format'
import { type ParsedReading, parseReading, type ReadingFault } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Reading } from './recordSchema'

/** What a typed text says at a place: the fields a stored reading has of it, and the exact decimals the database keeps. */
export interface TypedReading {
  readonly parsed: ParsedReading
  readonly fields: Pick<Reading, 'kind' | 'value' | 'low' | 'high' | 'defaultUnit' | 'masterMm'>
  readonly exact: { readonly value: string | null; readonly low: string | null; readonly high: string | null }
}

/** Unit a bare figure takes at a place, on a machine of this system. */
export function defaultUnitAt({ method }: Pick<Characteristic, 'method'>, slot: Slot, system: UnitSystem): string {
  const form = formAt(method, slot)
  return form.kind === 'quantity' ? unitOf(form.quantity, system) : ''
}

/** Reads a typed text at a place of a characteristic, the same at the bench, at the server and in the demo. */
export function readTyped(
  characteristic: Pick<Characteristic, 'method'>,
  slot: Slot,
  text: string,
  system: UnitSystem,
): Result<TypedReading, ReadingFault> {
  const defaultUnit = defaultUnitAt(characteristic, slot, system)
  const result = parseReading(text, { form: formAt(characteristic.method, slot), defaultUnit })
  if (!result.ok) return result
  const parsed = result.value
  const common = { kind: parsed.kind, defaultUnit, masterMm: masterAt(characteristic.method) }
  switch (parsed.kind) {
    case 'point':
      return ok({
        parsed,
        fields: { ...common, value: parsed.value, low: null, high: null },
        exact: { value: parsed.exact, low: null, high: null },
      })
    case 'interval':
      return ok({
        parsed,
        fields: { ...common, value: null, low: parsed.low, high: parsed.high },
        exact: { value: null, low: parsed.exactLow, high: parsed.exactHigh },
      })
    case 'notApplicable':
      return ok({
        parsed,
        fields: { ...common, value: null, low: null, high: null },
        exact: { value: null, low: null, high: null },
      })
  }
}

/** Kind of gauge a place is read with. */
export const gaugeKindAt = (
  { gaugeKind, otherGauges }: Pick<Characteristic, 'gaugeKind' | 'otherGauges'>,
  slot: Pick<Slot, 'station'>,
): GaugeKind => otherGauges?.[slot.station] ?? gaugeKind
