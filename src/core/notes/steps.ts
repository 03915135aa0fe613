import type { LimitBook } from '../book/bookSchema'
import type { BookStep } from '../book/procedureSchema'
import { type ProcedureStage, procedureStages } from '../book/procedureStages'
import { type Caution, commonCautionList, type LicensedField } from '../safety/cautions'
import type { NoteFault } from './noteFault'
import type { NotedStep, NotesState } from './state'

/** A step of this job in its order, with what keeps it closed. */
export interface JobStep extends NotedStep {
  readonly gate: boolean
  readonly cautions: readonly Caution[]
  /** Field in which a licensed person must sign; null where none is needed. */
  readonly licensed: LicensedField | null
  /** Name of the gate it waits for; null when it is open to work. */
  readonly closedBy: string | null
}

/** Cautions that a step names, the book's own before the common ones of the same id. */
export function cautionsOf(book: LimitBook, step: BookStep | null): Caution[] {
  const known = new Map([...commonCautionList, ...book.cautions].map((caution): [string, Caution] => [caution.id, caution]))
  return (step?.cautions ?? []).flatMap((id) => known.get(id) ?? [])
}

/**
 * The steps of the levels in play, stage by stage. Everything behind a gate that is not done is closed: a gate is
 * never skipped, so only “done”, or two people who agree that it does not apply, opens it.
 */
export function jobSteps(book: LimitBook, noted: NotesState, levels: ReadonlySet<string>): JobStep[] {
  const own = noted.steps.filter((step) => isAddedHere(step) || step.book?.levels.some((level) => levels.has(level)))
  const ordered = procedureStages.flatMap((stage) => own.filter((step) => step.stage === stage))
  let closedBy: string | null = null
  return ordered.map((step) => {
    const cautions = cautionsOf(book, step.book)
    const gate = step.book?.gate ?? false
    const result = {
      ...step,
      gate,
      cautions,
      licensed: cautions.find(({ licensed }) => licensed !== null)?.licensed ?? null,
      closedBy,
    }
    if (gate && !opensTheWay(step)) closedBy ??= step.name
    return result
  })
}

/** It stands in no book: somebody added it in this job, for whatever level counts. */
export const isAddedHere = ({ book }: Pick<NotedStep, 'book'>): boolean => book === null || book.levels.length === 0

/** Done by name, or not applying to this machine in the eyes of two people. */
const opensTheWay = ({ standing }: Pick<NotedStep, 'standing'>): boolean =>
  standing.kind === 'done' || (standing.kind === 'notApplicable' && standing.agreed !== null)

/** Steps that nobody may skip: a gate, and everything that makes the machine safe. */
export const mustNotBeSkipped = ({ stage, gate }: Pick<JobStep, 'stage' | 'gate'>): boolean => gate || stage === 'makeSafe'

/** Nothing more is to be done about it. What makes safe counts as done only when it is, whatever was skipped before that was refused. */
export const isSettled = (step: Pick<JobStep, 'stage' | 'gate' | 'standing'>): boolean =>
  opensTheWay(step) || (step.standing.kind === 'skipped' && !mustNotBeSkipped(step))

export interface StageCount {
  readonly done: number
  readonly of: number
}

/** Steps settled in each stage that has any. */
export function stageCounts(steps: readonly JobStep[]): Partial<Record<ProcedureStage, StageCount>> {
  return Object.fromEntries(
    procedureStages.flatMap((stage) => {
      const own = steps.filter((step) => step.stage === stage)
      const done = own.filter(isSettled).length
      return own.length > 0 ? [[stage, { done, of: own.length }]] : []
    }),
  )
}

/** Milliseconds that a waiting step still has to wait; null when it has no waiting or it has not begun. */
export function waitLeftMs(step: Pick<NotedStep, 'book' | 'waitFrom'>, nowMs: number): number | null {
  if (!step.book?.wait || step.waitFrom === null) return null
  return Math.max(0, Date.parse(step.waitFrom.at) + step.book.wait.minutes * 60_000 - nowMs)
}

/**
 * Where a step may be put within its stage: after which ids. A step does not pass a gate, and a gate does not move.
 */
export function placesFor(steps: readonly JobStep[], id: string): readonly (string | null)[] {
  const at = steps.findIndex((step) => step.id === id)
  const step = steps[at]
  if (!step || step.gate) return []
  const sameRun = (from: number, by: 1 | -1): number => {
    let index = from
    for (;;) {
      const next = steps[index + by]
      if (!next || next.gate || next.stage !== step.stage) return index
      index += by
    }
  }
  const first = sameRun(at, -1)
  const last = sameRun(at, 1)
  const before = steps[first - 1]
  const anchors: (string | null)[] = [before?.stage === step.stage ? before.id : null]
  for (let index = first; index <= last; index += 1) if (index !== at) anchors.push(steps[index]?.id ?? null)
  return anchors
}

/**
 * What was confirmed behind a gate of making safe holds only as long as the gate: the machine may have moved, filled or
 * been live meanwhile. These steps open again with it, and their clocks begin anew.
 */
export const reopenedWith = <T extends Pick<NotedStep, 'id' | 'book' | 'stage' | 'standing'>>(
  steps: readonly T[],
  gate: Pick<NotedStep, 'id' | 'book' | 'stage'>,
): T[] =>
  gate.stage === 'makeSafe' && gate.book?.gate
    ? steps
        .slice(steps.findIndex(({ id }) => id === gate.id) + 1)
        .filter(({ stage, standing }) => stage === 'makeSafe' && standing.kind === 'done')
    : []

/** A step of a job by its id. */
export const stepOf = (id: string, { steps }: { readonly steps: readonly JobStep[] }): JobStep | undefined =>
  steps.find((step) => step.id === id)

export const closedFault = ({ name, closedBy }: JobStep): NoteFault => ({ code: 'closed', step: name, until: closedBy ?? '' })
