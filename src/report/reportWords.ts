import type { ReportWords } from '../contract/reportWords'
import { wordsOf } from '../core/words/signed'
import { speakerOf } from '../core/words/speaker'
import { olderWords } from './olderReport'
import type { ReportDraft } from './reportFacts'
import { noteFacts } from './reportNotes'

/** What a report says: as it was signed; a draft, and what a report of before version 4 did not keep, in the words of today. */
export function reportWords(draft: ReportDraft): ReportWords {
  if (draft.words) return draft.words
  const { record, results } = draft
  const said = olderWords(results) ?? wordsOf(speakerOf(record.book, record.machine.units, record.machine.meter), results)
  return { results: said, notes: noteFacts(draft, said) }
}
