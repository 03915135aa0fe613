import type { Board } from '../decisions/useBoard'
import type { JobNotes } from '../notes/useNotes'
import type { AddsTo } from './useAddition'

/** A view that notes things adds by its own notes, which wait where there is no network. */
export const addsTo = ({ record, write }: JobNotes): AddsTo => ({
  key: record.job.id,
  book: record.book,
  system: record.machine.units,
  add: async (id, what) => {
    const fate = await write({ kind: 'thingAdded', id, what })
    return fate.kind === 'refused' ? fate.message : null
  },
})

/** A view that decides adds at the server, and shows what follows from it at once. */
export const boardAddsTo = ({ view: { record }, note }: Board): AddsTo => ({
  key: record.job.id,
  book: record.book,
  system: record.machine.units,
  add: (id, what) => note({ kind: 'thingAdded', id, what }),
})
