import { slotWords } from '../../../core/words/places'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import { Fault, TextField } from '../../../ui/Field'
import { useKeptForm } from '../../forms/useKeptForm'
import type { Bench } from '../benchState'

/** A note at one reading: at the place in focus where it is read, else at the one taken last. */
export function NoteDialog({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) {
  const { characteristic, active } = bench
  const reading = bench.standingAt(active) ?? bench.lastTaken
  const form = useKeptForm({
    key: reading ? `medida-form:note:${reading.id}` : null,
    start: () => ({ note: reading ? bench.noteAt(reading) : '' }),
    send: async ({ note }) => {
      const refused = reading ? await bench.acts.noteReading(reading, note.trim()) : null
      if (refused !== null) return [{ at: '', says: refused }]
      form.done()
      onClose()
      return []
    },
  })
  if (!reading)
    return (
      <Dialog title={say.noteReading} onClose={onClose}>
        <p>{say.nothingReadHere}</p>
        <DialogActions>
          <Button onClick={onClose}>{say.goMeasuring}</Button>
        </DialogActions>
      </Dialog>
    )
  const place = slotWords(characteristic.method, reading) || characteristic.name
  return (
    <Dialog title={say.note(place)} onClose={onClose}>
      <form onSubmit={form.submit} noValidate>
        <TextField
          label={say.whatBelongs(reading.text)}
          hint={say.burrDressedHard}
          maxLength={400}
          autoComplete="off"
          autoFocus
          {...form.field('note')}
        />
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.leave}</Button>
          <Button kind="primary" type="submit">
            {say.noteIt}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
