import type { Bare, Coded } from '../base/coded'
import { isDay } from '../base/day'
import { err, ok, type Result } from '../base/result'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import type { Gauge } from '../gauge/gauge'
import { acceptsSlot, layoutOf, NO_PLACE, type Slot, slotKey } from '../method/layout'
import type { ReadingFault } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'
import { overhaulBounds } from './overhaulBounds'
import type { Reading } from './recordSchema'
import { type Stage, stages } from './stage'
import { gaugeKindAt, readTyped, type TypedReading } from './typedReading'

/** Columns of a table of earlier readings, and whether each must be there; the others may be left out or empty. */
export const historyColumns = {
  overhaul: true,
  date: true,
  running_hours: true,
  characteristic: true,
  station: false,
  direction: false,
  repeat: false,
  stage: false,
  reading: true,
  gauge: false,
  part_mark: false,
} as const
export type HistoryColumn = keyof typeof historyColumns
export const historyColumnNames = Object.keys(historyColumns) as HistoryColumn[]

export interface ImportedReading extends Slot {
  readonly characteristic: string
  readonly stage: Stage
  readonly text: string
  readonly gauge: string | null
  readonly fields: TypedReading['fields']
  readonly exact: TypedReading['exact']
  /** Who took it, when, and under what; a table says none of it. */
  readonly taken?: { readonly by: string; readonly at: string; readonly conditions: Reading['conditions'] }
}

export interface ImportedOverhaul {
  readonly overhaul: string
  readonly date: string
  readonly runningHours: number
  readonly installed: Readonly<Record<string, string>>
  readonly readings: readonly ImportedReading[]
}

/** Why a table, or a row of it, cannot be read. */
export interface HistoryFaults {
  headLacks: { readonly columns: readonly string[] }
  notAColumn: { readonly columns: readonly string[] }
  onlyAHead: Bare
  noCharacteristic: { readonly text: string }
  noStage: { readonly text: string }
  reading: { readonly why: ReadingFault }
  placeTwice: { readonly line: number }
  markTooLong: { readonly most: number }
  otherMark: { readonly before: string; readonly here: string }
  tooManyReadings: { readonly most: number }
  noName: Bare
  nameTooLong: { readonly most: number }
  tooManyOverhauls: { readonly most: number }
  noDay: { readonly text: string }
  liesAhead: { readonly date: string; readonly today: string }
  noHours: { readonly text: string }
  notEarlier: { readonly hours: string; readonly now: number }
  twoDates: { readonly overhaul: string; readonly one: At; readonly other: At }
  hoursFall: { readonly one: At & { readonly overhaul: string }; readonly other: At & { readonly overhaul: string } }
  noPlace: { readonly characteristic: string; readonly text: string }
  noGauge: { readonly gauge: string }
  otherKindOfGauge: { readonly gauge: string; readonly characteristic: string }
}
export type HistoryFault = Coded<HistoryFaults>

interface At {
  readonly date: string
  readonly hours: number
}

