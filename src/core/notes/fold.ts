import type { LimitBook } from '../book/bookSchema'
import type { BookPosition, BookStep } from '../book/procedureSchema'
import type { ProcedureStage } from '../book/procedureStages'
import type { ElementState } from '../condition/damagePattern'
import type { CauseFamily } from '../condition/findingKinds'
import type { Entry, EntryBody, FindingValue, IdentitySizes, PictureMark, PictureSubject, Tag } from './entrySchema'

/** Who noted something, and when. */
export interface Noted {
  readonly by: string
  readonly at: string
}

export type StepStandingNow =
  | { readonly kind: 'open'; readonly reopened: (Noted & { readonly reason: string }) | null }
  | ({
      readonly kind: 'done'
      readonly note: string
      readonly licensed: { readonly name: string; readonly licence: string } | null
    } & Noted)
  | ({ readonly kind: 'skipped'; readonly reason: string } & Noted)
  /** It does not apply to this machine: counts as done once a second person agrees. */
  | ({ readonly kind: 'notApplicable'; readonly reason: string; readonly agreed: Noted | null } & Noted)

/** A step of the procedure: the book's, or one this job added. */
export interface WorkStep {
  readonly book: BookStep | null
  readonly id: string
  readonly stage: ProcedureStage
  readonly name: string
  readonly text: string
  readonly standing: StepStandingNow
  /** When its waiting began; null before. */
  readonly waitFrom: Noted | null
}

/** A position of the machine: the book's, or one found on this machine. */
export interface WorkPosition {
  readonly book: BookPosition | null
  readonly id: string
  readonly name: string
  readonly parent: string | null
  readonly count: number
  readonly tag: (Tag & Noted) | null
  /** Where it lies since it came out; null while it is in the machine. */
  readonly tray: string | null
  readonly thickness: ({ readonly text: string } & Noted) | null
  readonly identity: ({ readonly sizes: IdentitySizes } & Noted) | null
}

export interface Finding extends FindingValue, Noted {
  readonly id: string
  readonly withdrawn: (Noted & { readonly reason: string }) | null
  readonly cause: (Noted & { readonly family: CauseFamily; readonly text: string }) | null
}

export interface Picture extends Noted {
  readonly id: string
  readonly subject: PictureSubject
  readonly caption: string
  readonly width: number
  readonly height: number
  readonly marks: readonly PictureMark[]
}

export interface Temporary {
  readonly id: string
  readonly name: string
  readonly where: string
  readonly inside: number
  readonly last: Noted
}

/** Where everything stands that was noted in a job. */
export interface WorkState {
  readonly plan: ReadonlyMap<string, { readonly state: 'open' | 'there' | 'missing' } & Noted>
  /** Steps of every level in their order; which of them count, the level says. */
  readonly steps: readonly WorkStep[]
  readonly positions: readonly WorkPosition[]
  /** Trays in the order they were begun, each with its parts in order of removal. */
  readonly trays: readonly { readonly name: string; readonly positions: readonly string[] }[]
  readonly joints: ReadonlyMap<string, { readonly mark: string } & Noted>
  readonly temporaries: readonly Temporary[]
  /** Parts that were looked at and nothing was found on, with who looked last. */
  readonly lookedAt: ReadonlyMap<string, { readonly note: string } & Noted>
  readonly findings: readonly Finding[]
  readonly patterns: ReadonlyMap<string, { readonly states: ReadonlyMap<number, ElementState> } & Noted>
  readonly handTests: ReadonlyMap<string, { readonly finding: string | null; readonly note: string } & Noted>
  /** Characteristics that findings asked to be measured, with the finding. */
  readonly planned: ReadonlyMap<string, { readonly finding: string } & Noted>
  readonly pictures: readonly Picture[]
  /** Notes at readings, by the reading's id. */
  readonly readingNotes: ReadonlyMap<string, { readonly note: string } & Noted>
  readonly complaint: {
    readonly explained: ({ readonly finding: string } & Noted) | null
    readonly gone: ({ readonly note: string } & Noted) | null
  }
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] }

/**
 * What was confirmed behind a gate of making safe holds only as long as the gate: the machine may have moved, filled or
 * been live meanwhile. These steps open again with it, and their clocks begin anew.
 */
export const reopenedWith = <T extends Pick<WorkStep, 'id' | 'book' | 'stage' | 'standing'>>(
  steps: readonly T[],
  gate: Pick<WorkStep, 'id' | 'book' | 'stage'>,
): T[] =>
  gate.stage === 'makeSafe' && gate.book?.gate
    ? steps
        .slice(steps.findIndex(({ id }) => id === gate.id) + 1)
        .filter(({ stage, standing }) => stage === 'makeSafe' && standing.kind === 'done')
    : []

