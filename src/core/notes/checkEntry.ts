import { cycleIn } from '../base/cyclic'
import type { LimitBook } from '../book/bookSchema'
import { elementCount } from '../condition/damagePattern'
import { needsOf } from '../method/needs'
import { unitLabel } from '../quantity/format'
import { explainQuantityFault, parseQuantity } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import { licensedFieldLabel } from '../safety/cautions'
import type { EntryBody } from './entrySchema'
import { standingFindings, type WorkPosition, type WorkState } from './fold'
import { parseThreadPitch } from './identity'
import { clockText, isSettled, type JobStep, mustNotBeSkipped, placesFor, waitLeftMs } from './steps'
import { refuseTyped, type Typed } from './typedBook'

export interface EntryContext {
  readonly book: LimitBook
  readonly work: WorkState
  readonly steps: readonly JobStep[]
  readonly planItems: ReadonlySet<string>
  readonly system: UnitSystem
  readonly nowMs: number
  /** Making safe was confirmed as a whole, where the book has no steps for it. */
  readonly confirmedSafe: boolean
  /** Every name under which who writes has noted anything in this job: nobody checks what they typed themselves. */
  readonly author: ReadonlySet<string>
  /** What is typed in this job so far. */
  readonly typed: readonly Typed[]
  /** Readings of the job by id, with the characteristic they belong to. */
  readonly readings: ReadonlyMap<string, string>
}

/**
 * One sentence why an entry cannot be taken as things stand: it names something this job does not have, or a gate, a
 * wait, a licence or saved evidence stands before it. Null when it can be.
 */
export function refuseEntry(body: EntryBody, context: EntryContext): string | null {
  const { book, work } = context
  const position = (id: string): WorkPosition | undefined => work.positions.find((candidate) => candidate.id === id)
  const noPosition = (id: string): string | null =>
    position(id) ? null : `This machine has no position “${id}”. Reload the page; the part may belong to another job.`
  const noPart = (id: string): string | null =>
    book.parts.some((part) => part.id === id) ? null : `The limit book has no part “${id}”.`
  const noCharacteristic = (id: string): string | null =>
    book.characteristics.some((item) => item.id === id) ? null : `The limit book has no characteristic “${id}”.`
  const noFinding = (id: string): string | null =>
    standingFindings(work).some((finding) => finding.id === id) ? null : 'That finding is not on record, or was withdrawn.'
  switch (body.kind) {
    case 'planTicked':
      return context.planItems.has(body.item) ? null : `The plan of this level has no line “${body.item}”.`
    case 'stepDone':
      return refuseDone(body, context)
    case 'stepSkipped':
    case 'stepNotApplicable':
    case 'stepNotApplicableAgreed':
    case 'stepReopened':
    case 'waitStarted':
    case 'stepMoved':
      return refuseStep(body, context)
    case 'stepAdded':
      if (context.steps.some(({ id }) => id === body.step)) return 'A step with this id is there already.'
      return body.after === null || context.steps.some(({ id }) => id === body.after)
        ? null
        : `There is no step “${body.after}” to put it after.`
    case 'tagWritten':
      return noPosition(body.position) ?? firstOf(body.tag.keptWith, noPosition)
    case 'laidOut':
      return (
        noPosition(body.position) ??
        (body.after === null ? null : noPosition(body.after)) ??
        closedForStripping(body.position, context)
      )
    case 'putBack':
    case 'thicknessTaken':
    case 'identified':
      return noPosition(body.position) ?? refuseSizes(body, context)
    case 'positionAdded':
      if (position(body.position)) return 'A position with this id is there already.'
      return body.parent === null ? null : noPosition(body.parent)
    case 'positionMoved':
      return noPosition(body.position) ?? (body.parent === null ? null : noPosition(body.parent)) ?? refuseCycle(body, work)
    case 'jointMarked':
      return book.joints.some(({ id }) => id === body.joint) ? null : `The limit book has no joint “${body.joint}”.`
    case 'putIn':
      return null
    case 'takenOut': {
      const thing = work.temporaries.find(({ id }) => id === body.temporary)
      if (!thing) return 'That was never counted in. Count it in first.'
      return body.count <= thing.inside ? null : `Only ${thing.inside} of “${thing.name}” went in; ${body.count} cannot come out.`
    }
    case 'lookedAt':
      return noPart(body.part)
    case 'findingRecorded':
      return noPart(body.value.part) ?? refusePlace(body, book)
    case 'findingWithdrawn':
    case 'causeRecorded':
      return noFinding(body.finding)
    case 'measurementPlanned':
      return noCharacteristic(body.characteristic) ?? noFinding(body.finding)
    case 'patternRecorded':
      return refusePattern(body, book)
    case 'handTested':
      if (!book.handTests.some(({ id }) => id === body.test)) return `The limit book has no hand test “${body.test}”.`
      return body.finding === null ? null : noFinding(body.finding)
    case 'pictureAdded':
      return refuseSubject(body.subject, context, noPosition, noPart, noFinding)
    case 'pictureMarked':
    case 'pictureRemoved':
      return work.pictures.some(({ id }) => id === body.picture) ? null : 'That picture is not in this job.'
    case 'characteristicTyped':
      return refuseTyping(body, context)
    case 'characteristicDropped':
      return refuseDropping(body.characteristic, context)
    case 'limitsChecked':
      return refuseCheck(body, context)
    case 'readingNoted':
      return context.readings.has(body.reading) ? null : 'That reading is not in this job. Reload the page.'
    case 'complaintExplained':
      return body.finding === null ? null : noFinding(body.finding)
    case 'complaintGone':
      return work.complaint.explained === null
        ? 'Name the finding that explains the complaint first; then say how it was proved gone.'
        : null
  }
}

