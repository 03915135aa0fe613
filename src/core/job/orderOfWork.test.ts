import { expect, test } from 'vitest'
import { type JobProgress, orderOfWork, type Step, type StepState } from './orderOfWork'

const none = { done: 0, of: 4 }
const all = { done: 4, of: 4 }
const fresh: JobProgress = { confirmed: new Set(), stages: {}, measured: none, fitsJudged: none, decided: none, signed: false }
const safe = new Set<Step>(['makeSafe'])

const cases: { name: string; progress: JobProgress; step: Step; state: StepState }[] = [
  { name: 'an opened job is received', progress: fresh, step: 'receive', state: 'done' },
  { name: 'making safe comes first', progress: fresh, step: 'makeSafe', state: 'now' },
  { name: 'stripping stays closed until then', progress: fresh, step: 'strip', state: 'closed' },
  { name: 'so does measuring', progress: fresh, step: 'measure', state: 'closed' },
  { name: 'once safe, measuring is next', progress: { ...fresh, confirmed: safe }, step: 'measure', state: 'now' },
  { name: 'stripping is ahead and may be confirmed', progress: { ...fresh, confirmed: safe }, step: 'strip', state: 'ahead' },
  {
    name: 'all measured, deciding is next',
    progress: { ...fresh, confirmed: safe, stages: {}, measured: all, fitsJudged: all },
    step: 'decide',
    state: 'now',
  },
  {
    name: 'all decided, signing is next',
    progress: { ...fresh, confirmed: safe, stages: {}, measured: all, fitsJudged: all, decided: all },
    step: 'sign',
    state: 'now',
  },
  {
    name: 'a book without fits has none to wait for',
    progress: { ...fresh, confirmed: safe, stages: {}, measured: all, fitsJudged: { done: 0, of: 0 } },
    step: 'decide',
    state: 'now',
  },
  {
    name: 'ordered, rebuilding is next',
    progress: {
      ...fresh,
      confirmed: new Set<Step>(['makeSafe', 'order']),
      measured: all,
      fitsJudged: all,
      decided: all,
    },
    step: 'rebuild',
    state: 'now',
  },
  {
    name: 'confirmed to the end, signing is next',
    progress: {
      ...fresh,
      confirmed: new Set<Step>(['makeSafe', 'order', 'rebuild', 'prove']),
      measured: all,
      fitsJudged: all,
      decided: all,
    },
    step: 'sign',
    state: 'now',
  },
  {
    name: 'ordered before all is decided, deciding is next',
    progress: { ...fresh, confirmed: new Set<Step>(['makeSafe', 'order']), measured: all, fitsJudged: all },
    step: 'decide',
    state: 'now',
  },
  {
    name: 'signed',
    progress: { confirmed: safe, stages: {}, measured: all, fitsJudged: all, decided: all, signed: true },
    step: 'sign',
    state: 'done',
  },
]
test.each(cases)('$name', ({ progress, step, state }) => {
  expect(orderOfWork(progress).find((standing) => standing.step === step)?.state).toBe(state)
})
