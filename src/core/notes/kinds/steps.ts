import { procedureStages } from '../../book/procedureStages'
import { licensedFieldLabel } from '../../safety/cautions'
import { freshStep, insertAfter } from '../draft'
import { inBrackets } from '../names'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import type { WorkPosition, WorkState } from '../state'
import { clockText, closedSentence, mustNotBeSkipped, placesFor, reopenedWith, stepOf, waitLeftMs } from '../steps'

const unknownStep = (id: string): string => `This job has no step “${id}”.`

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
  words: ({ step, note, licensed }, names) =>
    `Done: ${names.step(step)}${licensed ? `, licensed: ${licensed.name}, ${licensed.licence}` : ''}${inBrackets(note)}`,
}

function refuseDone(body: StepDone, context: EntryContext): string | null {
  const step = stepOf(body.step, context)
  if (!step) return unknownStep(body.step)
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

const stepSkippedShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('stepSkipped'), step: idSchema, reason })
export type StepSkipped = Noting<typeof stepSkippedShape>
export const stepSkipped: NoteKindOf<StepSkipped> = {
  shape: stepSkippedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step: id }, context) => {
    const step = stepOf(id, context)
    if (!step) return unknownStep(id)
    return mustNotBeSkipped(step)
      ? `“${step.name}” ${step.stage === 'makeSafe' ? 'makes the machine safe' : 'is a gate'} and cannot be skipped. If it does not apply to this machine, say so and why; a second person agrees.`
      : null
  },
  apply: ({ step, reason }, noted, draft) => draft.stand(step, { kind: 'skipped', reason, ...noted }),
  words: ({ step, reason }, names) => `Skipped: ${names.step(step)} (${reason})`,
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
    if (!mustNotBeSkipped(step)) return `“${step.name}” may be skipped: say why there.`
    return step.closedBy === null ? null : closedSentence(step)
  },
  apply: ({ step, reason }, noted, draft) => draft.stand(step, { kind: 'notApplicable', reason, agreed: null, ...noted }),
  words: ({ step, reason }, names) => `Does not apply: ${names.step(step)} (${reason})`,
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
    if (standing.kind !== 'notApplicable') return `Nobody says that “${step.name}” does not apply.`
    if (standing.agreed !== null) return `${standing.agreed.by} agreed to that already.`
    return context.author.has(standing.by)
      ? `You said yourself that “${step.name}” does not apply: a second person agrees or does not.`
      : null
  },
  apply: ({ step: id }, noted, draft) => {
    const step = draft.step(id)
    // Nobody is a second person to himself.
    if (step?.standing.kind === 'notApplicable' && step.standing.by !== noted.by)
      step.standing = { ...step.standing, agreed: noted }
  },
  words: ({ step }, names) => `Agreed that it does not apply: ${names.step(step)}`,
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
    return step.standing.kind === 'open' ? `“${step.name}” is open already.` : null
  },
  apply: ({ step: id, reason }, noted, draft) => {
    const step = draft.step(id)
    if (!step) return
    const behind = reopenedWith(draft.steps, step)
    for (const one of [step, ...behind]) {
      const why = one === step ? reason : `“${step.name}” was opened again: ${reason}`
      one.standing = { kind: 'open', reopened: { reason: why, ...noted } }
      one.waitFrom = null
    }
  },
  words: ({ step, reason }, names) => `Opened again: ${names.step(step)} (${reason})`,
}

const stepAddedShape = ({ z, idSchema, nameSchema, words }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('stepAdded'),
    step: idSchema,
    stage: z.enum(procedureStages),
    name: nameSchema,
    text: words(1000),
    after: idSchema.nullable(),
  })
export type StepAdded = Noting<typeof stepAddedShape>
export const stepAdded: NoteKindOf<StepAdded> = {
  shape: stepAddedShape,
  subject: ({ step }) => `step:${step}`,
  refuse: ({ step, after }, context) => {
    if (stepOf(step, context)) return 'A step with this id is there already.'
    return after === null || stepOf(after, context) ? null : `There is no step “${after}” to put it after.`
  },
  apply: ({ step, after, ...added }, _noted, { steps }) => {
    if (steps.some(({ id }) => id === step)) return
    insertAfter(steps, { book: null, ...freshStep({ ...added, id: step }) }, after)
  },
  words: ({ name }) => `Step added: ${name}`,
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
    return placesFor(context.steps, id).includes(after)
      ? null
      : `“${step.name}” cannot go there: a step does not pass a gate or leave its stage.`
  },
  apply: ({ step, after }, _noted, { steps }) => {
    const at = steps.findIndex(({ id }) => id === step)
    const [moved] = at < 0 ? [] : steps.splice(at, 1)
    if (moved) insertAfter(steps, moved, after)
  },
  words: ({ step, after }, names) =>
    `Step moved: ${names.step(step)}${after === null ? ' to the front' : ` after ${names.step(after)}`}`,
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
    if (!step.book?.wait) return `“${step.name}” has no waiting time.`
    return step.closedBy === null ? null : closedSentence(step)
  },
  apply: ({ step: id }, noted, draft) => {
    const step = draft.step(id)
    if (step) step.waitFrom = noted
  },
  words: ({ step }, names) => `Clock started: ${names.step(step)}`,
}
