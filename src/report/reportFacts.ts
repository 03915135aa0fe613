import { coverageOf } from '../contract/figuresAt'
import { typedLimits } from '../core/limit/typedLimits'
import { shownName, stageName, valueName } from '../core/words/labels'
import { slotWords } from '../core/words/places'
import { say } from '../labels/report'
import { type ContactPicture, contactPicture } from './contactPicture'

/** The parts of a report that page and PDF both show, worked out once from its content. */

import type { ReportContent } from '../contract/answers'
/** A report before it is signed has neither signature nor place in the chain. */
import { NO_PROCEDURE } from '../contract/noProcedure'
import { readingWords } from '../contract/readingWords'
import type { Characteristic, LimitBook, Part } from '../core/book/bookSchema'
import type { CharacteristicResult } from '../core/evaluate/results'
import { standingDecisions } from '../core/job/progress'
import { quantityOf, quantityOfValue, stepOf } from '../core/method/gives'
import { slotsOf } from '../core/method/layout'
import type { ReductionName } from '../core/method/reduction'
import { foldNotes } from '../core/notes/fold'
import type { Disposition } from '../core/policy/disposition'
import { figuresOf } from '../core/quantity/figures'
import { unitOf } from '../core/quantity/format'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { OWN_WAY } from '../core/record/ownWay'
import type { Reading } from '../core/record/recordSchema'
import { type Stage, stages } from '../core/record/stage'
import { standingReadings } from '../core/record/standing'
import { departs } from '../core/verdict/decidedWay'
import type { PartResult } from '../core/verdict/partVerdict'
import { type Shown, shownOf } from '../core/verdict/shown'
import { changeWords } from '../core/words/changes'
import { speakerOf } from '../core/words/speaker'
import { wayWords } from '../core/words/votes'

export type ReportDraft = Omit<ReportContent, 'signature' | 'reportId' | 'sequence' | 'previousSha256' | 'format' | 'version'>

export interface PartLine {
  readonly part: Part
  readonly result: PartResult
  readonly decided: {
    readonly verdict: Disposition
    readonly by: string
    readonly reason: string | null
    readonly departs: boolean
    /** The way that was chosen, by its name; null where it is the recommended one. */
    readonly way: string | null
    readonly stale: boolean
  } | null
  /** The level or its gate leaves the part out: no verdict is asked for. */
  readonly leftOut: boolean
  /** The departure touches a safety-marked part and is milder than recommended. */
  readonly flagged: boolean
}

const wayOf = (book: LimitBook, part: Part, route: string): string =>
  wayWords(speakerOf(book, 'metric'), part.id, route === OWN_WAY ? { by: 'own', routes: [] } : { by: 'routes', routes: [route] })

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
          departs:
            found.decided.decided !== found.decided.recommended ||
            (found.decided.route !== undefined && departs(result, found.decided)),
          way: found.decided.route === undefined ? null : wayOf(record.book, part, found.decided.route),
          stale: found.stale,
        }
      : null
    const safety = record.book.characteristics.some((characteristic) => characteristic.part === part.id && characteristic.safety)
    return [
      {
        part,
        result,
        decided,
        leftOut: (result.need ?? 'required') === 'notRequired',
        flagged: safety && decided?.departs === true,
      },
    ]
  })
}

export interface ReadingLine {
  readonly place: string
  readonly reading: Reading | null
  readonly value: string
  /** What this reading replaced, and why. */
  readonly corrected: { readonly text: string; readonly reason: string } | null
  /** What was noted at it; empty when nothing was. */
  readonly note: string
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
  readonly verdict: Shown
  readonly verdictName: string
  /** Of its figures; those of another kind carry theirs. */
  readonly unit: string
  /** Gauges by their codes; by eye where none is needed, and empty where nothing was read. */
  readonly gauges: string
  /** Of a contact print. */
  readonly contact: ContactPicture | null
  readonly readings: readonly ReadingLine[]
  readonly reductions: readonly ReductionLine[]
  /** Judged values stage by stage, where it was measured again. */
  readonly stages: readonly { readonly name: string; readonly values: readonly string[] }[]
  /** What was read at the later stages, one line each. */
  readonly later: readonly string[]
  /** What changed between stages against what may, one line each. */
  readonly changes: readonly string[]
}

