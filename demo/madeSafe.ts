import { bookSchema } from '../src/core/book/bookSchema'
import { cautionsOf } from '../src/core/notes/steps'
import type { DemoNote } from './types'

/** The steps of one phase, done in their order: clocks started and waited for, licences given where they are asked. */
export function stageDone(
  bookJson: unknown,
  level: string,
  phase: 'makeSafe' | 'asFound' | 'strip' | 'look',
  licensed: { readonly name: string; readonly licence: string },
): DemoNote[] {
  const book = bookSchema.parse(bookJson)
  return book.procedure
    .filter((step) => step.phase === phase && step.levels.includes(level))
    .flatMap((step): DemoNote[] => [
      ...(step.wait ? [{ by: 'inspector' as const, minutes: 2, what: { kind: 'waitStarted' as const, step: step.id } }] : []),
      {
        by: 'inspector',
        minutes: (step.wait?.minutes ?? 0) + 4,
        what: {
          kind: 'stepDone',
          step: step.id,
          note: '',
          licensed: cautionsOf(book, step).some(({ licensed: field }) => field !== null) ? licensed : null,
        },
      },
    ])
}

export const madeSafe = (bookJson: unknown, level: string, licensed: { name: string; licence: string }): DemoNote[] =>
  stageDone(bookJson, level, 'makeSafe', licensed)
