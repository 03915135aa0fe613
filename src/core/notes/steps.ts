import type { LimitBook } from '../book/bookSchema'
import { type Phase, phases } from '../book/phases'
import type { BookStep } from '../book/procedureSchema'
import { type Caution, commonCautionList, type LicensedField } from '../safety/cautions'
import type { NoteFault } from './noteFault'
import type { NotedStep, NotesState } from './state'

/** A step of this job in its order, with what keeps it closed. */
export interface JobStep extends NotedStep {
  readonly holdPoint: boolean
  readonly cautions: readonly Caution[]
  /** Field in which a licensed person must sign; null where none is needed. */
  readonly licensed: LicensedField | null
  /** Name of the hold point it waits for; null when it is open to work. */
  readonly closedBy: string | null
}

/** Cautions that a step names, the book's own before the common ones of the same id. */
export function cautionsOf(book: LimitBook, step: BookStep | null): Caution[] {
  const known = new Map([...commonCautionList, ...book.cautions].map((caution): [string, Caution] => [caution.id, caution]))
  return (step?.cautions ?? []).flatMap((id) => known.get(id) ?? [])
}

/**
 * The steps of the levels in play, phase by phase. Everything behind a hold point that is not done is closed: it is
 * never skipped, so only “done”, or two people who agree that it does not apply, opens it.
 */
export function jobSteps(book: LimitBook, noted: NotesState, levels: ReadonlySet<string>): JobStep[] {
  const own = noted.steps.filter((step) => isAddedHere(step) || step.book?.levels.some((level) => levels.has(level)))
  const ordered = phases.flatMap((phase) => own.filter((step) => step.phase === phase))
  let closedBy: string | null = null
  return ordered.map((step) => {
    const cautions = cautionsOf(book, step.book)
    const holdPoint = step.book?.holdPoint ?? false
    const result = {
      ...step,
      holdPoint,
      cautions,
      licensed: cautions.find(({ licensed }) => licensed !== null)?.licensed ?? null,
      closedBy,
    }
    if (holdPoint && !opensTheWay(step)) closedBy ??= step.name
    return result
  })
}

/** It stands in no book: somebody added it in this job, for whatever level counts. */
export const isAddedHere = ({ book }: Pick<NotedStep, 'book'>): boolean => book === null || book.levels.length === 0

/** Done by name, or not applying to this machine in the eyes of two people. */
const opensTheWay = ({ standing }: Pick<NotedStep, 'standing'>): boolean =>
  standing.kind === 'done' || (standing.kind === 'notApplicable' && standing.agreed !== null)

/** Steps that nobody may skip: a hold point, and everything that makes the machine safe. */
export const mustNotBeSkipped = ({ phase, holdPoint }: Pick<JobStep, 'phase' | 'holdPoint'>): boolean =>
  holdPoint || phase === 'makeSafe'

/** Nothing more is to be done about it. What makes safe counts as done only when it is, whatever was skipped before that was refused. */
export const isSettled = (step: Pick<JobStep, 'phase' | 'holdPoint' | 'standing'>): boolean =>
  opensTheWay(step) || (step.standing.kind === 'skipped' && !mustNotBeSkipped(step))

export interface PhaseCount {
  readonly done: number
  readonly of: number
}

/** Steps settled in each phase that has any. */
export function phaseCounts(steps: readonly JobStep[]): Partial<Record<Phase, PhaseCount>> {
  return Object.fromEntries(
    phases.flatMap((phase) => {
      const own = steps.filter((step) => step.phase === phase)
      const done = own.filter(isSettled).length
      return own.length > 0 ? [[phase, { done, of: own.length }]] : []
    }),
  )
}

/** Milliseconds that a waiting step still has to wait; null when it has no waiting or it has not begun. */
export function waitLeftMs(step: Pick<NotedStep, 'book' | 'waitFrom'>, nowMs: number): number | null {
  if (!step.book?.wait || step.waitFrom === null) return null
  return Math.max(0, Date.parse(step.waitFrom.at) + step.book.wait.minutes * 60_000 - nowMs)
}

/**
 * Where a step may be put within its phase: after which ids. A step does not pass a hold point, and a hold point does not move.
 */
export function placesFor(steps: readonly JobStep[], id: string): readonly (string | null)[] {
  const at = steps.findIndex((step) => step.id === id)
  const step = steps[at]
  if (!step || step.holdPoint) return []
  const sameRun = (from: number, by: 1 | -1): number => {
    let index = from
    for (;;) {
      const next = steps[index + by]
      if (!next || next.holdPoint || next.phase !== step.phase) return index
      index += by
    }
  }
  const first = sameRun(at, -1)
  const last = sameRun(at, 1)
  const before = steps[first - 1]
  const anchors: (string | null)[] = [before?.phase === step.phase ? before.id : null]
  for (let index = first; index <= last; index += 1) if (index !== at) anchors.push(steps[index]?.id ?? null)
  return anchors
}

/**
 * What was confirmed behind a hold point of making safe holds only as long as it: the machine may have moved, filled or
 * been live meanwhile. These steps open again with it, and their clocks begin anew.
 */
export const reopenedWith = <T extends Pick<NotedStep, 'id' | 'book' | 'phase' | 'standing'>>(
  steps: readonly T[],
  point: Pick<NotedStep, 'id' | 'book' | 'phase'>,
): T[] =>
  point.phase === 'makeSafe' && point.book?.holdPoint
    ? steps
        .slice(steps.findIndex(({ id }) => id === point.id) + 1)
        .filter(({ phase, standing }) => phase === 'makeSafe' && standing.kind === 'done')
    : []

/** A step of a job by its id. */
export const stepOf = (id: string, { steps }: { readonly steps: readonly JobStep[] }): JobStep | undefined =>
  steps.find((step) => step.id === id)

export const closedFault = ({ name, closedBy }: JobStep): NoteFault => ({ code: 'closed', step: name, until: closedBy ?? '' })
