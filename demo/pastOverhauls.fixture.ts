/** Every overhaul of the demo machines that was measured, as a record of its own with those before it. */
import { slotsOf } from '../src/core/method/layout'
import { bookSchema } from '../src/core/record/bookSchema'
import { type InspectionRecord, type Overhaul, type Reading, recordSchema } from '../src/core/record/recordSchema'
import { gaugeKindAt, readTyped } from '../src/core/record/typedReading'
import { motion } from './larkhollow/motion/station'
import { larkhollow } from './larkhollow/station'
import { gates } from './quillmere/gates/station'
import { quillmere } from './quillmere/station'
import type { DemoMachine, DemoOverhaul } from './types'

const machines: readonly DemoMachine[] = [...quillmere, gates, larkhollow, motion]

let made = 0
const nextId = (): string => {
  made += 1
  return `01990000-0000-7000-8000-${String(made).padStart(12, '0')}`
}

/** Gauges of the machine's store; where it has none of its own, of the station's. */
const storeOf = (demo: DemoMachine) => (demo.gauges.length > 0 ? demo.gauges : quillmere.flatMap(({ gauges }) => gauges))

/** The readings of an overhaul as stored, in walking order. */
function readingsOf(demo: DemoMachine, overhaul: DemoOverhaul): Reading[] {
  return bookSchema.parse(demo.book).characteristics.flatMap((characteristic) =>
    (overhaul.readings?.[characteristic.id] ?? []).map((text, index): Reading => {
      const slot = slotsOf(characteristic.method)[index]
      const typed = slot ? readTyped(characteristic, slot, text, demo.machine.units) : null
      if (!slot || !typed?.ok) throw new Error(`${overhaul.id} ${characteristic.id} ${text}`)
      return {
        id: nextId(),
        characteristic: characteristic.id,
        ...slot,
        stage: 'asFound',
        text,
        ...typed.value.fields,
        conditions: null,
        gauge: storeOf(demo).find(({ kind }) => kind === gaugeKindAt(characteristic, slot))?.id ?? null,
        by: 'Mara Ellwood',
        takenAt: `${overhaul.date}T09:00:00Z`,
        supersedes: null,
        reason: null,
      }
    }),
  )
}

function recordOf(demo: DemoMachine, overhaul: DemoOverhaul): InspectionRecord {
  const shape = (one: DemoOverhaul): Overhaul => ({
    overhaul: one.title,
    date: one.date,
    runningHours: one.runningHours,
    installed: { ...one.installed },
    readings: readingsOf(demo, one),
  })
  const before = demo.overhauls.filter(({ readings, runningHours }) => readings !== null && runningHours < overhaul.runningHours)
  return recordSchema.parse({
    format: 'medida-record',
    version: 2,
    machine: demo.machine,
    job: {
      id: overhaul.id,
      ...shape(overhaul),
      mustRunHours: overhaul.mustRunHours,
      policy: overhaul.policy,
      level: overhaul.level,
    },
    book: demo.book,
    gauges: storeOf(demo),
    history: before.map(shape),
    decisions: [],
  })
}

export const pastOverhauls = machines.flatMap((demo) =>
  demo.overhauls.flatMap((overhaul) =>
    overhaul.readings === null ? [] : [{ id: overhaul.id, record: recordOf(demo, overhaul) }],
  ),
)
