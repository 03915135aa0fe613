/** Machines of no demo for tests of fits: parts, sizes, routes, and everything measured as typed. */
import type { Characteristic, LimitBook } from '../../book/bookSchema'
import { fitSchema } from '../../fit/fitSchema'
import { limitOn } from '../../limit/limit.fixture'
import { everyMethod } from '../../method/everyMethod.fixture'
import { slotsOf } from '../../method/layout'
import { smallBook, smallRecord } from '../../record/smallMachine.fixture'
import { readTyped } from '../../record/typedReading'
import { evaluate } from '../evaluate'

export const source = { document: 'D1', page: '3' }
export const limit = (judges: 'minimum' | 'maximum', side: 'upper' | 'lower', wear: number, plan: number | null = null) =>
  limitOn(judges, side, wear, { id: `${judges}-${side}`, plan, source })
export const size = (
  id: string,
  part: string,
  kind: 'boreDiameter' | 'outsideDiameter' | 'size',
  nominal: number,
  over: object = {},
) =>
  ({
    ...(smallBook.characteristics[0] as Characteristic),
    id,
    part,
    name: id,
    method:
      kind === 'size'
        ? { ...everyMethod.size, points: [{ id: '1', label: '' }] }
        : {
            ...everyMethod[kind],
            stations: [
              { id: 'A', label: '' },
              { id: 'B', label: '' },
            ],
            directions: [{ id: '1', label: '' }],
            ...(kind === 'boreDiameter' ? { masterMm: null, unworn: undefined } : {}),
          },
    gaugeKind: kind === 'boreDiameter' ? 'boreGauge' : 'outsideMicrometer',
    new: { nominal, lower: nominal - 0.01, upper: nominal, source },
    limits: [],
    ...over,
  }) as Characteristic

export const part = (id: string, over: object = {}) => ({
  ...(smallBook.parts[0] as LimitBook['parts'][number]),
  id,
  name: id,
  replacement: null,
  ...over,
})
export const route = (id: string, mends: string[], over: object = {}) => ({
  id,
  name: id,
  mends,
  effect: 'sizeAfter' in over ? 'takesOff' : 'renews',
  sizeAfter: null,
  cost: 100,
  days: 1,
  source,
  ...over,
})

export const common = (id: string, limits: object[], mendOn: string) => ({
  id,
  name: id,
  limits,
  mendOn,
  showTo: 0.001,
  new: null,
})

type Typed = Readonly<Record<string, readonly string[]>>

/** The record of a machine with these, everything measured as typed. */
export function machine(
  parts: object[],
  characteristics: Characteristic[],
  fits: object[],
  typed: Typed,
  /** What the overhaul before found. */
  before: Typed | null = null,
) {
  const book = { ...smallBook, parts, characteristics, fits: fits.map((fit) => fitSchema.parse(fit)) } as LimitBook
  let number = 0
  const readingsOf = (texts: Typed) =>
    characteristics.flatMap((characteristic) =>
      slotsOf(characteristic.method).flatMap((slot, at) => {
        const text = texts[characteristic.id]?.[at]
        const read = text === undefined ? null : readTyped(characteristic, slot, text, 'metric')
        if (!read?.ok) return []
        number += 1
        return [
          {
            id: `01990000-0000-7000-8000-${String(number).padStart(12, '0')}`,
            characteristic: characteristic.id,
            ...slot,
            stage: 'asFound' as const,
            text: text ?? '',
            ...read.value.fields,
            conditions: null,
            gauge: characteristic.gaugeKind === 'boreGauge' ? 'bore' : 'mic',
            by: 'Ann',
            takenAt: '2026-06-01T09:00:00Z',
            supersedes: null,
            reason: null,
          },
        ]
      }),
    )
  const history = before
    ? [{ overhaul: 'before', date: '2020-01-01', runningHours: 4_000, installed: {}, readings: readingsOf(before) }]
    : []
  const record = smallRecord()
  const gauges = [
    ...record.gauges,
    { ...(record.gauges[0] as (typeof record.gauges)[number]), id: 'bore', code: 'BORE', kind: 'boreGauge' as const },
  ]
  return { ...record, book, gauges, history, job: { ...record.job, readings: readingsOf(typed) } } as typeof record
}

export const found = (record: ReturnType<typeof machine>) => {
  const [fit] = evaluate(record).fits
  return { tightest: fit?.minimum?.value, loosest: fit?.maximum?.value, verdict: fit?.verdict }
}
