import { phases, stops } from '../../book/phases'
import type { BookStep } from '../../book/procedureSchema'
import { freshStep, insertAfter } from '../draft'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import { settingsBefore } from '../settingsBefore'
import type { Noting } from '../shapes'
import type { NotedPosition, NotesState } from '../state'
import { closedFault, mustNotBeSkipped, placesFor, reopenedWith, stepOf, waitLeftMs } from '../steps'
import { stillInside } from '../stripFaults'
import { firstOf, unknownCaution, unknownCharacteristic, unknownPosition } from '../unknown'

const unknownStep = (id: string): NoteFault => ({ code: 'noStep', id })

const stepDoneShape = ({ z, idSchema, nameSchema, words }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('stepDone'),
    step: idSchema,
    note: words(400),
    /** Who is licensed, where the step asks for it: name and licence as shown. */
    licensed: z.strictObject({ name: nameSchema, licence: z.string().trim().min(1).max(60) }).nullable(),
  })
export type StepDone = Noting<typeof stepDoneShape>
export const stepDone: NoteKindOf<StepDone> = {
  shape: stepDoneShape,
  subject: ({ step }) => `step:${step}`,
  refuse: refuseDone,
  apply: ({ step, note, licensed }, noted, draft) => draft.stand(step, { kind: 'done', note, licensed, ...noted }),
}

function refuseDone(body: StepDone, context: EntryContext): NoteFault | null {
  const step = stepOf(body.step, context)
  if (!step) return unknownStep(body.step)
  if (step.closedBy !== null) return closedFault(step)
  if (step.book?.wait) {
    const left = waitLeftMs(step, context.nowMs)
    if (left === null)
      return { code: 'waitNotStarted', step: step.name, minutes: step.book.wait.minutes, waitsFor: step.book.wait.for }
    if (left > 0) return { code: 'stillWaiting', step: step.name, leftMs: left, waitsFor: step.book.wait.for }
  }
  if (step.licensed !== null && body.licensed === null) return { code: 'needsLicence', step: step.name, field: step.licensed }
  const inside = step.phase === 'prove' ? stillInside(context.noted).map(({ name }) => name) : []
  if (inside.length > 0) return { code: 'stillInside', step: step.name, things: inside }
  const waiting = settingsBefore(step, context.steps, context.settings).map(({ name }) => name)
  if (waiting.length > 0) return { code: 'notSet', step: step.name, things: waiting }
  const lost = (step.book?.destroys ?? []).flatMap((id) => context.noted.positions.find((position) => position.id === id) ?? [])
  const unsaved = lost.find((position) => !hasEvidence(position, context.noted))
  return unsaved ? { code: 'destroysEvidence', step: step.name, position: unsaved.name } : null
}

const hasEvidence = (position: NotedPosition, noted: NotesState): boolean =>
  position.thickness !== null ||
  position.identity !== null ||
  noted.pictures.some(({ subject }) => subject.kind === 'position' && subject.id === position.id)

const stepSkippedShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepSkipped'), step: idSchema, reason })
export type StepSkipped = Noting<typeof stepSkippedShape>
export const stepSkipped: NoteKindOf<StepSkipped> = {
  shape: stepSkippedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    return mustNotBeSkipped(step) ? { code: 'mustNotBeSkipped', step: step.name, makesSafe: step.phase === 'makeSafe' } : null
  },
  apply: ({ step, reason }, noted, draft) => draft.stand(step, { kind: 'skipped', reason, ...noted }),
}

/** A step that cannot be skipped does not apply to this machine; a second person agrees. */
const stepNotApplicableShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepNotApplicable'), step: idSchema, reason })
export type StepNotApplicable = Noting<typeof stepNotApplicableShape>
export const stepNotApplicable: NoteKindOf<StepNotApplicable> = {
  shape: stepNotApplicableShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    if (!mustNotBeSkipped(step)) return { code: 'mayBeSkipped', step: step.name }
    return step.closedBy === null ? null : closedFault(step)
  },
  apply: ({ step, reason }, noted, draft) => draft.stand(step, { kind: 'notApplicable', reason, agreed: null, ...noted }),
}

const stepNotApplicableAgreedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepNotApplicableAgreed'), step: idSchema })
export type StepNotApplicableAgreed = Noting<typeof stepNotApplicableAgreedShape>
export const stepNotApplicableAgreed: NoteKindOf<StepNotApplicableAgreed> = {
  shape: stepNotApplicableAgreedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    const { standing } = step
    if (standing.kind !== 'notApplicable') return { code: 'nobodySaysSo', step: step.name }
    if (standing.agreed !== null) return { code: 'agreedAlready', by: standing.agreed.by }
    return context.author.has(standing.by) ? { code: 'saidYourself', step: step.name } : null
  },
  apply: ({ step: id }, noted, draft) => {
    const step = draft.step(id)
    // Nobody is a second person to himself.
    if (step?.standing.kind === 'notApplicable' && step.standing.by !== noted.by)
      step.standing = { ...step.standing, agreed: noted }
  },
}

const stepReopenedShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepReopened'), step: idSchema, reason })
export type StepReopened = Noting<typeof stepReopenedShape>
export const stepReopened: NoteKindOf<StepReopened> = {
  shape: stepReopenedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    return step.standing.kind === 'open' ? { code: 'openAlready', step: step.name } : null
  },
  apply: ({ step: id, reason }, noted, draft) => {
    const step = draft.step(id)
    if (!step) return
    const behind = reopenedWith(draft.steps, step)
    for (const one of [step, ...behind]) {
      one.standing = { kind: 'open', reopened: { reason, with: one === step ? null : step.name, ...noted } }
      one.waitFrom = null
    }
  },
}

const stepAddedShape = ({ z, idSchema, nameSchema, words }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('stepAdded'),
    step: idSchema,
    phase: z.enum(phases),
    name: nameSchema,
    text: words(1000),
    after: idSchema.nullable(),
    /** What it has beyond its words, where anything of it was said. */
    has: z
      .strictObject({
        cautions: z.array(idSchema).max(20),
        holdPoint: z.boolean(),
        wait: z.strictObject({ minutes: z.int().min(1).max(10_000), for: nameSchema }).nullable(),
        stop: z.strictObject({ at: z.enum(stops), text: nameSchema }).nullable(),
        removes: z.array(idSchema).max(100),
        measures: z.array(idSchema).max(100),
      })
      .optional(),
  })
export type StepAdded = Noting<typeof stepAddedShape>

/** A step with everything a book's own may have; it belongs to every level. */
const stepWith = (
  id: string,
  { phase, name, text }: Pick<StepAdded, 'phase' | 'name' | 'text'>,
  { stop, ...has }: NonNullable<StepAdded['has']>,
): BookStep => ({
  id,
  phase,
  name,
  text,
  levels: [],
  holdPoint: has.holdPoint,
  wait: has.wait,
  cautions: [...has.cautions],
  removes: [...has.removes],
  measures: [...has.measures],
  destroys: [],
  ...(stop ? { stop } : {}),
  source: null,
})
export const stepAdded: NoteKindOf<StepAdded> = {
  shape: stepAddedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step, after, has }, context) => {
    if (stepOf(step, context)) return { code: 'stepIdTaken' }
    const unknown =
      firstOf(has?.removes ?? [], (id) => unknownPosition(id, context)) ??
      firstOf(has?.measures ?? [], (id) => unknownCharacteristic(id, context)) ??
      firstOf(has?.cautions ?? [], (id) => unknownCaution(id, context))
    if (unknown) return unknown
    return after === null || stepOf(after, context) ? null : { code: 'noStepBefore', id: after }
  },
  apply: ({ step, after, has, ...added }, _noted, { steps }) => {
    if (steps.some(({ id }) => id === step)) return
    const book = has ? stepWith(step, added, has) : null
    insertAfter(steps, { book, ...freshStep({ ...added, id: step }) }, after)
  },
}

const stepMovedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepMoved'), step: idSchema, after: idSchema.nullable() })
export type StepMoved = Noting<typeof stepMovedShape>
export const stepMoved: NoteKindOf<StepMoved> = {
  shape: stepMovedShape,
  subject: ({ step }) => `order:${step}`,
  refuse: ({ step: id, after }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    return placesFor(context.steps, id).includes(after) ? null : { code: 'notThere', step: step.name }
  },
  apply: ({ step, after }, _noted, { steps }) => {
    const at = steps.findIndex(({ id }) => id === step)
    const [moved] = at < 0 ? [] : steps.splice(at, 1)
    if (moved) insertAfter(steps, moved, after)
  },
}

const waitStartedShape = ({ z, idSchema }: NoteShaping) => z.strictObject({ kind: z.literal('waitStarted'), step: idSchema })
export type WaitStarted = Noting<typeof waitStartedShape>
export const waitStarted: NoteKindOf<WaitStarted> = {
  shape: waitStartedShape,
  subject: ({ step }) => `wait:${step}`,
  addsUp: true,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    if (!step.book?.wait) return { code: 'noWait', step: step.name }
    return step.closedBy === null ? null : closedFault(step)
  },
  apply: ({ step: id }, noted, draft) => {
    const step = draft.step(id)
    if (step) step.waitFrom = noted
  },
}
