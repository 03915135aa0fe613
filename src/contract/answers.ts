/** What the server answers: views for the pages and the one shape of a refusal. */
import type { ConfirmableStep } from '../core/job/orderOfWork'
import type { InspectionRecord } from '../core/record/recordSchema'
import type { Results } from '../core/record/results'

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
  readonly kind: 'sent' | 'returned' | 'signed'
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
  readonly recordSha256: string
  readonly confirmations: readonly Confirmation[]
  readonly review: readonly ReviewStep[]
  readonly reportId: string | null
  readonly may: Readonly<Record<'measure' | 'confirm' | 'decide' | 'send' | 'review', boolean>>
}

export interface JobSummary {
  readonly id: string
  readonly title: string
  readonly openedOn: string
  readonly runningHours: number
  readonly state: 'open' | 'withReviewer' | 'returned' | 'signed'
  readonly reportId: string | null
}

export interface MachineCard {
  readonly id: string
  readonly station: string
  readonly name: string
  readonly jobs: readonly JobSummary[]
}

export interface HomeView {
  readonly machines: readonly MachineCard[]
  readonly openJobs: readonly JobView[]
  readonly lapsedGauges: readonly { readonly code: string; readonly name: string; readonly due: string }[]
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
  readonly signature: { readonly by: string; readonly at: string; readonly statement: string }
  readonly sequence: number
  readonly previousSha256: string | null
}

export interface Refusal {
  readonly error: {
    readonly code: string
    /** What happened, where, what to do. */
    readonly message: string
    readonly issues?: readonly { readonly path: string; readonly message: string }[]
  }
}
