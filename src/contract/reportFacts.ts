/** The parts of a report that page and PDF both show, worked out once from its content. */
import { type Level, type Verdict, verdictLabel } from '../core/decision/level'
import { standingDecisions } from '../core/job/progress'
import { layoutOf, slotLabel } from '../core/method/method'
import { type ReductionName, reductionLabel } from '../core/method/reduction'
import { formatLength } from '../core/quantity/format'
import type { Characteristic, Part } from '../core/record/bookSchema'
import type { Reading } from '../core/record/recordSchema'
import type { CharacteristicResult, PartResult } from '../core/record/results'
import { standingReadings } from '../core/record/standing'
import type { ReportContent } from './answers'

/** A report before it is signed has neither signature nor place in the chain. */
export type ReportDraft = Omit<ReportContent, 'signature' | 'reportId' | 'sequence' | 'previousSha256' | 'format' | 'version'>

export interface PartLine {
  readonly part: Part
  readonly result: PartResult
  readonly decided: {
    readonly verdict: Level
    readonly by: string
    readonly reason: string | null
    readonly departs: boolean
    readonly stale: boolean
  } | null
  /** The departure touches a safety-marked part and is milder than recommended. */
  readonly flagged: boolean
}

export function partLines({ record, results }: ReportDraft): PartLine[] {
  const standing = standingDecisions(record, results)
  return record.book.parts.flatMap((part) => {
    const result = results.parts.find(({ id }) => id === part.id)
    if (!result) return []
    const found = standing.get(part.id)
    const decided = found
      ? {
          verdict: found.decided.decided,
          by: found.decided.by,
          reason: found.decided.reason,
          departs: found.decided.decided !== found.decided.recommended,
          stale: found.stale,
        }
      : null
    const safety = record.book.characteristics.some((characteristic) => characteristic.part === part.id && characteristic.safety)
    return [{ part, result, decided, flagged: safety && decided?.departs === true }]
  })
}

export interface ReadingLine {
  readonly place: string
  readonly reading: Reading | null
  readonly value: string
  /** What this reading replaced, and why. */
  readonly corrected: { readonly text: string; readonly reason: string } | null
}

export interface ReductionLine {
  readonly name: string
  readonly value: string
  readonly limits: string
  readonly source: string
}

export interface MeasurementSheet {
  readonly characteristic: Characteristic
  readonly result: CharacteristicResult
  readonly verdict: Verdict
  readonly verdictName: string
  readonly gauges: string
  readonly readings: readonly ReadingLine[]
  readonly reductions: readonly ReductionLine[]
}

/** As-found figures of every characteristic, with limits and their sources. */
export function measurementSheets({ record, results }: ReportDraft): MeasurementSheet[] {
  const { units } = record.machine
  const standing = standingReadings(record.job.readings).filter(({ stage }) => stage === 'asFound')
  return record.book.characteristics.flatMap((characteristic) => {
    const result = results.characteristics.find(({ id }) => id === characteristic.id)
    if (!result) return []
    const figure = (mm: number): string => formatLength(mm, units, characteristic.showToMm)
    const own = standing.filter((reading) => reading.characteristic === characteristic.id)
    const gaugeIds = new Set(own.map(({ gauge }) => gauge))
    return [
      {
        characteristic,
        result,
        verdict: result.verdict,
        verdictName: verdictLabel[result.verdict],
        gauges: record.gauges
          .filter(({ id }) => gaugeIds.has(id))
          .map((gauge) => `${gauge.code} (calibrated until ${gauge.calibrationDue})`)
          .join(', '),
        readings: layoutOf(characteristic.method).map((slot) => {
          const reading =
            own.find(
              (other) => other.station === slot.station && other.direction === slot.direction && other.repeat === slot.repeat,
            ) ?? null
          const before = reading?.supersedes ? record.job.readings.find(({ id }) => id === reading.supersedes) : undefined
          return {
            place: slotLabel(characteristic.method, slot),
            reading,
            value: reading ? figure(reading.valueMm) : '–',
            corrected: before && reading?.reason ? { text: before.text, reason: reading.reason } : null,
          }
        }),
        reductions: reductionLines(characteristic, result, figure),
      },
    ]
  })
}

function reductionLines(
  characteristic: Characteristic,
  result: CharacteristicResult,
  figure: (mm: number) => string,
): ReductionLine[] {
  const names = Object.keys(result.reductions.values) as ReductionName[]
  const judgedFirst = [...names].sort((a, b) => rankOf(characteristic, a) - rankOf(characteristic, b))
  return judgedFirst.flatMap((name) => {
    const value = result.reductions.values[name]
    if (!value) return []
    const limits = characteristic.limits.filter((limit) => limit.judges === name)
    const sign = (side: 'upper' | 'lower'): string => (side === 'upper' ? '≤' : '≥')
    return [
      {
        name: reductionLabel[name],
        value: limits.length > 0 ? `${figure(value.valueMm)} ± ${figure(2 * value.uncertaintyMm)}` : figure(value.valueMm),
        limits: limits
          .map(
            ({ side, planMm, wearMm }) =>
              `${planMm === null ? '' : `plan ${sign(side)} ${figure(planMm)}, `}wear ${sign(side)} ${figure(wearMm)}`,
          )
          .join('; '),
        source: [...new Set(limits.map(({ source }) => `${source.document}, ${source.page}`))].join('; '),
      },
    ]
  })
}

function rankOf(characteristic: Characteristic, name: ReductionName): number {
  const index = characteristic.limits.findIndex((limit) => limit.judges === name)
  return index < 0 ? characteristic.limits.length : index
}
