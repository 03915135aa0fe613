import { useState } from 'react'
import { gateMeasures } from '../../core/kit/gateLevel'
import { say } from '../../labels/compose'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault } from '../../ui/Field'
import styles from './Compose.module.css'
import type { Draft } from './useDraft'

/** What decides a gate inspection of this machine: measurements, by the assembly they belong to. */
export function GateDialog({ draft, onClose }: { readonly draft: Draft; readonly onClose: () => void }) {
  const { book } = draft.view
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(gateMeasures(book)))
  const save = async (): Promise<void> => {
    const measures = book.characteristics.filter(({ id }) => chosen.has(id)).map(({ id }) => id)
    if (await draft.make({ kind: 'gate', measures })) onClose()
  }
  const assemblyOf = new Map(book.parts.map(({ id, assembly }) => [id, assembly]))
  const groups = [...new Set(book.parts.map(({ assembly }) => assembly))].flatMap((name) => {
    const own = book.characteristics.filter(({ part }) => assemblyOf.get(part) === name)
    return own.length > 0 ? [{ name, own }] : []
  })
  return (
    <Dialog title={say.gateTitle} onClose={onClose} wide>
      <form
        className={styles.form}
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        <p>{say.gateAbout}</p>
        <div className={styles.gate}>
          {groups.map(({ name, own }) => (
            <fieldset key={name} className={styles.keptWith}>
              <legend>{name}</legend>
              <div className={styles.near}>
                {own.map(({ id, name: measured }) => (
                  <label key={id}>
                    <input
                      type="checkbox"
                      checked={chosen.has(id)}
                      onChange={({ currentTarget: { checked } }) =>
                        setChosen((was) => new Set(checked ? [...was, id] : [...was].filter((one) => one !== id)))
                      }
                    />{' '}
                    {measured.startsWith(`${name}: `) ? measured.slice(name.length + 2) : measured}
                  </label>
                ))}
              </div>
            </fieldset>
          ))}
        </div>
        <Fault text={draft.faultOf('gate')} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={draft.busy}>
            {say.save}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
