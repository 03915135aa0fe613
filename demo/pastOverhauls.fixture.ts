/** Every overhaul of the demo machines that was measured, as a record of its own with those before it. */

import { bookSchema } from '../src/core/book/bookSchema'
import { partsLeftOut, withoutMarksOf } from '../src/core/book/variants'
import type { Entry } from '../src/core/notes/entrySchema'
import { bookAsFitted } from '../src/core/notes/jobBook'
import { recordFormat } from '../src/core/record/recordFormat'
import { type InspectionRecord, type Overhaul, recordSchema } from '../src/core/record/recordSchema'
import { motion } from './larkhollow/motion/station'
import { larkhollow } from './larkhollow/station'
import { gates } from './quillmere/gates/station'
import { pump } from './quillmere/pump/station'
import { quillmere } from './quillmere/station'
import { type ReadBy, readingsFrom } from './record'
import type { DemoMachine, DemoOverhaul } from './types'

/** Notes that say what is fitted, which sides are used up, and what was looked at. */
const OF_PARTS: ReadonlySet<string> = new Set(['variantSaid', 'sidesSaid', 'inspected'])

const machines: readonly DemoMachine[] = [...quillmere, gates, pump, larkhollow, motion]

/** Gauges of the machine's store; where it has none of its own, of the station's. */
const storeOf = (demo: DemoMachine) => (demo.gauges.length > 0 ? demo.gauges : quillmere.flatMap(({ gauges }) => gauges))

function recordOf(demo: DemoMachine, overhaul: DemoOverhaul): InspectionRecord {
  const by: ReadBy = { book: bookSchema.parse(demo.book), units: demo.machine.units, gauges: storeOf(demo) }
  const entries = overhaul.noted.flatMap(({ what }, index): Entry[] =>
    what.kind === 'drawnPicture' || !OF_PARTS.has(what.kind)
      ? []
      : [
          {
            id: `01990000-0000-7000-9000-${String(index).padStart(12, '0')}`,
            by: 'Mara Ellwood',
            at: `${overhaul.date}T08:00:00Z`,
            body: what,
          },
        ],
  )
  const book = bookAsFitted(by.book, entries, demo.machine.units)
  const shape = (one: DemoOverhaul): Overhaul => ({
    overhaul: one.title,
    date: one.date,
    runningHours: one.runningHours,
    ...(one.starts === undefined ? {} : { starts: one.starts }),
    installed: withoutMarksOf(partsLeftOut(by.book, book), one.installed),
    readings: readingsFrom(by, one.readings ?? {}, one.date),
  })
  const before = demo.overhauls.filter(({ readings, runningHours }) => readings !== null && runningHours < overhaul.runningHours)
  return recordSchema.parse({
    ...recordFormat,
    machine: demo.machine,
    job: {
      id: overhaul.id,
      entries,
      ...shape(overhaul),
      mustRunHours: overhaul.mustRunHours,
      policy: overhaul.policy,
      level: overhaul.level,
    },
    book,
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
