/** What the server answers: views for the pages and the one shape of a refusal. */

import type { LimitBook } from '../core/book/bookSchema'
import type { Results } from '../core/evaluate/results'
import type { IntervalUsed } from '../core/job/interval'
import type { ConfirmableStep, Step } from '../core/job/orderOfWork'
import type { PartNow } from '../core/job/partsNow'
import type { JobState } from '../core/job/standing'
import type { Entry } from '../core/notes/entrySchema'
import type { Verdict } from '../core/policy/disposition'
import type { Meter } from '../core/quantity/meter'
import type { UnitSystem } from '../core/quantity/unitSystem'
import type { InspectionRecord } from '../core/record/recordSchema'
import type { RibbonModel } from '../drawing/ribbonScale'
import type { ReportWords } from './reportWords'

export interface Person {
  readonly id: string
  readonly name: string
  readonly role: string
}

export interface Confirmation {
  readonly step: ConfirmableStep
  readonly by: string
  readonly at: string
  readonly note: string
}

export interface ReviewStep {
  readonly kind: 'sent' | 'returned' | 'signed' | 'ended'
  readonly by: string
  readonly at: string
  readonly note: string
}

/** Everything the pages of one job show. Results follow from the record by the core, on either side. */
export interface JobView {
  readonly title: string
  readonly reason: string
  readonly openedBy: string
  readonly record: InspectionRecord
  readonly confirmations: readonly Confirmation[]
  readonly review: readonly ReviewStep[]
  readonly reportId: string | null
  /** Where its readings were taken over from; null for a job done with Medida. */
  readonly importedFrom: string | null
  /** Done to learn: it is never signed, and nothing of it counts for the machine. */
  readonly practice: boolean
  /** What is stored of the job and cannot be read, in sentences; it is left out of the record. */
  readonly unreadable: readonly string[]
  /** Place of the last entry in the job's list: what comes after it arrives live. */
  readonly lastSeq: number
  readonly may: Readonly<Record<'measure' | 'confirm' | 'decide' | 'send' | 'review' | 'note' | 'plan' | 'check', boolean>>
}

export interface JobSummary {
  readonly id: string
  readonly title: string
  readonly openedOn: string
  readonly runningHours: number
  readonly state: JobState
  readonly reportId: string | null
}

/** When the last backup was made; null: none yet. */
export interface LastBackup {
  readonly at: string | null
  /** It is so long ago, or so much not there, that somebody must look after it. */
  readonly old: boolean
}

/** A characteristic that is about to wear out, drawn on its own limits. */
export interface Nearest {
  readonly id: string
  readonly name: string
  readonly verdict: Verdict
  readonly model: RibbonModel
}

/** An open job in one row of the shop floor. */
export interface FloorJob {
  readonly id: string
  readonly title: string
  readonly reason: string
  readonly station: string
  readonly machine: string
  readonly units: UnitSystem
  readonly practice: boolean
  readonly state: 'open' | 'waiting' | 'returned'
  /** The step of the order of work at which it stands. */
  readonly step: Step
  /** Steps behind it. */
  readonly done: number
  /** What stands in the way, in a few words. */
  readonly holds: string
  /** Complaint of the owner that is not proved gone. */
  readonly complaint: string | null
  readonly returnBy: string | null
  readonly nearest: readonly Nearest[]
  /** Who has been at it, the last one first. */
  readonly hands: readonly string[]
  /** When each of them last was. */
  readonly lastAt: Readonly<Record<string, string>>
}

export interface FloorMachine {
  readonly meter: Meter
  readonly id: string
  readonly station: string
  readonly name: string
  /** Last reading of its meter. */
  readonly hours: number | null
  /** Null where nothing says when it was overhauled last. */
  readonly interval: IntervalUsed | null
  readonly jobs: readonly JobSummary[]
}

/** A gauge that has lapsed or soon will; days are below zero when it has. */
export interface FloorGauge {
  readonly code: string
  readonly name: string
  readonly due: string
  readonly days: number
}

export interface FloorView {
  readonly today: string
  /** Soonest due first. */
  readonly jobs: readonly FloorJob[]
  readonly machines: readonly FloorMachine[]
  /** Open jobs that cannot be shown, with why. */
  readonly unreadable: readonly { readonly id: string; readonly title: string; readonly says: string }[]
  /** Null where backups are made by somebody else, and nobody here knows of them. */
  readonly backup: LastBackup | null
  readonly gauges: readonly FloorGauge[]
}

/** Hashes of what a report rests on, so that none of it can be altered or taken away unseen. */
export interface ReportEvidence {
  /** The issued book as it is stored; null where limits were typed in the job. */
  readonly book: { readonly id: string; readonly revision: string; readonly sha256: string } | null
  readonly pictures: readonly { readonly id: string; readonly sha256: string }[]
  /** Head of the job's event log as it was signed. */
  readonly log: { readonly number: number; readonly sha256: string } | null
}

/** What keeps a job from being sent or signed, and what goes on its report with a reason, a sentence each. */
export interface ReadyWords {
  readonly blocks: readonly string[]
  readonly exceptions: readonly string[]
  readonly leftBeyond: readonly string[]
}

