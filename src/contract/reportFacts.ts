import { type ContactPicture, contactPicture } from './contactPicture'
import { tagWords } from './entryWords'
import { coverageOf } from './figuresAt'
/** The parts of a report that page and PDF both show, worked out once from its content. */

import { countPattern, judgePattern } from '../core/condition/damagePattern'
import { causeLabel, kindOf } from '../core/condition/findingKinds'
import { type Level, type Verdict, verdictLabel } from '../core/decision/level'
import { confirmableSteps } from '../core/job/orderOfWork'
import { standingDecisions } from '../core/job/progress'
import { readiness } from '../core/job/ready'
import { quantityOf, quantityOfValue, stepOf } from '../core/method/gives'
import { slotLabel, slotsOf } from '../core/method/layout'
import { type ReductionName, reductionLabel } from '../core/method/reduction'
import { figuresOf } from '../core/quantity/figures'
import { type UnitSystem, unitOf } from '../core/quantity/format'
import type { Characteristic, LimitBook, Part } from '../core/record/bookSchema'
import type { Reading } from '../core/record/recordSchema'
import type { CharacteristicResult, PartResult } from '../core/record/results'
import { type Stage, stageLabel, stages } from '../core/record/stage'
import { standingReadings } from '../core/record/standing'
import type { EntryBody } from '../core/work/entrySchema'
import { foldWork, standingFindings, type WorkState } from '../core/work/fold'
import { levelOf, levelsInPlay } from '../core/work/need'
import { complaintStanding, findingTitle, openCauses } from '../core/work/openQuestions'
import { jobSteps } from '../core/work/steps'
import { stillInside, stripFaults } from '../core/work/stripFaults'
import type { ReportContent } from './answers'
import { changeWords } from './changeWords'
import { closingWords, suspectWords } from './closingWords'
import { entryWords } from './entryWords'
import { readingWords } from './readingWords'

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
  /** The level or its gate leaves the part out: no verdict is asked for. */
  readonly leftOut: boolean
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
  readonly verdict: Verdict
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
  const notes = foldWork({ ...NO_PROCEDURE, ...record.book }, record.job.entries ?? []).readingNotes
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
        verdict: result.verdict,
        verdictName: verdictLabel[result.verdict],
        unit: unitOf(quantityOf(method), units),
        gauges: record.gauges
          .filter(({ id }) => gaugeIds.has(id))
          .map((gauge) => `${gauge.code} (calibrated until ${gauge.calibrationDue})`)
          .concat(own.some(({ gauge, kind }) => gauge === null && kind !== 'withdrawn' && kind !== 'cannot') ? ['by eye'] : [])
          .join(', '),
        contact: contactPicture(method, own),
        readings: slotsOf(characteristic.method).map((slot) => {
          const reading =
            own.find(
              (other) => other.station === slot.station && other.direction === slot.direction && other.repeat === slot.repeat,
            ) ?? null
          const before = reading?.supersedes ? record.job.readings.find(({ id }) => id === reading.supersedes) : undefined
          return {
            place: slotLabel(characteristic.method, slot),
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
        : names.map((name) => ({ name: reductionLabel[name], values: stages.map((stage) => valueAt(stage, name)) })),
    later: measured.map(({ stage }) => {
      const own = standingReadings(job.readings).filter(
        (reading) => reading.stage === stage && reading.characteristic === characteristic.id && reading.kind !== 'withdrawn',
      )
      const words = own.map((reading) => {
        const place = slotLabel(characteristic.method, reading)
        return `${place === '' ? '' : `${place} `}${readingWords(reading, characteristic.method, units, characteristic.showTo)}`
      })
      return `${stageLabel[stage]}: ${words.join('; ')}`
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
        name: reductionLabel[name],
        value: `${extent(value)}${value.uncertainty > 0 ? ` ± ${expanded(value.uncertainty, coverageOf(value))}` : ''}${other}`,
        limits: limits
          .map(
            ({ side, plan, wear }) =>
              `${plan === null ? '' : `plan ${sign(side)} ${figure(plan)}, `}wear ${sign(side)} ${figure(wear)}`,
          )
          .join('; '),
        source: [...new Set(limits.map(({ source }) => `${source.document}, ${source.page}`))]
          .map((text) => (characteristic.typed && !characteristic.typed.check?.agrees ? `${text}, not checked` : text))
          .join('; '),
      },
    ]
  })
}

function rankOf(characteristic: Characteristic, name: ReductionName): number {
  const index = characteristic.limits.findIndex((limit) => limit.judges === name)
  return index < 0 ? characteristic.limits.length : index
}

