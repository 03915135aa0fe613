/** What a long piece of work is at, one thing after the other. */
export const longStages = [
  'sending',
  'reading',
  'storing',
  'layingOut',
  'verifying',
  'seeding',
  'saving',
  'bringingBack',
] as const
export type LongStage = (typeof longStages)[number]

/** How far it is, in whatever is counted there: rows, readings, pages, tables, reports. */
export interface Progress {
  readonly stage: LongStage
  readonly done: number
  readonly of: number
}

/** Work that takes long: it says how far it is, and stops when it is not wanted any more. */
export interface LongWork {
  readonly say: (progress: Progress) => void
  readonly signal: AbortSignal
}

/** For work that nobody looks on at and nobody cancels. */
export const quietly: LongWork = { say: () => {}, signal: new AbortController().signal }

/** Type of an answer that comes in lines: how far it is, as often as there is something to say, and how it ended. */
export const LINES_TYPE = 'application/x-ndjson'
export type LongLine = { readonly far: Progress } | { readonly ended: { readonly status: number; readonly body: unknown } }
