/** Every overhaul of the demo machines that was measured, as a record of its own with those before it. */
import { bookSchema } from '../src/core/book/bookSchema'
import { type InspectionRecord, type Overhaul, recordSchema } from '../src/core/record/recordSchema'
import { motion } from './larkhollow/motion/station'
import { larkhollow } from './larkhollow/station'
import { gates } from './quillmere/gates/station'
import { pump } from './quillmere/pump/station'
import { quillmere } from './quillmere/station'
import { type ReadBy, readingsFrom } from './record'
import type { DemoMachine, DemoOverhaul } from './types'

const machines: readonly DemoMachine[] = [...quillmere, gates, pump, larkhollow, motion]

/** Gauges of the machine's store; where it has none of its own, of the station's. */
const storeOf = (demo: DemoMachine) => (demo.gauges.length > 0 ? demo.gauges : quillmere.flatMap(({ gauges }) => gauges))

function recordOf(demo: DemoMachine, overhaul: DemoOverhaul): InspectionRecord {
  const by: ReadBy = { book: bookSchema.parse(demo.book), units: demo.machine.units, gauges: storeOf(demo) }
  const shape = (one: DemoOverhaul): Overhaul => ({
    overhaul: one.title,
    date: one.date,
    runningHours: one.runningHours,
    installed: { ...one.installed },
    readings: readingsFrom(by, one.readings ?? {}, one.date),
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
    book: by.book,
    gauges: by.gauges,
    history: before.map(shape),
    decisions: [],
  })
}

export const pastOverhauls = machines.flatMap((demo) =>
  demo.overhauls.flatMap((overhaul) =>
    overhaul.readings === null ? [] : [{ id: overhaul.id, record: recordOf(demo, overhaul) }],
  ),
)