/** Everything before the gauge that goes into a report. */
export interface WorkFacts {
  /** Level, what its gate did, and why the rest is left out; empty for a job without a level. */
  readonly scope: readonly string[]
  readonly complaint: { readonly text: string; readonly standing: string } | null
  readonly findings: readonly {
    readonly id: string
    readonly title: string
    readonly detail: string
    readonly cause: string | null
  }[]
  /** Patterns, hand tests and parts looked at without a finding, one line each. */
  readonly looked: readonly string[]
  /** How parts lay and were marked, position by position: tag, facing, marks, thickness, notes. */
  readonly lay: readonly { readonly name: string; readonly words: string }[]
  readonly openCauses: readonly string[]
  /** Steps skipped or not done, missing tags and marks, things still inside: what the reviewer must know. */
  readonly exceptions: readonly string[]
  readonly log: readonly { readonly id: string; readonly what: string; readonly by: string; readonly at: string }[]
}

/** Kinds of entry that the report's log names; trays, tags and ticks are in the record itself. */
const LOGGED: ReadonlySet<EntryBody['kind']> = new Set([
  'stepDone',
  'stepSkipped',
  'stepNotApplicable',
  'stepNotApplicableAgreed',
  'stepReopened',
  'stepAdded',
  'findingRecorded',
  'findingWithdrawn',
  'causeRecorded',
  'measurementPlanned',
  'patternRecorded',
  'handTested',
  'pictureRemoved',
  'complaintExplained',
  'complaintGone',
  'characteristicTyped',
  'characteristicDropped',
  'limitsChecked',
])

export function workFacts({ record, results, confirmations }: ReportDraft): WorkFacts {
  const { book } = record
  // Reports signed before core 1.1.0 have no entries and no scope.
  const entries = record.job.entries ?? []
  const scope = results.scope ?? { level: null, counts: null, gate: null, leftOut: null }
  const full = { ...record, book: { ...NO_PROCEDURE, ...book }, job: { ...record.job, entries } }
  const work = foldWork(full.book, entries)
  const steps = jobSteps(full.book, work, levelsInPlay(scope))
  const level = levelOf(full.book, scope.level)
  const gate = scope.gate
  const standing = complaintStanding(record.job.complaint ?? '', work)
  return {
    scope: [
      ...(level ? [`Level: ${level.name}`] : []),
      ...(gate?.kind === 'failed'
        ? [
            `Gate failed: ${gate.by.map(({ reason, reading }) => `${reason}${reading ? ` (reading ${reading})` : ''}`).join('; ')}. Grown to ${levelOf(full.book, scope.counts)?.name ?? gate.grows}`,
          ]
        : []),
      ...(gate?.kind === 'open' ? [`Gate open: ${gate.missing.join(', ')} not measured to the end`] : []),
      ...(scope.leftOut ? [scope.leftOut] : []),
    ],
    complaint: standing === null ? null : { text: record.job.complaint, standing: complaintWords(standing, full.book) },
    findings: standingFindings(work).map((finding) => ({
      id: finding.id,
      title: findingTitle(full.book, finding),
      detail: [finding.extent, finding.note, `usually: ${kindOf(finding.kind).mends}`].filter((text) => text !== '').join('; '),
      cause: finding.cause
        ? `${causeLabel[finding.cause.family]}${finding.cause.text === '' ? '' : `: ${finding.cause.text}`}`
        : null,
    })),
    looked: [
      ...full.book.patterns.flatMap((pattern) => {
        const seen = work.patterns.get(pattern.id)
        if (!seen) return []
        return [
          `${pattern.name}: ${judgePattern(countPattern(pattern.arrangement, seen.states), pattern.limits).reasons.join('; ')}`,
        ]
      }),
      ...[...work.handTests].flatMap(([id, { finding }]) => {
        const test = full.book.handTests.find((candidate) => candidate.id === id)
        return test && finding === null ? [`${test.name}: sound`] : []
      }),
      ...[...work.lookedAt.keys()].flatMap((id) => {
        const part = book.parts.find((candidate) => candidate.id === id)
        return part ? [`${part.name}: looked at, nothing found`] : []
      }),
    ],
    lay: layOf(work, full.book.joints),
    openCauses: openCauses(work).map((finding) => findingTitle(full.book, finding)),
    exceptions: [
      ...unchecked(book),
      ...wrongChanges({ record, results }),
      ...misclosures({ record, results }),
      ...steps.flatMap(({ name, standing: step }) =>
        step.kind === 'skipped' ? [`Skipped: ${name} (${step.reason}, ${step.by})`] : [],
      ),
      ...steps.flatMap(({ name, standing: step }) =>
        step.kind === 'notApplicable'
          ? [
              `Does not apply: ${name} (${step.reason}, ${step.by}; ${step.agreed ? `agreed by ${step.agreed.by}` : 'nobody has agreed'})`,
            ]
          : [],
      ),
      ...readyExceptions({ record: full, results, confirmations }),
      ...stripFaults(full.book, work, steps).map(({ text }) => text),
      ...stillInside(work).map(
        ({ name, inside, where }) => `Still inside: ${inside} × ${name}${where === '' ? '' : `, ${where}`}`,
      ),
    ],
    log: entries
      .filter(({ body }) => LOGGED.has(body.kind))
      .map(({ id, by, at, body }) => ({ id, by, at, what: entryWords(body, full.book, work) })),
  }
}

