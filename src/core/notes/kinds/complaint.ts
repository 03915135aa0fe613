import { asIssue } from '../../base/schemaFault'
import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { unknownFinding } from '../unknown'

const complaintExplainedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('complaintExplained'), finding: idSchema.nullable() })
export type ComplaintExplained = Noting<typeof complaintExplainedShape>
export const complaintExplained: NoteKindOf<ComplaintExplained> = {
  shape: complaintExplainedShape,
  subject: () => 'complaint',
  refuse: ({ finding }, context) => (finding === null ? null : unknownFinding(finding, context)),
  apply: ({ finding }, noted, { complaint }) => {
    complaint.explained = finding === null ? null : { finding, ...noted }
  },
}

const complaintGoneShape = ({ z }: NoteShaping) =>
  z.strictObject({ kind: z.literal('complaintGone'), note: z.string().trim().min(3, asIssue('sayHowProved')).max(400) })
export type ComplaintGone = Noting<typeof complaintGoneShape>
export const complaintGone: NoteKindOf<ComplaintGone> = {
  shape: complaintGoneShape,
  subject: () => 'complaint',
  refuse: (_body, { noted }) => (noted.complaint.explained === null ? { code: 'notExplainedYet' } : null),
  apply: ({ note }, noted, { complaint }) => {
    complaint.gone = { note, ...noted }
  },
}
