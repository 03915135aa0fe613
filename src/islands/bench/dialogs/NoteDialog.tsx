import { type SyntheticEvent, useState } from 'react'
import { slotWords } from '../../../core/words/places'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import { Fault, TextField } from '../../../ui/Field'
import type { Bench } from '../benchState'

/** A note at one reading: at the place in focus where it is read, else at the one taken last. */
export function NoteDialog({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) {
  const { characteristic, active } = bench
  const reading = bench.standingAt(active) ?? bench.lastTaken
  const [note, setNote] = useState(reading ? bench.noteAt(reading) : '')
  const [fault, setFault] = useState<string | null>(null)
  if (!reading)
    return (
      <Dialog title={say.noteReading} onClose={onClose}>
        <p>{say.nothingReadHere}</p>
        <DialogActions>
          <Button onClick={onClose}>{say.goMeasuring}</Button>
        </DialogActions>
      </Dialog>
    )
  const save = async (event: SyntheticEvent): Promise<void> => {
    event.preventDefault()
    const refused = await bench.acts.noteReading(reading, note.trim())
    if (refused === null) onClose()
    else setFault(refused)
  }
  const place = slotWords(characteristic.method, reading) || characteristic.name
  return (
    <Dialog title={say.note(place)} onClose={onClose}>
      <form onSubmit={(event) => void save(event)}>
        <TextField
          label={say.whatBelongs(reading.text)}
          hint={say.burrDressedHard}
          value={note}
          maxLength={400}
          autoComplete="off"
          autoFocus
          onChange={(event) => setNote(event.currentTarget.value)}
        />
        <Fault text={fault} />
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
