import { err, ok, type Result } from '../base/result'
import type { Path } from '../book/path'
import type { Gauge } from '../gauge/gauge'
import { acceptsSlot, slotKey } from '../method/layout'
import type { UnitSystem } from '../quantity/unitSystem'
import type { HistoryContext, ImportedOverhaul, ImportedReading } from './historyTable'
import { type InspectionRecord, type Overhaul, type Reading, recordSchema } from './recordSchema'
import { standingReadings } from './standing'
import { defaultUnitAt } from './typedReading'
import { upgradeRecord } from './upgrade'

/** Why a record of another installation cannot join the history of a machine. */
export type RecordHistoryFault =
  | { readonly code: 'shape'; readonly path: Path; readonly issue: object }
  | { readonly code: 'otherBook'; readonly record: string; readonly machine: string }
  | { readonly code: 'otherUnits'; readonly record: UnitSystem; readonly machine: UnitSystem }
  | { readonly code: 'noPlaceHere'; readonly overhaul: string; readonly characteristic: string; readonly place: string }
  | { readonly code: 'laterThanNow'; readonly overhaul: string; readonly hours: number; readonly now: number }
  | { readonly code: 'nothingNew' }

export interface RecordHistory {
  readonly overhauls: readonly ImportedOverhaul[]
  /** Gauges that the readings were taken with: their figures are corrected by what was known of these then. */
  readonly gauges: readonly Gauge[]
}

export interface RecordHistoryContext extends Pick<HistoryContext, 'book' | 'units' | 'mostHours' | 'today'> {
  /** Overhauls that are on record: they join once. */
  readonly known: readonly { readonly date: string; readonly runningHours: number }[]
}

/**
 * The overhauls of a record, its own job and those before it, as they join the history of a machine: what stood of their
 * readings, as read, with gauge and conditions. The machine goes by the same limit book, so that each reading has its place.
 */
export function readRecordHistory(
  file: unknown,
  context: RecordHistoryContext,
): Result<RecordHistory, readonly RecordHistoryFault[]> {
  const read = recordSchema.safeParse(upgradeRecord(file))
  if (!read.success)
    return err(read.error.issues.map((issue) => ({ code: 'shape', path: issue.path as Path, issue: { ...issue } })))
  const record = read.data
  if (record.book.id !== context.book.id) return err([{ code: 'otherBook', record: record.book.id, machine: context.book.id }])
  if (record.machine.units !== context.units)
    return err([{ code: 'otherUnits', record: record.machine.units, machine: context.units }])
  const isKnown = ({ date, runningHours }: Overhaul): boolean =>
    context.known.some((one) => one.date === date && one.runningHours === runningHours)
  const fresh = [...record.history, record.job].filter((overhaul) => !isKnown(overhaul) && measured(overhaul).length > 0)
  if (fresh.length === 0) return err([{ code: 'nothingNew' }])
  const faults = fresh.flatMap((overhaul) => faultsOf(overhaul, context))
  if (faults.length > 0) return err(faults)
  const overhauls = fresh.map((overhaul) => importedOf(overhaul, context))
  const used = new Set(overhauls.flatMap(({ readings }) => readings.flatMap(({ gauge }) => gauge ?? [])))
  return ok({ overhauls, gauges: record.gauges.filter(({ id }) => used.has(id)) })
}

/** What stands and measures, or says that a place does not exist. */
const measured = ({ readings }: Pick<InspectionRecord['job'], 'readings'>): readonly Reading[] =>
  standingReadings(readings).filter(({ kind }) => kind !== 'cannot' && kind !== 'withdrawn')

function faultsOf(overhaul: Overhaul, { book, units, mostHours }: RecordHistoryContext): RecordHistoryFault[] {
  const { overhaul: name, runningHours } = overhaul
  const later: RecordHistoryFault[] =
    mostHours !== null && runningHours > mostHours
      ? [{ code: 'laterThanNow', overhaul: name, hours: runningHours, now: mostHours }]
      : []
  const lost = measured(overhaul).flatMap((reading): RecordHistoryFault[] => {
    const own = book.characteristics.find(({ id }) => id === reading.characteristic)
    // Another quantity at the same place would be another thing: its unit tells.
    const isHere = own && acceptsSlot(own.method, reading) && defaultUnitAt(own, reading, units) === reading.defaultUnit
    return isHere
      ? []
      : [{ code: 'noPlaceHere', overhaul: name, characteristic: own?.name ?? reading.characteristic, place: slotKey(reading) }]
  })
  return [...later, ...lost]
}

const importedOf = (
  { overhaul, date, runningHours, installed, ...of }: Overhaul,
  { book }: RecordHistoryContext,
): ImportedOverhaul => ({
  overhaul,
  date,
  runningHours,
  installed: Object.fromEntries(Object.entries(installed).filter(([part]) => book.parts.some(({ id }) => id === part))),
  readings: measured(of).map(importedReading),
})

const exact = (value: number | null): string | null =>
  value === null
    ? null
    : Number(value)
        .toFixed(PLACES)
        .replace(/\.?0+$/, '')
/** Readings are kept to so many places. */
const PLACES = 12

function importedReading(reading: Reading): ImportedReading {
  const { characteristic, station, direction, repeat, stage, text, gauge, by, takenAt, conditions } = reading
  const { kind, value, low, high, defaultUnit, masterMm } = reading
  return {
    characteristic,
    station,
    direction,
    repeat,
    stage,
    text,
    gauge,
    fields: { kind, value, low, high, defaultUnit, masterMm },
    exact: { value: exact(value), low: exact(low), high: exact(high) },
    taken: { by, at: takenAt, conditions },
  }
}
