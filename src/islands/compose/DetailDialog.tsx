import type { BookPosition } from '../../core/book/procedureSchema'
import { subtreeOf } from '../../core/kit/subtree'
import { say } from '../../labels/compose'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextArea, TextField } from '../../ui/Field'
import { useKeptForm } from '../forms/useKeptForm'
import styles from './Compose.module.css'
import type { Draft } from './useDraft'

interface DetailForm {
  readonly into: string
  readonly order: string
  readonly side: string
  readonly count: string
  readonly faces: string
  readonly clock: string
  readonly loose: string
  readonly thread: 'none' | 'left' | 'right'
  readonly special: string
  readonly asks: BookPosition['asks']
  readonly keptWith: readonly string[]
}

/** 1 to 999. */
const WHOLE = /^[1-9]\d{0,2}$/

const orNull = (text: string): string | null => (text.trim() === '' ? null : text.trim())

/** Everything of a position that its tag, its label and the strip map go by. */
export function DetailDialog({
  position,
  draft,
  onClose,
}: {
  readonly position: BookPosition
  readonly draft: Draft
  readonly onClose: () => void
}) {
  const { book } = draft.view
  const inside = subtreeOf(book, position.id).positions
  const form = useKeptForm<DetailForm>({
    key: `medida-form:detail:${draft.view.machine.id}:${position.id}`,
    start: () => ({
      into: position.parent ?? '',
      order: position.along ? String(position.along.order) : '',
      side: position.along?.side ?? '',
      count: String(position.count),
      faces: position.faces.join('\n'),
      clock: position.clock ?? '',
      loose: position.loose ?? '',
      thread: position.thread ?? 'none',
      special: position.special ?? '',
      asks: position.asks,
      keptWith: position.keptWith,
    }),
    check: ({ count, order, side }) => [
      ...(WHOLE.test(order.trim()) || (order.trim() === '' && side.trim() === '') ? [] : [{ at: 'order', says: say.orderWhole }]),
      ...(WHOLE.test(count.trim()) ? [] : [{ at: 'count', says: say.piecesWhole }]),
    ],
    send: async ({ into, order, side, count, faces, clock, loose, thread, special, asks, keptWith }) => {
      const detail = {
        into: into === '' ? null : into,
        along: order.trim() === '' ? null : { order: Number(order.trim()), ...(side.trim() === '' ? {} : { side: side.trim() }) },
        count: Number(count.trim()),
        faces: faces
          .split('\n')
          .map((face) => face.trim())
          .filter((face) => face !== ''),
        clock: orNull(clock),
        loose: orNull(loose),
        thread: thread === 'none' ? null : thread,
        special: orNull(special),
        asks,
        keptWith: [...keptWith],
      }
      if (!(await draft.make({ kind: 'detail', position: position.id, detail }))) return []
      form.done()
      onClose()
      return []
    },
  })
  const { value, set, field } = form
  const others = book.positions.filter(({ id }) => id !== position.id)
  const near = others.filter(({ parent, id }) => parent === position.parent || value.keptWith.includes(id))
  return (
    <Dialog title={say.detailOf(position.name)} onClose={onClose} wide>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        <div className={styles.detail}>
          <SelectField
            label={say.into}
            options={[
              { value: '', label: say.theMachine },
              ...others.filter(({ id }) => !inside.has(id)).map(({ id, name }) => ({ value: id, label: name })),
            ]}
            {...field('into')}
          />
          <TextField label={say.order} hint={say.orderHint} inputMode="numeric" maxLength={3} {...field('order')} />
          <TextField label={say.side} hint={say.sideHint} maxLength={80} {...field('side')} />
          <TextField label={say.pieces} inputMode="numeric" maxLength={3} {...field('count')} />
          <SelectField
            label={say.asks}
            options={Object.entries(say.asked).map(([asked, label]) => ({ value: asked, label }))}
            {...field('asks')}
          />
          <SelectField
            label={say.thread}
            options={Object.entries(say.threads).map(([hand, label]) => ({ value: hand, label }))}
            {...field('thread')}
          />
          <TextArea label={say.facesLabel} hint={say.facesHint} rows={2} {...field('faces')} />
          <TextField label={say.clock} maxLength={80} {...field('clock')} />
          <TextField label={say.loose} maxLength={200} {...field('loose')} />
          <TextField label={say.special} maxLength={120} {...field('special')} />
        </div>
        {near.length > 0 && (
          <fieldset className={styles.keptWith}>
            <legend>{say.keptWith}</legend>
            <div className={styles.near}>
              {near.map(({ id, name }) => (
                <label key={id}>
                  <input
                    type="checkbox"
                    checked={value.keptWith.includes(id)}
                    onChange={({ currentTarget }) =>
                      set({
                        keptWith: currentTarget.checked ? [...value.keptWith, id] : value.keptWith.filter((one) => one !== id),
                      })
                    }
                  />{' '}
                  {name}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <Fault text={form.fault ?? draft.faultOf('detail')} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={form.busy || draft.busy}>
            {say.save}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
