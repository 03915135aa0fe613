import { severityRank } from '../condition/findingKinds'
import { type Finding, type NotesState, standingFindings } from './state'

/** Findings whose cause nobody has recorded yet, worst first. They stay visible up to the report. */
export function openCauses(noted: NotesState): Finding[] {
  return standingFindings(noted)
    .filter(({ cause }) => cause === null)
    .sort((a, b) => severityRank[b.severity] - severityRank[a.severity])
}

/** Where the owner's complaint stands: null when there is none. */
export type ComplaintStanding =
  | { readonly kind: 'unexplained' }
  | { readonly kind: 'explained'; readonly finding: Finding; readonly by: string }
  | { readonly kind: 'gone'; readonly finding: Finding; readonly note: string; readonly by: string }

/** A complaint needs both: the finding that explains it, and the proof that it is gone. */
export function complaintState(complaint: string, noted: NotesState): ComplaintStanding | null {
  if (complaint === '') return null
  const { explained, gone } = noted.complaint
  const finding = explained && standingFindings(noted).find(({ id }) => id === explained.finding)
  if (!explained || !finding) return { kind: 'unexplained' }
  return gone ? { kind: 'gone', finding, note: gone.note, by: gone.by } : { kind: 'explained', finding, by: explained.by }
}
