import type { EntryBody } from '../src/core/notes/entrySchema'
import type { Meter } from '../src/core/quantity/meter'
import type { Policy } from '../src/core/record/recordSchema'
import type { Role } from '../src/server/people/roles'

export interface DemoPerson {
  readonly username: string
  readonly name: string
  readonly role: Role
}

/** Texts as typed, by characteristic, in walking order. */
export type DemoReadings = Readonly<Record<string, readonly string[]>>

export interface DemoOverhaul {
  readonly id: string
  readonly title: string
  readonly date: string
  readonly runningHours: number
  readonly reason: string
  readonly mustRunHours: number
  readonly starts?: number
  /** Null for overhauls from before the book had levels. */
  readonly level: string | null
  readonly complaint: string
  readonly returnBy: string | null
  readonly policy: Policy
  readonly installed: Readonly<Record<string, string>>
  /** Null for an overhaul of which nothing is measured. */
  readonly readings: DemoReadings | null
  /** How far an overhaul that is measured has come, where it is not signed. */
  readonly until?: 'measured' | 'rebuilding' | 'sent'
  /** Only what is listed was read so far. */
  readonly partly?: boolean
  /** What was measured again when it was put together. */
  readonly asLeft?: DemoReadings
  /** What is noted around an open job, minute by minute; pictures are drawn. */
  readonly noted: readonly DemoNote[]
  /** An open job of a book without steps: confirmed safe, so that its bench is open. */
  readonly confirmed?: boolean
}

/** Something noted: by whom, and how many minutes after what came before. */
export interface DemoNote {
  readonly by: Role
  readonly minutes: number
  readonly what: EntryBody | DemoPicture
}

export interface DemoPicture {
  readonly kind: 'drawnPicture'
  readonly draw: 'scoredBore' | 'crackedRing' | 'cap' | 'gasket'
  readonly caption: string
  readonly subject: Extract<EntryBody, { kind: 'pictureAdded' }>['subject']
  readonly marks: Extract<EntryBody, { kind: 'pictureMarked' }>['marks']
}

export interface DemoGauge {
  readonly id: string
  readonly code: string
  readonly name: string
  readonly kind: string
  readonly resolution: number
  readonly maximumPermissibleError: number
  readonly range: { readonly least: number; readonly greatest: number } | null
  readonly calibration?: { readonly expanded: number; readonly coverage: number }
  readonly corrections?: readonly { readonly at: number; readonly error: number }[]
  readonly expansionPerK?: number
  readonly calibrationDue: string
}

/** One machine with its book, its hour meter and its overhauls. */
export interface DemoMachine {
  readonly machine: {
    readonly id: string
    readonly station: string
    readonly name: string
    readonly units: 'metric' | 'inch'
    readonly meter?: Meter
  }
  readonly book: unknown
  readonly gauges: readonly DemoGauge[]
  readonly hours: readonly { readonly date: string; readonly hours: number }[]
  readonly overhauls: readonly DemoOverhaul[]
}
