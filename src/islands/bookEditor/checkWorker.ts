/* Checks a book beside the page, so that typing never waits for it. */
import { checkBook } from '../../core/book/checkBook'
import { type BookLine, bookFaultLines, bookWarningWords } from '../../core/words/bookFile'
import type { CheckAnswer, CheckQuestion } from './checked'

/** An empty field is said to be empty, and not what an id is made of as well. */
const firstAtEach = (lines: readonly BookLine[]): readonly BookLine[] => {
  const first = new Map<string, BookLine>()
  for (const line of lines) if (!first.has(line.path.join('/'))) first.set(line.path.join('/'), line)
  return [...first.values()]
}

addEventListener('message', ({ data }: MessageEvent<CheckQuestion>) => {
  const checked = checkBook(data.book)
  const answer: CheckAnswer = {
    turn: data.turn,
    faults: firstAtEach(bookFaultLines(checked, data.units)),
    // Until it is checked, every limit of a draft waits: that is said where limits are checked.
    warnings: checked.warnings
      .filter(({ warning }) => warning.code !== 'notChecked')
      .map(({ path, warning }) => ({ path, says: bookWarningWords(warning) })),
  }
  postMessage(answer)
})
