/** The parts of a report that page and PDF both show, worked out once from its content. */

import { NO_PROCEDURE } from '../contract/noProcedure'
import type { NoteFacts } from '../contract/reportWords'
import type { LimitBook } from '../core/book/bookSchema'
import { countPattern, judgePattern } from '../core/condition/damagePattern'
import { confirmableSteps } from '../core/job/orderOfWork'
import { readiness } from '../core/job/ready'
import { typedLimits } from '../core/limit/typedLimits'
import type { EntryBody } from '../core/notes/entrySchema'
import { foldNotes } from '../core/notes/fold'
import { complaintState, openCauses } from '../core/notes/openQuestions'
import { type NotesState, standingFindings } from '../core/notes/state'
import { jobSteps } from '../core/notes/steps'
import { stillInside, stripFaults } from '../core/notes/stripFaults'
import { levelOf, levelsInPlay } from '../core/scope/need'
import { changeWords } from '../core/words/changes'
import { crossCheckWords, suspectWords } from '../core/words/crossChecks'
import { causeName, findingTitle, findingWords } from '../core/words/findings'
import { entryWords, tagWords } from '../core/words/notes'
import { patternWords } from '../core/words/patterns'
import { exceptionWords, leftBeyondWords } from '../core/words/ready'
import type { SignedWords } from '../core/words/signed'
import { type Speaker, speakerOf } from '../core/words/speaker'
import { stripFaultWords } from '../core/words/strip'
/** A report before it is signed has neither signature nor place in the chain. */
import { say } from '../labels/report'
import type { ReportDraft } from './reportFacts'

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
  'thingAdded',
  'thingDropped',
])

/** What a report says before the gauge, in the words of today. `said` holds what its results say. */
export function noteFacts({ record, results, confirmations }: ReportDraft, said: SignedWords): NoteFacts {
  const { book } = record
  const speaker = speakerOf(book, record.machine.units, record.machine.meter)
  // Reports signed before core 1.1.0 have no entries and no scope.
  const entries = record.job.entries ?? []
  const scope = results.scope ?? { level: null, counts: null, gate: null, leftOut: null }
  const full = { ...record, book: { ...NO_PROCEDURE, ...book }, job: { ...record.job, entries } }
  const noted = foldNotes(full.book, entries)
  const steps = jobSteps(full.book, noted, levelsInPlay(scope))
  const level = levelOf(full.book, scope.level)
  const gate = scope.gate
  const standing = complaintState(record.job.complaint ?? '', noted)
  return {
    scope: [
      ...(level ? [say.level(level.name)] : []),
      ...(gate?.kind === 'failed'
        ? [say.gateFailedGrown(said.scope.gate.join('; '), levelOf(full.book, scope.counts)?.name ?? gate.grows)]
        : []),
      ...(gate?.kind === 'open' ? [say.gateOpenNot(said.scope.gate.join(', '))] : []),
      ...(said.scope.leftOut ? [said.scope.leftOut] : []),
    ],
    complaint: standing === null ? null : { text: record.job.complaint, standing: complaintWords(standing, full.book) },
    findings: standingFindings(noted).map((finding) => ({
      id: finding.id,
      title: findingTitle(full.book, finding),
      detail: [finding.extent, finding.note, `usually: ${findingWords[finding.kind].mends}`]
        .filter((text) => text !== '')
        .join('; '),
      cause: finding.cause
        ? `${causeName[finding.cause.family]}${finding.cause.text === '' ? '' : `: ${finding.cause.text}`}`
        : null,
    })),
    looked: [
      ...full.book.patterns.flatMap((pattern) => {
        const seen = noted.patterns.get(pattern.id)
        if (!seen) return []
        const count = countPattern(pattern.arrangement, seen.states)
        return [`${pattern.name}: ${patternWords(judgePattern(count, pattern.limits), count, pattern.limits)}`]
      }),
      ...[...noted.handTests].flatMap(([id, { finding }]) => {
        const test = full.book.handTests.find((candidate) => candidate.id === id)
        return test && finding === null ? [`${test.name}: sound`] : []
      }),
      ...[...noted.inspected.keys()].flatMap((id) => {
        const part = book.parts.find((candidate) => candidate.id === id)
        return part ? [say.lookedNothingFound(part.name)] : []
      }),
    ],
    lay: layOf(noted, full.book.joints),
    openCauses: openCauses(noted).map((finding) => findingTitle(full.book, finding)),
    exceptions: [
      ...unchecked(book),
      ...wrongChanges({ record, results }),
      ...misclosures(speaker, { record, results }),
      ...steps.flatMap(({ name, standing: step }) => (step.kind === 'skipped' ? [say.skipped(name, step.reason, step.by)] : [])),
      ...steps.flatMap(({ name, standing: step }) =>
        step.kind === 'notApplicable'
          ? [say.doesNotApply(name, step.reason, step.by, step.agreed ? say.agreed(step.agreed.by) : say.nobodyHasAgreed)]
          : [],
      ),
      ...readyExceptions(speaker, said, { record: full, results, confirmations }),
      ...stripFaults(full.book, noted, steps).map((fault) => stripFaultWords(noted, fault)),
      ...stillInside(noted).map(({ name, inside, where }) => say.stillInside(inside, name, where === '' ? '' : `, ${where}`)),
    ],
    log: entries
      .filter(({ body }) => LOGGED.has(body.kind))
      .map(({ id, by, at, body }) => ({ id, by, at, what: entryWords(body, full.book, noted) })),
  }
}

