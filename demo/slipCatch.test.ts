/** Slips made on purpose in the demo's own overhauls: how many of those beyond four spreads are asked about, kind by kind. */
import { expect, test } from 'vitest'
import { formAt, quantityAt } from '../src/core/method/layout'
import type { InspectionRecord, Reading } from '../src/core/record/recordSchema'
import type { Stage } from '../src/core/record/stage'
import { gaugeKindAt, readTyped } from '../src/core/record/typedReading'
import { questionAt } from '../src/core/slip/questionAt'
import { pastOverhauls } from './pastOverhauls.fixture'

const moved =
  (by: number) =>
  (text: string): string | null => {
    const parts = /^([+-]?)(\d+[.,]\d+)$/.exec(text)
    if (!parts) return null
    const places = (parts[2] ?? '').split(/[.,]/)[1]?.length ?? 0
    const value = Number((parts[1] ?? '') + (parts[2] ?? '').replace(',', '.')) + by
    return value <= 0 && parts[1] === ''
      ? null
      : `${parts[1] === '' ? '' : value < 0 ? '-' : '+'}${Math.abs(value).toFixed(places)}`
  }
const slips: Readonly<Record<string, (text: string, isInch: boolean) => string | null>> = {
  'decimal place': (text) => {
    const parts = /^([+-]?)(\d*)(\d)[.,](\d+)$/.exec(text)
    return parts ? `${parts[1]}${parts[2] || '0'}.${parts[3]}${parts[4]}` : null
  },
  'turn of the thimble': (text, isInch) => moved(isInch ? 0.025 : 0.5)(text),
  'digits swapped': (text) => {
    const at = [...text].findIndex(
      (sign, index) => /\d/.test(sign) && /\d/.test(text[index + 1] ?? '') && sign !== text[index + 1],
    )
    return at < 0 ? null : `${text.slice(0, at)}${text[at + 1]}${text[at]}${text.slice(at + 2)}`
  },
}
const FOUR = 4
/** Below the generated machines' bar: here the spread is only that of the set, and a first overhaul has no past (docs/slip-guards.md). */
const LEAST = 0.93
/** A dial says nothing by itself, a strip has its own scale: no figure of theirs is far off. */
const BY_SCALE: ReadonlySet<string> = new Set([
  'runout',
  'shaftAlignment',
  'straightness',
  'markShift',
  'capPinch',
  'plasticStrip',
])

test('slips beyond four spreads in the demo overhauls are asked about', () => {
  const counted = new Map(Object.keys(slips).map((kind) => [kind, { made: 0, caught: 0 }]))
  for (const { record: taken } of pastOverhauls) {
    const { book, machine, gauges: store } = taken
    const all = taken.job.readings
    const record: InspectionRecord = { ...taken, job: { ...taken.job, readings: [] } }
    for (const characteristic of book.characteristics) {
      if (BY_SCALE.has(characteristic.method.kind)) continue
      const own = all.filter(({ characteristic: id, stage }) => id === characteristic.id && stage === 'asFound')
      for (const [index, reading] of own.entries()) {
        const form = formAt(characteristic.method, reading)
        const gauge = store.find(({ kind }) => kind === gaugeKindAt(characteristic, reading))
        if (form.kind !== 'quantity' || quantityAt(characteristic.method, reading) !== 'length' || !gauge) continue
        const others = own.flatMap(({ value, id }) => (value === null || id === reading.id ? [] : value))
        if (others.length < 3 || characteristic.limits.length === 0) continue
        const mean = others.reduce((sum, value) => sum + value, 0) / others.length
        const scatter = Math.sqrt(others.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (others.length - 1))
        const spread = Math.max(scatter, gauge.maximumPermissibleError, gauge.resolution)
        const before = all.filter((other) => other.characteristic !== characteristic.id || own.indexOf(other) < index)
        const of = (id: string, stage: Stage = 'asFound'): Reading[] =>
          before.filter((other) => other.characteristic === id && other.stage === stage)
        for (const [kind, slip] of Object.entries(slips)) {
          if (kind === 'turn of the thimble' && !/Micrometer$/.test(gauge.kind)) continue
          const text = slip(reading.text, machine.units === 'inch')
          const typed = text === null ? null : readTyped(characteristic, reading, text, machine.units)
          if (text === null || !typed?.ok || typed.value.parsed.kind !== 'point') continue
          if (Math.abs(typed.value.parsed.value - (reading.value ?? 0)) <= FOUR * spread) continue
          const count = counted.get(kind)
          if (!count) continue
          count.made += 1
          const question = questionAt({
            record,
            characteristic,
            slot: reading,
            text,
            parsed: typed.value.parsed,
            gauge,
            conditions: null,
            today: taken.job.date,
            stage: 'asFound',
            standing: of(characteristic.id),
            standingOf: of,
          })
          if (question) count.caught += 1
        }
      }
    }
  }
  const rates = Object.fromEntries([...counted].map(([kind, { made, caught }]) => [kind, `${caught} of ${made}`]))
  for (const [kind, { made, caught }] of counted) {
    expect(made, kind).toBeGreaterThan(20)
    expect(caught / made, `${kind}: ${rates[kind]}`).toBeGreaterThanOrEqual(LEAST)
  }
})