/** Content of a signed report: what its hash is over. */
export interface ReportContent {
  readonly format: 'medida-report'
  readonly version: 1
  readonly reportId: string
  readonly title: string
  readonly reason: string
  readonly openedBy: string
  readonly confirmations: readonly Confirmation[]
  readonly review: readonly ReviewStep[]
  readonly record: InspectionRecord
  readonly results: Results
  /** What it said in sentences when it was signed; left out in reports of before version 4 of the results, which held them. */
  readonly words?: ReportWords
  /** With the id of who signed, since reports carry what they rest on. */
  readonly signature: { readonly by: string; readonly byId?: string; readonly at: string; readonly statement: string }
  /** What it rests on besides its record; left out in reports from before that was kept. */
  readonly evidence?: ReportEvidence
  readonly sequence: number
  readonly previousSha256: string | null
}

export interface Refusal {
  readonly error: {
    readonly code: string
    /** What happened, where, what to do. */
    readonly message: string
    readonly issues?: readonly { readonly path: string; readonly message: string }[]
    /** Code `overtaken`: the entry that somebody else wrote on the same subject meanwhile. */
    readonly standing?: Entry
  }
}

/** An entry with its place in the job's list. */
export interface StoredEntry {
  readonly seq: number
  readonly entry: Entry
}

export interface HistoryAnswer {
  readonly overhauls: number
  readonly readings: number
  readonly stored: boolean
}

export interface DraftBookAnswer {
  readonly id: string
  readonly revision: string
  readonly stored: boolean
}

/** What a machine brings when a job is opened on it. */
export interface OpenJobView {
  readonly machine: InspectionRecord['machine']
  /** Null where no book is known: limits are then typed from the manual while measuring. */
  readonly book: { readonly id: string; readonly title: string; readonly revision: string; readonly draft: boolean } | null
  readonly levels: readonly {
    readonly id: string
    readonly name: string
    readonly about: string
    readonly gate: boolean
    readonly measures: number
  }[]
  readonly hoursLog: readonly { readonly date: string; readonly hours: number; readonly where: string }[]
  readonly lastPolicy: InspectionRecord['job']['policy'] | null
  readonly lastMustRunHours: number | null
  /** A job that is still open on this machine: another one waits for it. */
  readonly openJob: { readonly id: string; readonly title: string } | null
  readonly today: string
}

/** A machine as it stands: what is fitted, its jobs, its hours, its book. */
export interface MachineView {
  readonly machine: InspectionRecord['machine']
  readonly hours: number | null
  /** Part of its interval that is used; null where it is not known. */
  readonly intervalUsed: number | null
  /** In the order of the tree; `depth` 0 is the machine itself. */
  readonly fitted: readonly FittedLine[]
  readonly jobs: readonly (JobSummary & { readonly practice: boolean })[]
  readonly hoursLog: readonly { readonly date: string; readonly hours: number; readonly where: string }[]
  readonly pages: readonly DocumentPage[]
  /** Null where none is known. */
  readonly book: {
    readonly id: string
    readonly title: string
    readonly revision: string
    readonly draft: boolean
    readonly documents: LimitBook['documents']
    readonly limits: { readonly there: number; readonly of: number; readonly toCheck: number }
  } | null
}

/** One position of a machine, with what is fitted there. */
export interface FittedLine {
  readonly id: string
  readonly depth: number
  readonly name: string
  readonly count: number
  /** Null where no part is judged here, or none of it is known yet. */
  readonly now: PartNow | null
}

/** A page of a machine's document that somebody took a picture of. */
export interface DocumentPage {
  readonly id: string
  readonly document: string
  readonly page: string
  readonly width: number
  readonly height: number
  readonly by: string
}

/** The draft of a machine's book, as it is composed. */
export interface DraftView {
  readonly machine: InspectionRecord['machine']
  readonly book: LimitBook
  /** Null while nothing was added. */
  readonly revision: string | null
  /** An issued book is composed no further. */
  readonly issued: boolean
  /** Every revision there is, oldest first. */
  readonly earlier: readonly string[]
  readonly pages: readonly DocumentPage[]
  readonly openJob: { readonly id: string; readonly title: string } | null
}

/** Everybody with an account. */
export interface PeopleView {
  readonly people: readonly PersonLine[]
}

export interface PersonLine {
  readonly id: string
  readonly name: string
  readonly username: string
  readonly role: string
  readonly station: string | null
  readonly disabled: boolean
  readonly hasPassword: boolean
  readonly secondFactor: boolean
  readonly secondFactorAsked: boolean
  /** Sessions that hold now. */
  readonly sessions: number
  readonly lastSignIn: string | null
}

/** What a device that makes codes is set up with, shown once. */
export interface SecondFactorView {
  /** For typing, base 32. */
  readonly secret: string
  /** The same as a picture to be read by the device, SVG. */
  readonly picture: string
  /** Each signs in once when the device is lost. */
  readonly codes: readonly string[]
}

/** Events of the log, latest first. */
export interface LogView {
  readonly events: readonly {
    readonly id: number
    readonly at: string
    readonly by: string
    readonly verb: string
    readonly subject: string
    /** As JSON. */
    readonly detail: string
  }[]
  readonly verbs: readonly string[]
  readonly most: number
}