const firstOf = (ids: readonly string[], check: (id: string) => string | null): string | null =>
  ids.map(check).find((sentence) => sentence !== null) ?? null

const stepOf = (id: string, { steps }: EntryContext): JobStep | undefined => steps.find((step) => step.id === id)
const closedSentence = (step: JobStep): string => `“${step.name}” stays closed until “${step.closedBy}” is done.`

function refuseDone(body: Extract<EntryBody, { kind: 'stepDone' }>, context: EntryContext): string | null {
  const step = stepOf(body.step, context)
  if (!step) return `This job has no step “${body.step}”.`
  if (step.closedBy !== null) return closedSentence(step)
  if (step.book?.wait) {
    const left = waitLeftMs(step, context.nowMs)
    if (left === null) return `“${step.name}” waits ${step.book.wait.minutes} min: ${step.book.wait.for}. Start the clock first.`
    if (left > 0) return `“${step.name}”: ${clockText(left)} still to wait (${step.book.wait.for}).`
  }
  if (step.licensed !== null && body.licensed === null)
    return `“${step.name}” needs a licensed person (${licensedFieldLabel[step.licensed]}): give name and licence.`
  const lost = (step.book?.destroys ?? []).flatMap((id) => context.work.positions.find((position) => position.id === id) ?? [])
  const unsaved = lost.find((position) => !hasEvidence(position, context.work))
  return unsaved
    ? `“${step.name}” destroys ${unsaved.name}. Save its evidence first: a picture, its thickness or its sizes.`
    : null
}

const hasEvidence = (position: WorkPosition, work: WorkState): boolean =>
  position.thickness !== null ||
  position.identity !== null ||
  work.pictures.some(({ subject }) => subject.kind === 'position' && subject.id === position.id)

function refuseStep(
  body: Extract<
    EntryBody,
    { kind: 'stepSkipped' | 'stepNotApplicable' | 'stepNotApplicableAgreed' | 'stepReopened' | 'waitStarted' | 'stepMoved' }
  >,
  context: EntryContext,
): string | null {
  const step = stepOf(body.step, context)
  if (!step) return `This job has no step “${body.step}”.`
  switch (body.kind) {
    case 'stepSkipped':
      return mustNotBeSkipped(step)
        ? `“${step.name}” ${step.stage === 'makeSafe' ? 'makes the machine safe' : 'is a gate'} and cannot be skipped. If it does not apply to this machine, say so and why; a second person agrees.`
        : null
    case 'stepNotApplicable':
      if (!mustNotBeSkipped(step)) return `“${step.name}” may be skipped: say why there.`
      return step.closedBy === null ? null : closedSentence(step)
    case 'stepNotApplicableAgreed': {
      const { standing } = step
      if (standing.kind !== 'notApplicable') return `Nobody says that “${step.name}” does not apply.`
      if (standing.agreed !== null) return `${standing.agreed.by} agreed to that already.`
      return context.author.has(standing.by)
        ? `You said yourself that “${step.name}” does not apply: a second person agrees or does not.`
        : null
    }
    case 'stepReopened':
      return step.standing.kind === 'open' ? `“${step.name}” is open already.` : null
    case 'waitStarted':
      if (!step.book?.wait) return `“${step.name}” has no waiting time.`
      return step.closedBy === null ? null : closedSentence(step)
    case 'stepMoved':
      return placesFor(context.steps, body.step).includes(body.after)
        ? null
        : `“${step.name}” cannot go there: a step does not pass a gate or leave its stage.`
  }
}

/** Nothing is taken out of a machine before it is safe, as nothing is measured on it. */
function closedForStripping(position: string, { steps, confirmedSafe }: EntryContext): string | null {
  const making = steps.filter(({ stage }) => stage === 'makeSafe')
  const closed = confirmedSafe ? undefined : making.find((step) => !isSettled(step))
  if (closed) return `Nothing is taken out before “${closed.name}” is done.`
  if (making.length === 0 && !confirmedSafe) return 'Nothing is taken out before the machine is safe. Confirm “Make safe” first.'
  const step = steps.find(({ book }) => book?.removes.includes(position))
  return step && step.closedBy !== null ? closedSentence(step) : null
}

