import { isDay } from '../base/day'
import { err, ok, type Result } from '../base/result'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import type { Gauge } from '../gauge/gauge'
import { acceptsSlot, layoutOf, NO_PLACE, type Slot, slotKey } from '../method/layout'
import { explainReadingFault } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'
import { overhaulBounds } from './overhaulBounds'
import { type Stage, stageLabel, stages } from './stage'
import { gaugeKindAt, readTyped, type TypedReading } from './typedReading'

/** Columns of a table of earlier readings. Those with a star must be there; the others may be left out or empty. */
export const historyColumns = [
  ['overhaul', true, 'what the overhaul was called'],
  ['date', true, 'day it was opened: 2019-05-14'],
  ['running_hours', true, 'hours of the machine then'],
  ['characteristic', true, 'id or name as the limit book has it'],
  ['station', false, 'place along, by its id'],
  ['direction', false, 'place around, by its id'],
  ['repeat', false, '1, 2, 3'],
  ['stage', false, 'as found, after work, as left; as found when empty'],
  ['reading', true, 'as it was written down, with its unit'],
  ['gauge', false, 'code of the gauge in the store'],
  ['part_mark', false, 'mark of the part that was fitted then; empty: the one that is fitted now'],
] as const
type Column = (typeof historyColumns)[number][0]

export interface ImportedReading extends Slot {
  readonly characteristic: string
  readonly stage: Stage
  readonly text: string
  readonly gauge: string | null
  readonly fields: TypedReading['fields']
  readonly exact: TypedReading['exact']
}

export interface ImportedOverhaul {
  readonly overhaul: string
  readonly date: string
  readonly runningHours: number
  readonly installed: Readonly<Record<string, string>>
  readonly readings: readonly ImportedReading[]
}

export interface RowFault {
  /** Line of the table, its head being the first; 0 for the table as a whole. */
  readonly line: number
  readonly says: string
}

export interface HistoryContext {
  readonly book: LimitBook
  readonly units: UnitSystem
  readonly gauges: readonly Pick<Gauge, 'id' | 'code' | 'kind'>[]
  /** Marks of the parts fitted now. */
  readonly installed: Readonly<Record<string, string>>
  /** No earlier overhaul has more hours than the machine has today; null where nobody has noted any. */
  readonly mostHours: number | null
  /** ISO date. */
  readonly today: string
}

const MOST_FAULTS = 50
const stageOf = new Map<string, Stage>([
  ['', 'asFound'],
  ...stages.flatMap((stage): [string, Stage][] => [
    [stage.toLowerCase(), stage],
    [stageLabel[stage].toLowerCase(), stage],
  ]),
])

/** Reads a table of earlier readings, row by row, or says which rows cannot be read and why; nothing is guessed. */
export function readHistory(
  rows: readonly (readonly string[])[],
  context: HistoryContext,
): Result<readonly ImportedOverhaul[], readonly RowFault[]> {
  const [head = [], ...body] = rows
  const columns = new Map(head.map((name, index) => [name.trim().toLowerCase().replaceAll(' ', '_'), index]))
  const lacking = historyColumns.filter(([name, must]) => must && !columns.has(name)).map(([name]) => name)
  if (lacking.length > 0) return err([{ line: 1, says: `The head of the table lacks: ${lacking.join(', ')}.` }])
  const unknown = [...columns.keys()].filter((name) => !historyColumns.some(([known]) => known === name))
  if (unknown.length > 0) return err([{ line: 1, says: `Not a column of this table: ${unknown.join(', ')}.` }])
  if (body.length === 0) return err([{ line: 0, says: 'The table has a head and no readings.' }])
  const reader = new HistoryReader(context, (row, column) => (row[columns.get(column) ?? -1] ?? '').trim())
  body.forEach((row, index) => reader.take(row, index + 2))
  return reader.faults.length > 0 ? err(reader.faults) : ok(reader.overhauls())
}

interface Draft extends Omit<ImportedOverhaul, 'installed' | 'readings'> {
  readonly installed: Map<string, string>
  readonly readings: ImportedReading[]
  readonly places: Map<string, number>
}

class HistoryReader {
  readonly faults: RowFault[] = []
  private readonly drafts = new Map<string, Draft>()
  private readonly characteristics: ReadonlyMap<string, Characteristic>
  private readonly gauges: ReadonlyMap<string, HistoryContext['gauges'][number]>
  constructor(
    private readonly context: HistoryContext,
    private readonly cell: (row: readonly string[], column: Column) => string,
  ) {
    const { characteristics } = context.book
    this.characteristics = new Map([
      ...characteristics.map((item) => [item.name.toLowerCase(), item] as const),
      ...characteristics.map((item) => [item.id.toLowerCase(), item] as const),
    ])
    this.gauges = new Map(context.gauges.map((gauge) => [gauge.code.toLowerCase(), gauge]))
  }

  overhauls(): ImportedOverhaul[] {
    return [...this.drafts.values()].map(({ places: _, installed, ...draft }) => ({
      ...draft,
      installed: { ...this.context.installed, ...Object.fromEntries(installed) },
    }))
  }

  take(row: readonly string[], line: number): void {
    if (this.faults.length >= MOST_FAULTS || row.every((cell) => cell.trim() === '')) return
    const says = this.read(row, line)
    if (says !== null) this.faults.push({ line, says })
  }

