/** The demo machine as an inspection record in the open format, made without a database: for tests and examples. */

import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import { slotsOf } from '../src/core/method/layout'
import type { UnitSystem } from '../src/core/quantity/unitSystem'
import { recordFormat } from '../src/core/record/recordFormat'
import { type InspectionRecord, type Reading, recordSchema } from '../src/core/record/recordSchema'
import type { LaterStage, Stage } from '../src/core/record/stage'
import { gaugeKindAt, readTyped } from '../src/core/record/typedReading'
import bookJson from './quillmere/book.json' with { type: 'json' }
import { gauges, machine, overhauls } from './quillmere/station'
import type { DemoGauge, DemoReadings } from './types'

const book = bookSchema.parse(bookJson)
let made = 0
const nextId = (): string => {
  made += 1
  return `01990000-0000-7000-8000-${String(made).padStart(12, '0')}`
}

/** What texts are read by: the book and the units of a machine, and the gauges at hand. */
export interface ReadBy {
  readonly book: LimitBook
  readonly units: UnitSystem
  readonly gauges: readonly DemoGauge[]
}

/** Readings of an overhaul from their texts, in walking order. */
export function readingsFrom(
  { book, units, gauges }: ReadBy,
  texts: DemoReadings,
  date: string,
  stage: Stage = 'asFound',
): Reading[] {
  return book.characteristics.flatMap((characteristic) =>
    (texts[characteristic.id] ?? []).map((text, index): Reading => {
      const slot = slotsOf(characteristic.method)[index]
      const typed = slot ? readTyped(characteristic, slot, text, units) : null
      if (!slot || !typed?.ok) throw new Error(`demo reading ${characteristic.id} ${text} cannot be read`)
      return {
        id: nextId(),
        characteristic: characteristic.id,
        ...slot,
        stage,
        text,
        ...typed.value.fields,
        conditions: null,
        gauge: gauges.find(({ kind }) => kind === gaugeKindAt(characteristic, slot))?.id ?? null,
        by: 'Mara Ellwood',
        takenAt: `${date}T09:00:00Z`,
        supersedes: null,
        reason: null,
      }
    }),
  )
}

/** The open overhaul of the demo machine with these readings, after its two earlier ones. */
export function demoRecord(texts: DemoReadings, later: Partial<Record<LaterStage, DemoReadings>> = {}): InspectionRecord {
  const [open] = overhauls.slice(-1)
  if (!open) throw new Error('the demo has an open overhaul')
  const by: ReadBy = { book, units: machine.units, gauges }
  const past = overhauls.filter((overhaul) => overhaul.readings !== null)
  const shape = ({ title, date, runningHours, installed }: (typeof overhauls)[number], readings: Reading[]) => ({
    overhaul: title,
    date,
    runningHours,
    installed: { ...installed },
    readings,
  })
  return recordSchema.parse({
    ...recordFormat,
    machine,
    job: {
      id: open.id,
      ...shape(open, [
        ...readingsFrom(by, texts, open.date),
        ...readingsFrom(by, later.afterWork ?? {}, open.date, 'afterWork'),
        ...readingsFrom(by, later.asLeft ?? {}, open.date, 'asLeft'),
      ]),
      mustRunHours: open.mustRunHours,
      policy: open.policy,
    },
    book,
    gauges,
    history: past.map((overhaul) => shape(overhaul, readingsFrom(by, overhaul.readings ?? {}, overhaul.date))),
    decisions: [],
  })
}

/** What the inspector finds at this overhaul when the bearing has gone past its plan limit and ring 1 is worn out. */
export const foundNow: DemoReadings = {
  journal: ['219.941', '219,939', '219.937', '219.936', '219.938', '219.940'],
  'bearing-bore': ['+0.148', '+0.201', '+0.212', '+0.131', '+0.180', '+0.195'],
  'bearing-strip': ['2.55', '2.2'],
  'end-float': ['0.31', '0.315', '0.312'],
  'servo-bore': ['+0.150', '+0.182', '+0.160', '+0.132', '+0.160', '+0.140'],
  'ring-gap-1': ['1.25'],
  'ring-gap-2': ['0.60'],
}