function layOf({ positions, joints }: WorkState, inBook: LimitBook['joints']): { name: string; words: string }[] {
  const nameOf = (id: string): string => positions.find((position) => position.id === id)?.name ?? id
  return [
    ...positions.flatMap(({ name, tag, thickness }) => {
      const said = [...(tag ? [tagWords(tag, nameOf)] : []), ...(thickness ? [`thickness ${thickness.text}`] : [])]
      return said.length === 0 ? [] : [{ name, words: said.join('; ') }]
    }),
    ...inBook.flatMap(({ id, between }) => {
      const marked = joints.get(id)
      return marked ? [{ name: between.map(nameOf).join(' to '), words: `mark: ${marked.mark}` }] : []
    }),
  ]
}

/** What the level requires and is not done, and what is left beyond its limits. Results of before version 3 know no stages of parts, and nobody was asked then to confirm the last steps. */
function readyExceptions({
  record,
  results,
  confirmations,
}: Pick<ReportDraft, 'record' | 'results' | 'confirmations'>): string[] {
  const parts = results.parts.map((part) => ({ ...part, stages: part.stages ?? [] }))
  const scope = results.scope ?? { level: null, counts: null, gate: null, leftOut: null }
  const { exceptions, leftBeyond } = readiness(
    record,
    { ...results, parts, scope },
    new Set((results.version as number) < 3 ? confirmableSteps : confirmations.map(({ step }) => step)),
  )
  return [...exceptions, ...leftBeyond.map((sentence) => `Left beyond its limits: ${sentence}`)]
}

/** Limits typed in the job that no second person has held against the document, or that do not agree with it. */
const unchecked = (book: ReportDraft['record']['book']): string[] =>
  book.characteristics.flatMap(({ name, typed }) => {
    if (!typed || typed.check?.agrees) return []
    return typed.check
      ? [`Limits of ${name} do not agree with the document: ${typed.check.note} (${typed.check.by})`]
      : [`Limits of ${name}, typed by ${typed.by}, are not checked by a second person`]
  })

/** What moved further than it may between two measurements, with what the maker says to do. */
const wrongChanges = ({ record, results }: Pick<ReportDraft, 'record' | 'results'>): string[] =>
  record.book.characteristics.flatMap((characteristic) =>
    (results.characteristics.find(({ id }) => id === characteristic.id)?.changes ?? [])
      .filter(({ standing }) => standing === 'outside')
      .map((outcome) => {
        const { instruction } = outcome.limit
        return `${characteristic.name}: ${changeWords(outcome, characteristic, record.machine.units)}${instruction === '' ? '' : ` ${instruction}`}`
      }),
  )

/** What is known twice and does not agree, with the readings most likely wrong. */
const misclosures = ({ record, results }: Pick<ReportDraft, 'record' | 'results'>): string[] =>
  (record.book.closings ?? []).flatMap((spec) => {
    const result = (results.closings ?? []).find(({ id }) => id === spec.id)
    if (result?.standing !== 'disagrees') return []
    const suspects = result.suspects.flatMap((suspect) => {
      const of = record.book.characteristics.find(({ id }) => id === suspect.characteristic)
      return of ? [suspectWords(suspect, of)] : []
    })
    return [`${closingWords(spec, result, record.machine.units)} Look again at: ${suspects.join('; ')}`]
  })

/** What a book from before procedures lacks. */
const NO_PROCEDURE = {
  levels: [],
  cautions: [],
  procedure: [],
  positions: [],
  joints: [],
  temporaries: [],
  findingRules: [],
  patterns: [],
  handTests: [],
}

function complaintWords(
  standing: NonNullable<ReturnType<typeof complaintStanding>>,
  book: ReportDraft['record']['book'],
): string {
  switch (standing.kind) {
    case 'unexplained':
      return 'not explained'
    case 'explained':
      return `explained by “${findingTitle(book, standing.finding)}”, not yet proved gone`
    case 'gone':
      return `explained by “${findingTitle(book, standing.finding)}”; gone: ${standing.note} (${standing.by})`
  }
}
