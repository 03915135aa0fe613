import type { Gauge } from '../gauge/gauge'
import { foldWork, type WorkState } from '../work/fold'
import type { Characteristic, Part } from './bookSchema'
import { dependentsOf, evaluationOrder } from './dependencies'
import { type EarlierOverhauls, earlierOverhauls } from './earlier'
import type { InspectionRecord } from './recordSchema'
import { gaugesById } from './standing'

/** What stays the same while readings come in. */
export interface Fixed {
  readonly record: InspectionRecord
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly order: readonly Characteristic[]
  readonly index: ReadonlyMap<string, number>
  readonly parts: ReadonlyMap<string, Part>
  readonly partIndex: ReadonlyMap<string, number>
  readonly dependents: ReadonlyMap<string, readonly string[]>
  /** Characteristics whose mending, and fits whose mending or clearance, read this one. */
  readonly readers: ReadonlyMap<string, readonly string[]>
  readonly fitReaders: ReadonlyMap<string, readonly number[]>
  readonly fitsOfPart: ReadonlyMap<string, readonly number[]>
  readonly ofPart: ReadonlyMap<string, readonly number[]>
  readonly earlier: EarlierOverhauls
  readonly work: WorkState
  readonly planned: ReadonlySet<string>
}

export function characteristicAt(fixed: Fixed, id: string): Characteristic {
  const found = fixed.record.book.characteristics[fixed.index.get(id) ?? -1]
  if (!found) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return found
}

export function fix(record: InspectionRecord): Fixed {
  const { book, job } = record
  const ordered = evaluationOrder(book.characteristics)
  if (ordered.kind === 'cycle') throw new Error(`characteristics need each other: ${ordered.chain.join(', ')}`)
  const gauges = gaugesById(record.gauges)
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  const readers = new Map<string, string[]>()
  const fitReaders = new Map<string, number[]>()
  const add = <T>(map: Map<string, T[]>, key: string, value: T): void => {
    const list = map.get(key)
    if (list) list.push(value)
    else map.set(key, [value])
  }
  const cutAt = (part: Part | undefined, mends: readonly string[]): string[] =>
    (part?.routes ?? [])
      .filter((route) => mends.some((id) => route.mends.includes(id)))
      .flatMap((route) => (route.sizeAfter ? [route.sizeAfter.characteristic] : []))
  for (const characteristic of book.characteristics)
    for (const id of new Set(cutAt(parts.get(characteristic.part), [characteristic.id]))) add(readers, id, characteristic.id)
  book.fits.forEach((fit, index) => {
    const named = [fit.bore, fit.journal, ...(fit.strip === null ? [] : [fit.strip])]
    for (const id of new Set([...named, ...cutAt(parts.get(fit.mendOn), [fit.bore, fit.journal])])) add(fitReaders, id, index)
  })
  const fitsOfPart = new Map<string, number[]>()
  book.fits.forEach((fit, index) => add(fitsOfPart, fit.mendOn, index))
  const ofPart = new Map<string, number[]>()
  book.characteristics.forEach((characteristic, index) => add(ofPart, characteristic.part, index))
  const work = foldWork(book, job.entries)
  return {
    record,
    gauges,
    order: ordered.order,
    index: new Map(book.characteristics.map(({ id }, index) => [id, index])),
    parts,
    partIndex: new Map(book.parts.map(({ id }, index) => [id, index])),
    dependents: dependentsOf(ordered.order),
    readers,
    fitReaders,
    fitsOfPart,
    ofPart,
    earlier: earlierOverhauls(record, ordered.order, gauges),
    work,
    planned: new Set(work.planned.keys()),
  }
}

/** The same for the record with other entries and the same book. */
export function withEntries(fixed: Fixed, record: InspectionRecord): Fixed {
  const work = foldWork(record.book, record.job.entries)
  return { ...fixed, record, work, planned: new Set(work.planned.keys()) }
}

export function found<T>(map: ReadonlyMap<string, T>, id: string): T {
  const value = map.get(id)
  if (value === undefined) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return value
}