export interface RowFault {
  /** Line of the table, its head being the first; 0 for the table as a whole. */
  readonly line: number
  readonly fault: HistoryFault
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
    // As a person writes it: “as found”.
    [stage.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`), stage],
  ]),
])

/** Reads a table of earlier readings, row by row, or says which rows cannot be read and why; nothing is guessed. */
export function readHistory(
  rows: readonly (readonly string[])[],
  context: HistoryContext,
  /** Told how many rows have been read. */
  onRow: (done: number, of: number) => void = () => {},
): Result<readonly ImportedOverhaul[], readonly RowFault[]> {
  const [head = [], ...body] = rows
  const columns = new Map(head.map((name, index) => [name.trim().toLowerCase().replaceAll(' ', '_'), index]))
  const lacking = historyColumnNames.filter((name) => historyColumns[name] && !columns.has(name))
  if (lacking.length > 0) return err([{ line: 1, fault: { code: 'headLacks', columns: lacking } }])
  const unknown = [...columns.keys()].filter((name) => !(name in historyColumns))
  if (unknown.length > 0) return err([{ line: 1, fault: { code: 'notAColumn', columns: unknown } }])
  if (body.length === 0) return err([{ line: 0, fault: { code: 'onlyAHead' } }])
  const reader = new HistoryReader(context, (row, column) => (row[columns.get(column) ?? -1] ?? '').trim())
  body.forEach((row, index) => {
    reader.take(row, index + 2)
    onRow(index + 1, body.length)
  })
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
    private readonly cell: (row: readonly string[], column: HistoryColumn) => string,
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
    const fault = this.read(row, line)
    if (fault !== null) this.faults.push({ line, fault })
  }

  private read(row: readonly string[], line: number): HistoryFault | null {
    const draft = this.draftOf(row)
    if ('code' in draft) return draft
    const named = this.cell(row, 'characteristic')
    const characteristic = this.characteristics.get(named.toLowerCase())
    if (!characteristic) return { code: 'noCharacteristic', text: named }
    const stage = stageOf.get(this.cell(row, 'stage').toLowerCase())
    if (!stage) return { code: 'noStage', text: this.cell(row, 'stage') }
    const slot = this.slotOf(row, characteristic)
    if ('code' in slot) return slot
    const gauge = this.gaugeOf(row, characteristic, slot)
    if (gauge !== null && 'fault' in gauge) return gauge.fault
    const text = this.cell(row, 'reading')
    const typed = readTyped(characteristic, slot, text, this.context.units)
    if (!typed.ok) return { code: 'reading', why: typed.fault }
    const key = `${characteristic.id} ${stage} ${slotKey(slot)}`
    const before = draft.places.get(key)
    if (before !== undefined) return { code: 'placeTwice', line: before }
    const mark = this.cell(row, 'part_mark')
    if (mark.length > overhaulBounds.mark) return { code: 'markTooLong', most: overhaulBounds.mark }
    const other = draft.installed.get(characteristic.part)
    if (mark !== '' && other !== undefined && other !== mark) return { code: 'otherMark', before: other, here: mark }
    if (mark !== '') draft.installed.set(characteristic.part, mark)
    if (draft.readings.length >= overhaulBounds.readings) return { code: 'tooManyReadings', most: overhaulBounds.readings }
    draft.places.set(key, line)
    const { fields, exact } = typed.value
    draft.readings.push({ characteristic: characteristic.id, ...slot, stage, text, gauge: gauge?.id ?? null, fields, exact })
    return null
  }

  private draftOf(row: readonly string[]): Draft | HistoryFault {
    const [overhaul, date, hours] = [this.cell(row, 'overhaul'), this.cell(row, 'date'), this.cell(row, 'running_hours')]
    const key = `${overhaul}\n${date}\n${hours}`
    const known = this.drafts.get(key)
    if (known) return known
    if (overhaul === '') return { code: 'noName' }
    if (overhaul.length > overhaulBounds.name) return { code: 'nameTooLong', most: overhaulBounds.name }
    if (this.drafts.size >= overhaulBounds.overhauls) return { code: 'tooManyOverhauls', most: overhaulBounds.overhauls }
    if (!isDay(date)) return { code: 'noDay', text: date }
    const { today, mostHours } = this.context
    if (date > today) return { code: 'liesAhead', date, today }
    const bare = hours.replace(/[\s\u00a0]/g, '')
    if (!/^\d{1,7}$/.test(bare)) return { code: 'noHours', text: hours }
    const runningHours = Number(bare)
    if (mostHours !== null && runningHours >= mostHours) return { code: 'notEarlier', hours, now: mostHours }
    const here = { date, hours: runningHours }
    for (const other of this.drafts.values()) {
      const there = { date: other.date, hours: other.runningHours }
      if (other.overhaul === overhaul) return { code: 'twoDates', overhaul, one: there, other: here }
      const [earlier, later] = other.date <= date ? [other.runningHours, runningHours] : [runningHours, other.runningHours]
      if (other.date !== date && earlier > later)
        return { code: 'hoursFall', one: { overhaul: other.overhaul, ...there }, other: { overhaul, ...here } }
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

  private slotOf(row: readonly string[], { method, name }: Characteristic): Slot | HistoryFault {
    const { stations, directions } = layoutOf(method)
    const only = (places: readonly { readonly id: string }[]): string => (places.length === 1 ? (places[0]?.id ?? NO_PLACE) : '')
    const slot = {
      station: this.cell(row, 'station') || only(stations),
      direction: this.cell(row, 'direction') || only(directions),
      repeat: Number(this.cell(row, 'repeat') || '1'),
    }
    return Number.isInteger(slot.repeat) && acceptsSlot(method, slot)
      ? slot
      : {
          code: 'noPlace',
          characteristic: name,
          text: [this.cell(row, 'station'), this.cell(row, 'direction'), this.cell(row, 'repeat')].filter(Boolean).join(', '),
        }
  }

  private gaugeOf(
    row: readonly string[],
    characteristic: Characteristic,
    slot: Slot,
  ): HistoryContext['gauges'][number] | { readonly fault: HistoryFault } | null {
    const code = this.cell(row, 'gauge')
    if (code === '') return null
    const gauge = this.gauges.get(code.toLowerCase())
    if (!gauge) return { fault: { code: 'noGauge', gauge: code } }
    return gauge.kind === gaugeKindAt(characteristic, slot)
      ? gauge
      : { fault: { code: 'otherKindOfGauge', gauge: gauge.code, characteristic: characteristic.name } }
  }
}