  private read(row: readonly string[], line: number): string | null {
    const draft = this.draftOf(row)
    if (typeof draft === 'string') return draft
    const named = this.cell(row, 'characteristic')
    const characteristic = this.characteristics.get(named.toLowerCase())
    if (!characteristic) return `The limit book has no characteristic “${named}”.`
    const stage = stageOf.get(this.cell(row, 'stage').toLowerCase())
    if (!stage) return `“${this.cell(row, 'stage')}” is no stage: as found, after work or as left.`
    const slot = this.slotOf(row, characteristic)
    if (typeof slot === 'string') return slot
    const gauge = this.gaugeOf(row, characteristic, slot)
    if (typeof gauge === 'string') return gauge
    const text = this.cell(row, 'reading')
    const typed = readTyped(characteristic, slot, text, this.context.units)
    if (!typed.ok) return explainReadingFault(typed.fault)
    const key = `${characteristic.id} ${stage} ${slotKey(slot)}`
    const before = draft.places.get(key)
    if (before !== undefined) return `The same place is read in line ${before} already.`
    const mark = this.cell(row, 'part_mark')
    if (mark.length > overhaulBounds.mark) return `The mark of the part is longer than ${overhaulBounds.mark} characters.`
    const other = draft.installed.get(characteristic.part)
    if (mark !== '' && other !== undefined && other !== mark)
      return `The part is marked “${other}” further up and “${mark}” here.`
    if (mark !== '') draft.installed.set(characteristic.part, mark)
    if (draft.readings.length >= overhaulBounds.readings)
      return `More than ${overhaulBounds.readings} readings of one overhaul: leave some out.`
    draft.places.set(key, line)
    const { fields, exact } = typed.value
    draft.readings.push({ characteristic: characteristic.id, ...slot, stage, text, gauge: gauge?.id ?? null, fields, exact })
    return null
  }

  private draftOf(row: readonly string[]): Draft | string {
    const [overhaul, date, hours] = [this.cell(row, 'overhaul'), this.cell(row, 'date'), this.cell(row, 'running_hours')]
    const key = `${overhaul}\n${date}\n${hours}`
    const known = this.drafts.get(key)
    if (known) return known
    if (overhaul === '') return 'The overhaul has no name.'
    if (overhaul.length > overhaulBounds.name) return `The name of the overhaul is longer than ${overhaulBounds.name} characters.`
    if (this.drafts.size >= overhaulBounds.overhauls)
      return `More than ${overhaulBounds.overhauls} overhauls: take over the latest ones.`
    if (!isDay(date)) return `“${date}” is no day. Write it as 2019-05-14.`
    const { today, mostHours } = this.context
    if (date > today) return `${date} lies ahead: today is ${today}.`
    const bare = hours.replace(/[\s\u00a0]/g, '')
    if (!/^\d{1,7}$/.test(bare)) return `“${hours}” is no running hours. Write whole hours.`
    const runningHours = Number(bare)
    if (mostHours !== null && runningHours >= mostHours)
      return `${hours} h is not earlier than the ${mostHours} h the machine has now.`
    for (const other of this.drafts.values()) {
      if (other.overhaul === overhaul)
        return `${overhaul} is given with two days or hours: ${other.date} at ${other.runningHours} h, and ${date} at ${runningHours} h.`
      const [earlier, later] = other.date <= date ? [other.runningHours, runningHours] : [runningHours, other.runningHours]
      if (other.date !== date && earlier > later)
        return `Hours cannot fall: ${other.overhaul} on ${other.date} at ${other.runningHours} h, ${overhaul} on ${date} at ${runningHours} h.`
    }
    const draft: Draft = {
      overhaul,
      date,
      runningHours,
      installed: new Map(),
      readings: [],
      places: new Map(),
    }
    this.drafts.set(key, draft)
    return draft
  }

  private slotOf(row: readonly string[], { method, name }: Characteristic): Slot | string {
    const { stations, directions } = layoutOf(method)
    const only = (places: readonly { readonly id: string }[]): string => (places.length === 1 ? (places[0]?.id ?? NO_PLACE) : '')
    const slot = {
      station: this.cell(row, 'station') || only(stations),
      direction: this.cell(row, 'direction') || only(directions),
      repeat: Number(this.cell(row, 'repeat') || '1'),
    }
    return Number.isInteger(slot.repeat) && acceptsSlot(method, slot)
      ? slot
      : `${name} has no place “${[this.cell(row, 'station'), this.cell(row, 'direction'), this.cell(row, 'repeat')].filter(Boolean).join(', ')}”.`
  }

  private gaugeOf(
    row: readonly string[],
    characteristic: Characteristic,
    slot: Slot,
  ): HistoryContext['gauges'][number] | string | null {
    const code = this.cell(row, 'gauge')
    if (code === '') return null
    const gauge = this.gauges.get(code.toLowerCase())
    if (!gauge) return `There is no gauge “${code}” in the store. Leave it empty where nobody knows.`
    return gauge.kind === gaugeKindAt(characteristic, slot)
      ? gauge
      : `${gauge.code} is not the kind of gauge that ${characteristic.name} is measured with.`
  }
}
