import type { FloorJob, FloorMachine, JobSummary } from '../../contract/answers'
import type { Step } from '../../core/job/orderOfWork'

export const isLate = (job: FloorJob, today: string): boolean => job.returnBy !== null && job.returnBy < today

export const isMine = (job: FloorJob, name: string): boolean => job.hands.includes(name)

const pages: Partial<Record<Step, string>> = {
  makeSafe: '/make-safe',
  asFound: '/as-found',
  strip: '/strip',
  gate: '/gate',
  look: '/look',
  measure: '/bench',
  fits: '/fits',
  decide: '/verdicts',
  sign: '/report',
}
/** Where one goes on with a job. */
export const goTo = (job: FloorJob): string => `/jobs/${job.id}${job.state === 'open' ? (pages[job.step] ?? '') : '/report'}`

const hasEnded = ({ state }: JobSummary): boolean => state === 'signed' || state === 'imported'
export const openOn = (machine: FloorMachine): JobSummary | undefined => machine.jobs.find((job) => !hasEnded(job))
/** Overhauls that are done, the last one first. */
export const endedOn = (machine: FloorMachine): JobSummary[] => machine.jobs.filter(hasEnded)

/** “M. Ellwood”: a column of names is read by the last of them. */
export const shortName = (full: string): string => full.replace(/^(\p{L})\p{L}* (?=.*\p{L})/u, '$1. ')