/** As-found figures of every characteristic, with limits and their sources. */
export function measurementSheets({ record, results }: ReportDraft): MeasurementSheet[] {
  const { units } = record.machine
  const standing = standingReadings(record.job.readings).filter(({ stage }) => stage === 'asFound')
  const notes = foldNotes({ ...NO_PROCEDURE, ...record.book }, record.job.entries ?? []).readingNotes
  return record.book.characteristics.flatMap((characteristic) => {
    const result = results.characteristics.find(({ id }) => id === characteristic.id)
    // What the level leaves out is named once, with its reason, and has no empty sheet.
    if (!result || ((result.need ?? 'required') !== 'required' && result.readings.length === 0)) return []
    const { method, showTo } = characteristic
    const own = standing.filter((reading) => reading.characteristic === characteristic.id)
    const gaugeIds = new Set(own.map(({ gauge }) => gauge))
    return [
      {
        characteristic,
        result,
        verdict: shownOf(result),
        verdictName: shownName[shownOf(result)],
        unit: unitOf(quantityOf(method), units),
        gauges: record.gauges
          .filter(({ id }) => gaugeIds.has(id))
          .map((gauge) => say.calibratedUntil(gauge.code, gauge.calibrationDue))
          .concat(own.some(({ gauge, kind }) => gauge === null && kind !== 'withdrawn' && kind !== 'cannot') ? [say.eye] : [])
          .join(', '),
        contact: contactPicture(method, own),
        readings: slotsOf(characteristic.method).map((slot) => {
          const reading =
            own.find(
              (other) => other.station === slot.station && other.direction === slot.direction && other.repeat === slot.repeat,
            ) ?? null
          const before = reading?.supersedes ? record.job.readings.find(({ id }) => id === reading.supersedes) : undefined
          return {
            place: slotWords(characteristic.method, slot),
            reading,
            value: reading ? readingWords(reading, method, units, showTo) : '–',
            note: reading ? (notes.get(reading.id)?.note ?? '') : '',
            corrected: before && reading?.reason ? { text: before.text, reason: reading.reason } : null,
          }
        }),
        reductions: reductionLines(characteristic, result, units),
        ...laterStages(characteristic, result, record),
      },
    ]
  })
}

/** The stages after it was found, side by side. Reports signed before core 1.2.0 have none. */
function laterStages(
  characteristic: Characteristic,
  result: CharacteristicResult,
  { machine: { units }, job }: ReportDraft['record'],
): Pick<MeasurementSheet, 'stages' | 'later' | 'changes'> {
  const measured = result.stages ?? []
  const changes = (result.changes ?? []).filter(({ standing }) => standing !== 'open')
  const names = [...new Set([...characteristic.limits, ...changes.map(({ limit }) => limit)].map(({ judges }) => judges))]
  const valueAt = (stage: Stage, name: ReductionName): string => {
    const of = stage === 'asFound' ? result : measured.find((other) => other.stage === stage)
    const value = of?.reductions.values[name]
    const kind = quantityOfValue(characteristic.method, name)
    return value ? figuresOf(kind, units, stepOf(characteristic.method, characteristic.showTo, kind)).extent(value) : '–'
  }
  return {
    stages:
      measured.length === 0
        ? []
        : names.map((name) => ({ name: valueName[name], values: stages.map((stage) => valueAt(stage, name)) })),
    later: measured.map(({ stage }) => {
      const own = standingReadings(job.readings).filter(
        (reading) => reading.stage === stage && reading.characteristic === characteristic.id && reading.kind !== 'withdrawn',
      )
      const words = own.map((reading) => {
        const place = slotWords(characteristic.method, reading)
        return `${place === '' ? '' : `${place} `}${readingWords(reading, characteristic.method, units, characteristic.showTo)}`
      })
      return `${stageName[stage]}: ${words.join('; ')}`
    }),
    changes: changes.map((outcome) => changeWords(outcome, characteristic, units)),
  }
}

function reductionLines(characteristic: Characteristic, result: CharacteristicResult, units: UnitSystem): ReductionLine[] {
  const names = Object.keys(result.reductions.values) as ReductionName[]
  const judgedFirst = [...names].sort((a, b) => rankOf(characteristic, a) - rankOf(characteristic, b))
  return judgedFirst.flatMap((name) => {
    const value = result.reductions.values[name]
    if (!value) return []
    const limits = characteristic.limits.filter((limit) => limit.judges === name)
    const kind = quantityOfValue(characteristic.method, name)
    const { figure, extent, expanded, unit } = figuresOf(kind, units, stepOf(characteristic.method, characteristic.showTo, kind))
    const other = kind === quantityOf(characteristic.method) || unit === '' ? '' : ` ${unit}`
    const sign = (side: 'upper' | 'lower'): string => (side === 'upper' ? '≤' : '≥')
    return [
      {
        name: valueName[name],
        value: `${extent(value)}${value.uncertainty > 0 ? ` ± ${expanded(value.uncertainty, coverageOf(value))}` : ''}${other}`,
        limits: limits
          .map(
            ({ side, plan, wear }) =>
              `${plan === null ? '' : say.plan(sign(side), figure(plan))}wear ${sign(side)} ${figure(wear)}`,
          )
          .join('; '),
        source: [...new Set(limits.map((limit) => sourceWords(limit, characteristic)))].join('; '),
      },
    ]
  })
}

/** Document and page of a limit; typed and not checked yet it says so. */
function sourceWords(limit: Characteristic['limits'][number], { typed }: Characteristic): string {
  const text = `${limit.source.document}, ${limit.source.page}`
  const by = typedLimits({ limits: [limit], typed })
  return by && !by.check?.agrees ? say.notChecked(text) : text
}

function rankOf(characteristic: Characteristic, name: ReductionName): number {
  const index = characteristic.limits.findIndex((limit) => limit.judges === name)
  return index < 0 ? characteristic.limits.length : index
}
