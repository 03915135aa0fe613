import type { Step } from '../core/job/orderOfWork'

/** The page where each step of the order of work is done; steps without one are confirmed on the job's page. */
export const stepPages: Partial<Record<Step, { readonly path: string; readonly text: string }>> = {
  receive: { path: 'plan', text: 'Plan' },
  makeSafe: { path: 'make-safe', text: 'Steps' },
  asFound: { path: 'as-found', text: 'Steps' },
  strip: { path: 'strip', text: 'Strip map' },
  gate: { path: 'gate', text: 'Gate' },
  look: { path: 'look', text: 'Look' },
  measure: { path: 'bench', text: 'Bench' },
  fits: { path: 'fits', text: 'Fits' },
  decide: { path: 'verdicts', text: 'Verdicts' },
  sign: { path: 'report', text: 'Report' },
}