/** Works out where a job stands from its book and its entries, in order. An entry about nothing known changes nothing. */
export function foldWork(book: LimitBook, entries: readonly Entry[]): WorkState {
  const plan = new Map<string, { state: 'open' | 'there' | 'missing' } & Noted>()
  const steps: Mutable<WorkStep>[] = book.procedure.map((step) => ({
    book: step,
    id: step.id,
    stage: step.stage,
    name: step.name,
    text: step.text,
    standing: { kind: 'open', reopened: null },
    waitFrom: null,
  }))
  const positions = new Map<string, Mutable<WorkPosition>>(
    book.positions.map((position) => [
      position.id,
      freshPosition(position.id, position.name, position.parent, position.count, position),
    ]),
  )
  const trays = new Map<string, string[]>()
  const joints = new Map<string, { mark: string } & Noted>()
  const temporaries = new Map<string, Mutable<Temporary>>()
  const lookedAt = new Map<string, { note: string } & Noted>()
  const findings = new Map<string, Mutable<Finding>>()
  const patterns = new Map<string, { states: ReadonlyMap<number, ElementState> } & Noted>()
  const handTests = new Map<string, { finding: string | null; note: string } & Noted>()
  const planned = new Map<string, { finding: string } & Noted>()
  const pictures = new Map<string, Mutable<Picture>>()
  const readingNotes = new Map<string, { note: string } & Noted>()
  const complaint: Mutable<WorkState['complaint']> = { explained: null, gone: null }

  const takeOutOfTray = (position: string): void => {
    for (const [name, list] of trays) {
      const kept = list.filter((id) => id !== position)
      if (kept.length === list.length) continue
      if (kept.length === 0) trays.delete(name)
      else trays.set(name, kept)
    }
  }
  const stand = (id: string, standing: StepStandingNow): void => {
    const step = steps.find((candidate) => candidate.id === id)
    if (step) step.standing = standing
  }

  const apply = (body: EntryBody, noted: Noted): void => {
    switch (body.kind) {
      case 'planTicked':
        plan.set(body.item, { state: body.state, ...noted })
        return
      case 'stepDone':
        return stand(body.step, { kind: 'done', note: body.note, licensed: body.licensed, ...noted })
      case 'stepSkipped':
        return stand(body.step, { kind: 'skipped', reason: body.reason, ...noted })
      case 'stepNotApplicable':
        return stand(body.step, { kind: 'notApplicable', reason: body.reason, agreed: null, ...noted })
      case 'stepNotApplicableAgreed': {
        const step = steps.find(({ id }) => id === body.step)
        // Nobody is a second person to himself.
        if (step?.standing.kind === 'notApplicable' && step.standing.by !== noted.by)
          step.standing = { ...step.standing, agreed: noted }
        return
      }
      case 'stepReopened': {
        const step = steps.find(({ id }) => id === body.step)
        if (!step) return
        const reopen = (one: Mutable<WorkStep>, reason: string): void => {
          one.standing = { kind: 'open', reopened: { reason, ...noted } }
          one.waitFrom = null
        }
        const behind = reopenedWith(steps, step)
        reopen(step, body.reason)
        for (const one of behind) reopen(one, `“${step.name}” was opened again: ${body.reason}`)
        return
      }
      case 'stepAdded':
        if (steps.some(({ id }) => id === body.step)) return
        insertAfter(
          steps,
          {
            book: null,
            id: body.step,
            stage: body.stage,
            name: body.name,
            text: body.text,
            standing: { kind: 'open', reopened: null },
            waitFrom: null,
          },
          body.after,
        )
        return
      case 'stepMoved': {
        const at = steps.findIndex(({ id }) => id === body.step)
        const [moved] = at < 0 ? [] : steps.splice(at, 1)
        if (moved) insertAfter(steps, moved, body.after)
        return
      }
      case 'waitStarted': {
        const step = steps.find(({ id }) => id === body.step)
        if (step) step.waitFrom = noted
        return
      }
      case 'tagWritten': {
        const position = positions.get(body.position)
        if (position) position.tag = { ...body.tag, ...noted }
        return
      }
      case 'laidOut': {
        const position = positions.get(body.position)
        if (!position) return
        takeOutOfTray(body.position)
        position.tray = body.tray
        const list = trays.get(body.tray) ?? []
        const at = body.after === null ? 0 : list.indexOf(body.after) + 1
        list.splice(body.after !== null && at === 0 ? list.length : at, 0, body.position)
        trays.set(body.tray, list)
        return
      }
      case 'putBack': {
        const position = positions.get(body.position)
        if (!position) return
        takeOutOfTray(body.position)
        position.tray = null
        return
      }
      case 'positionAdded':
        if (!positions.has(body.position))
          positions.set(body.position, freshPosition(body.position, body.name, body.parent, body.count, null))
        return
      case 'positionMoved': {
        const position = positions.get(body.position)
        if (position) position.parent = body.parent
        return
      }
      case 'jointMarked':
        joints.set(body.joint, { mark: body.mark, ...noted })
        return
      case 'thicknessTaken': {
        const position = positions.get(body.position)
        if (position) position.thickness = { text: body.text, ...noted }
        return
      }
      case 'identified': {
        const position = positions.get(body.position)
        if (position) position.identity = { sizes: body.sizes, ...noted }
        return
      }
      case 'putIn': {
        const inside = temporaries.get(body.temporary)?.inside ?? 0
        const { temporary, name, where, count } = body
        temporaries.set(temporary, { id: temporary, name, where, inside: inside + count, last: noted })
        return
      }
      case 'takenOut': {
        const thing = temporaries.get(body.temporary)
        if (!thing) return
        thing.inside -= body.count
        thing.last = noted
        return
      }
      case 'lookedAt':
        lookedAt.set(body.part, { note: body.note, ...noted })
        return
      case 'findingRecorded': {
        const before = findings.get(body.finding)
        findings.set(body.finding, {
          ...body.value,
          ...noted,
          id: body.finding,
          withdrawn: null,
          cause: before?.cause ?? null,
        })
        return
      }
      case 'findingWithdrawn': {
        const finding = findings.get(body.finding)
        if (finding) finding.withdrawn = { reason: body.reason, ...noted }
        return
      }
      case 'causeRecorded': {
        const finding = findings.get(body.finding)
        if (finding) finding.cause = body.cause && { ...body.cause, ...noted }
        return
      }
      case 'measurementPlanned':
        planned.set(body.characteristic, { finding: body.finding, ...noted })
        return
      case 'patternRecorded':
        patterns.set(body.pattern, { states: new Map(body.elements.map(({ element, state }) => [element, state])), ...noted })
        return
      case 'handTested':
        handTests.set(body.test, { finding: body.finding, note: body.note, ...noted })
        return
      case 'pictureAdded':
        pictures.set(body.picture, {
          id: body.picture,
          subject: body.subject,
          caption: body.caption,
          width: body.width,
          height: body.height,
          marks: [],
          ...noted,
        })
        return
      case 'pictureMarked': {
        const picture = pictures.get(body.picture)
        if (picture) picture.marks = body.marks
        return
      }
      case 'pictureRemoved':
        pictures.delete(body.picture)
        return
      case 'readingNoted':
        if (body.note === '') readingNotes.delete(body.reading)
        else readingNotes.set(body.reading, { note: body.note, ...noted })
        return
      // What is typed of a limit book belongs to the book (typedBook.ts).
      case 'characteristicTyped':
      case 'characteristicDropped':
      case 'limitsChecked':
        return
      case 'complaintExplained':
        complaint.explained = body.finding === null ? null : { finding: body.finding, ...noted }
        return
      case 'complaintGone':
        complaint.gone = { note: body.note, ...noted }
        return
    }
  }
  for (const { body, by, at } of entries) apply(body, { by, at })

  return {
    plan,
    steps,
    positions: [...positions.values()],
    trays: [...trays].map(([name, list]) => ({ name, positions: list })),
    joints,
    temporaries: [...temporaries.values()],
    lookedAt,
    findings: [...findings.values()],
    patterns,
    handTests,
    planned,
    pictures: [...pictures.values()],
    readingNotes,
    complaint,
  }
}

/** Findings that stand: not withdrawn. */
export const standingFindings = (work: WorkState): Finding[] => work.findings.filter(({ withdrawn }) => withdrawn === null)

function freshPosition(
  id: string,
  name: string,
  parent: string | null,
  count: number,
  book: BookPosition | null,
): Mutable<WorkPosition> {
  return { book, id, name, parent, count, tag: null, tray: null, thickness: null, identity: null }
}

/** Puts an item after another one; first when that is null, last when it is not there. */
function insertAfter<T extends { readonly id: string }>(items: T[], item: T, after: string | null): void {
  const at = after === null ? -1 : items.findIndex(({ id }) => id === after)
  items.splice(after !== null && at < 0 ? items.length : at + 1, 0, item)
}
