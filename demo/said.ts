/** What results say, in the words of the page: for the tests. */
import type { InspectionRecord } from '../src/core/record/recordSchema'
import type { Vote } from '../src/core/verdict/vote'
import { type Speaker, speakerOf } from '../src/core/words/speaker'
import { traceWords } from '../src/core/words/trace'
import { reasonOf, settledBy } from '../src/core/words/votes'

type Of = Pick<InspectionRecord, 'book' | 'machine'>

export const speakerFor = ({ book, machine }: Of): Speaker => speakerOf(book, machine.units)

export const reasonsOf = (record: Of, votes: readonly Vote[] = []): string[] =>
  votes.map((vote) => reasonOf(speakerFor(record), vote))

export const settlingsOf = (record: Of, votes: readonly Vote[] = []): string[] =>
  votes.flatMap((vote) => settledBy(speakerFor(record), vote) ?? [])

export const traceOf = (record: Of, vote: Vote): string[] => vote.trace.map((step) => traceWords(speakerFor(record), vote, step))
