import type { Step } from '../core/job/orderOfWork'
import { say } from '../labels/shell'

/** The page where each step of the order of work is done; steps without one are confirmed on the job's page. */
export const stepPages: Partial<Record<Step, { readonly path: string; readonly text: string }>> = {
  receive: { path: 'plan', text: say.plan },
  makeSafe: { path: 'make-safe', text: say.steps },
  asFound: { path: 'as-found', text: say.steps },
  strip: { path: 'strip', text: say.stripMap },
  gate: { path: 'gate', text: say.gate },
  look: { path: 'look', text: say.look },
  measure: { path: 'bench', text: say.bench },
  fits: { path: 'fits', text: say.fits },
  decide: { path: 'verdicts', text: say.verdicts },
  rebuild: { path: 'rebuild', text: say.steps },
  prove: { path: 'prove', text: say.steps },
  sign: { path: 'report', text: say.report },
}
