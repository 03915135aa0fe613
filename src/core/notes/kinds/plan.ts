import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

const planTickedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('planTicked'), item: idSchema, state: z.enum(['open', 'there', 'missing']) })
export type PlanTicked = Noting<typeof planTickedShape>
export const planTicked: NoteKindOf<PlanTicked> = {
  shape: planTickedShape,
  subject: ({ item }) => `plan:${item}`,
  refuse: ({ item }, { planItems }) => (planItems.has(item) ? null : { code: 'noPlanLine', id: item }),
  apply: ({ item, state }, noted, { plan }) => void plan.set(item, { state, ...noted }),
}