function layOf({ positions, joints }: NotesState, inBook: LimitBook['joints']): { name: string; words: string }[] {
  const nameOf = (id: string): string => positions.find((position) => position.id === id)?.name ?? id
  return [
    ...positions.flatMap(({ name, tag, thickness }) => {
      const said = [...(tag ? [tagWords(tag, nameOf)] : []), ...(thickness ? [say.thickness(thickness.text)] : [])]
      return said.length === 0 ? [] : [{ name, words: said.join('; ') }]
    }),
    ...inBook.flatMap(({ id, between }) => {
      const marked = joints.get(id)
      return marked ? [{ name: between.map(nameOf).join(' to '), words: `mark: ${marked.mark}` }] : []
    }),
  ]
}

/** What the level requires and is not done, and what is left beyond its limits. Results of before version 3 know no stages of parts, and nobody was asked then to confirm the last steps. */
function readyExceptions(
  speaker: Speaker,
  said: SignedWords,
  { record, results, confirmations }: Pick<ReportDraft, 'record' | 'results' | 'confirmations'>,
): string[] {
  const parts = results.parts.map((part) => ({ ...part, stages: part.stages ?? [] }))
  const scope = results.scope ?? { level: null, counts: null, gate: null, leftOut: null }
  const { exceptions, leftBeyond } = readiness(
    record,
    { ...results, parts, scope },
    new Set((results.version as number) < 3 ? confirmableSteps : confirmations.map(({ step }) => step)),
  )
  return [
    ...exceptions.map((exception) => exceptionWords(speaker, exception)),
    ...leftBeyond.map(({ part, stage, because }) => {
      const at = parts.find(({ id }) => id === part)?.stages.findIndex((of) => of.stage === stage) ?? -1
      const vote = because ? (parts.find(({ id }) => id === part)?.stages[at]?.votes.indexOf(because) ?? -1) : -1
      return say.leftBeyondItsLimits(
        leftBeyondWords(speaker, { part, stage }, said.parts[part]?.stages[at]?.[vote]?.reason ?? ''),
      )
    }),
  ]
}

/** Limits typed in the job or its draft book that no second person has held against the document, or that do not agree with it. */
const unchecked = ({ characteristics, fits }: ReportDraft['record']['book']): string[] =>
  [...characteristics, ...fits].flatMap((of) => {
    const typed = typedLimits(of)
    if (!typed || typed.check?.agrees) return []
    return typed.check ? [say.limitsDoNot(of.name, typed.check.note, typed.check.by)] : [say.limitsTypedNot(of.name, typed.by)]
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
const misclosures = (speaker: Speaker, { record, results }: Pick<ReportDraft, 'record' | 'results'>): string[] =>
  (record.book.crossChecks ?? []).flatMap((spec) => {
    const result = (results.crossChecks ?? []).find(({ id }) => id === spec.id)
    if (result?.standing !== 'disagrees') return []
    const suspects = result.suspects.flatMap((suspect) => {
      const of = record.book.characteristics.find(({ id }) => id === suspect.characteristic)
      return of ? [suspectWords(speaker, suspect, of)] : []
    })
    return [say.lookAgain(crossCheckWords(spec, result, speaker), suspects.join('; '))]
  })

function complaintWords(standing: NonNullable<ReturnType<typeof complaintState>>, book: ReportDraft['record']['book']): string {
  switch (standing.kind) {
    case 'unexplained':
      return say.notExplained
    case 'explained':
      return say.explainedNotYet(findingTitle(book, standing.finding))
    case 'gone':
      return say.explainedGone(findingTitle(book, standing.finding), standing.note, standing.by)
  }
}
