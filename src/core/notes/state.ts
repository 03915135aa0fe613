import type { Phase } from '../book/phases'
import type { BookPosition, BookStep } from '../book/procedureSchema'
import type { ElementState } from '../condition/damagePattern'
import type { CauseFamily } from '../condition/findingKinds'
import type { FindingValue, IdentitySizes, PictureMark, PictureSubject, Tag } from './shapes'

/** Who noted something, and when. */
export interface Noted {
  readonly by: string
  readonly at: string
}

export type StepStandingNow =
  | { readonly kind: 'open'; readonly reopened: (Noted & { readonly reason: string; readonly with: string | null }) | null }
  | ({
      readonly kind: 'done'
      readonly note: string
      readonly licensed: { readonly name: string; readonly licence: string } | null
    } & Noted)
  | ({ readonly kind: 'skipped'; readonly reason: string } & Noted)
  /** It does not apply to this machine: counts as done once a second person agrees. */
  | ({ readonly kind: 'notApplicable'; readonly reason: string; readonly agreed: Noted | null } & Noted)

/** A step of the procedure: the book's, or one this job added. */
export interface NotedStep {
  readonly book: BookStep | null
  readonly id: string
  readonly phase: Phase
  readonly name: string
  readonly text: string
  readonly standing: StepStandingNow
  /** When its waiting began; null before. */
  readonly waitFrom: Noted | null
}

/** A position of the machine: the book's, or one found on this machine. */
export interface NotedPosition {
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

/** Like pieces of a part, as they are counted at its places in this job. */
export const piecesOf = ({ positions }: Pick<NotesState, 'positions'>, part: string): number =>
  positions.reduce((sum, position) => (position.book?.part === part ? sum + position.count : sum), 0)

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
export interface NotesState {
  readonly plan: ReadonlyMap<string, { readonly state: 'open' | 'there' | 'missing' } & Noted>
  /** Steps of every level in their order; which of them count, the level says. */
  readonly steps: readonly NotedStep[]
  readonly positions: readonly NotedPosition[]
  /** Trays in the order they were begun, each with its parts in order of removal. */
  readonly trays: readonly { readonly name: string; readonly positions: readonly string[] }[]
  readonly joints: ReadonlyMap<string, { readonly mark: string } & Noted>
  readonly temporaries: readonly Temporary[]
  /** Parts that were looked at and nothing was found on, with who looked last. */
  readonly inspected: ReadonlyMap<string, { readonly note: string } & Noted>
  readonly findings: readonly Finding[]
  readonly patterns: ReadonlyMap<string, { readonly states: ReadonlyMap<number, ElementState> } & Noted>
  readonly handTests: ReadonlyMap<string, { readonly finding: string | null; readonly note: string } & Noted>
  /** Characteristics that findings asked to be measured, with the finding. */
  readonly planned: ReadonlyMap<string, { readonly finding: string } & Noted>
  readonly pictures: readonly Picture[]
  /** What is said to be fitted, by variant. */
  readonly variants: ReadonlyMap<string, { readonly option: string } & Noted>
  /** Sides used up, by part. */
  readonly sides: ReadonlyMap<string, { readonly used: number } & Noted>
  /** Notes at readings, by the reading's id. */
  readonly readingNotes: ReadonlyMap<string, { readonly note: string } & Noted>
  readonly complaint: {
    readonly explained: ({ readonly finding: string } & Noted) | null
    readonly gone: ({ readonly note: string } & Noted) | null
  }
}

/** Findings that stand: not withdrawn. */
export const standingFindings = (noted: NotesState): Finding[] => noted.findings.filter(({ withdrawn }) => withdrawn === null)