function refuseSizes(
  body: Extract<EntryBody, { kind: 'putBack' | 'thicknessTaken' | 'identified' }>,
  { system }: EntryContext,
): string | null {
  const defaultUnit = unitLabel(system) as 'mm' | 'in'
  const length = (text: string): string | null => {
    const parsed = parseQuantity(text, 'length', defaultUnit)
    if (!parsed.ok) return explainQuantityFault(parsed.fault)
    return parsed.value.value > 0 ? null : `“${text}” is no size: it must be more than nothing.`
  }
  if (body.kind === 'putBack') return null
  if (body.kind === 'thicknessTaken') return length(body.text)
  const { sizes } = body
  switch (sizes.kind) {
    case 'bearing':
      return firstOf([sizes.bore, sizes.outside, sizes.width], length)
    case 'seal':
      return firstOf([sizes.shaft, sizes.outside, sizes.width], length)
    case 'thread':
      return (
        length(sizes.diameter) ??
        (parseThreadPitch(sizes.pitch, defaultUnit).ok
          ? null
          : `“${sizes.pitch}” is no pitch: type mm, inches, or threads per inch as “12 tpi”.`)
      )
  }
}

function refuseCycle(body: Extract<EntryBody, { kind: 'positionMoved' }>, work: WorkState): string | null {
  const moved = work.positions.map(({ id, parent }) => ({ id, parent: id === body.position ? body.parent : parent }))
  const cycle = cycleIn(moved)
  const name = (id: string): string => work.positions.find((position) => position.id === id)?.name ?? id
  return cycle ? `A part cannot sit inside itself: ${cycle.map(name).join(' in ')}. Nothing was moved.` : null
}

function refusePlace({ value }: Extract<EntryBody, { kind: 'findingRecorded' }>, book: LimitBook): string | null {
  if (value.station === null) return null
  const stations = book.positions.filter(({ part }) => part === value.part).flatMap((position) => position.stations)
  return stations.some(({ id }) => id === value.station) ? null : `The part has no station “${value.station}”.`
}

function refusePattern(body: Extract<EntryBody, { kind: 'patternRecorded' }>, book: LimitBook): string | null {
  const pattern = book.patterns.find(({ id }) => id === body.pattern)
  if (!pattern) return `The limit book has no pattern “${body.pattern}”.`
  const count = elementCount(pattern.arrangement)
  if (body.elements.some(({ element }) => element > count)) return `${pattern.name} has ${count} elements, no more.`
  return new Set(body.elements.map(({ element }) => element)).size === body.elements.length
    ? null
    : `${pattern.name}: an element is named twice.`
}

function refuseSubject(
  subject: Extract<EntryBody, { kind: 'pictureAdded' }>['subject'],
  context: EntryContext,
  noPosition: (id: string) => string | null,
  noPart: (id: string) => string | null,
  noFinding: (id: string) => string | null,
): string | null {
  switch (subject.kind) {
    case 'step':
      return stepOf(subject.id, context) ? null : `This job has no step “${subject.id}”.`
    case 'position':
      return noPosition(subject.id)
    case 'part':
      return noPart(subject.id)
    case 'finding':
      return noFinding(subject.id)
  }
}

const isMeasured = (characteristic: string, { readings }: EntryContext): boolean =>
  [...readings.values()].includes(characteristic)

function refuseTyping(body: Extract<EntryBody, { kind: 'characteristicTyped' }>, context: EntryContext): string | null {
  const before = context.typed.find(({ id }) => id === body.characteristic)
  if (
    before &&
    isMeasured(body.characteristic, context) &&
    JSON.stringify(before.value.method) !== JSON.stringify(body.value.method)
  )
    return `${before.value.name} is read by its method already, so the method stays. Type another characteristic for another method.`
  return refuseTyped(body.characteristic, body.value, context.book, context.system)
}

function refuseDropping(id: string, context: EntryContext): string | null {
  const typed = context.typed.find((candidate) => candidate.id === id)
  if (!typed) return 'This characteristic is not one that was typed in this job.'
  if (isMeasured(id, context)) return `${typed.value.name} has readings, so it stays. Mark what cannot be measured, and say why.`
  const user = context.typed.find(({ value: { method } }) => needsOf(method).includes(id))
  return user ? `${user.value.name} is computed from it, so it stays.` : null
}

function refuseCheck(body: Extract<EntryBody, { kind: 'limitsChecked' }>, context: EntryContext): string | null {
  const typed = context.typed.find(({ id }) => id === body.characteristic)
  if (!typed) return 'This characteristic is not one that was typed in this job.'
  if (typed.entry !== body.of) return `${typed.value.name} was typed anew meanwhile. Look at it again.`
  if (context.author.has(typed.by))
    return `You typed ${typed.value.name} yourself: a second person holds it against the document.`
  return !body.agrees && body.note.length < 3 ? 'Say what does not agree with the document.' : null
}
