import type { FloorJob, FloorMachine, JobSummary } from '../../contract/answers'
import { stepPages } from '../../contract/stepPages'

export const isLate = (job: FloorJob, today: string): boolean => job.returnBy !== null && job.returnBy < today

export const isMine = (job: FloorJob, name: string): boolean => job.hands.includes(name)

/** Where one goes on with a job. */
export function goTo({ id, state, step }: Pick<FloorJob, 'id' | 'state' | 'step'>): string {
  const page = state === 'open' ? stepPages[step]?.path : 'report'
  return page === undefined ? `/jobs/${id}` : `/jobs/${id}/${page}`
}

const hasEnded = ({ state }: JobSummary): boolean => state === 'signed' || state === 'imported'
export const openOn = (machine: FloorMachine): JobSummary | undefined => machine.jobs.find((job) => !hasEnded(job))
/** Overhauls that are done, the last one first. */
export const endedOn = (machine: FloorMachine): JobSummary[] => machine.jobs.filter(hasEnded)

/** “M. Ellwood”: a column of names is read by the last of them. */
export const shortName = (full: string): string => full.replace(/^(\p{L})\p{L}* (?=.*\p{L})/u, '$1. ')
