import { useState } from 'react'
import { v7 } from 'uuid'
import type { PersonLine } from '../../contract/answers'
import { formatMoment } from '../../contract/words'
import { say } from '../../labels/people'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './people.module.css'
import { useSentForm } from './useSentForm'

const roles = ['inspector', 'reviewer', 'planner', 'trainee', 'visitor', 'administrator'] as const

type Open =
  | { readonly kind: 'add' }
  | { readonly kind: 'edit'; readonly person: PersonLine }
  | { readonly kind: 'code'; readonly name: string; readonly code: string }
  | null

/** Everybody with an account, and what an administrator does with one. */
export function PeopleIsland({ people, own }: { readonly people: readonly PersonLine[]; readonly own: string }) {
  const [open, setOpen] = useState<Open>(null)
  const [said, setSaid] = useState<{ readonly good: boolean; readonly text: string } | null>(null)

  const ask = async <A,>(path: string, done: (answer: A) => void): Promise<void> => {
    setSaid(null)
    const answer = await postJson<A>(path, {})
    if (answer.kind === 'ok') done(answer.value)
    else setSaid({ good: false, text: answer.kind === 'offline' ? say.serverCannotReached : answer.message })
  }
  const at = ({ id }: PersonLine): string => `/api/people/${encodeURIComponent(id)}`

  return (
    <>
      <p className={styles.bar}>
        <Button kind="primary" onClick={() => setOpen({ kind: 'add' })}>
          {say.addPerson}
        </Button>
      </p>
      {said?.good ? <p role="status">{said.text}</p> : <Fault text={said?.text} />}
      <table className={styles.table} aria-label={say.people}>
        <thead>
          <tr>
            <th scope="col">{say.name}</th>
            <th scope="col">{say.userName}</th>
            <th scope="col">{say.role}</th>
            <th scope="col">{say.station}</th>
            <th scope="col">{say.lastSignIn}</th>
            <th scope="col">{say.state}</th>
            <th scope="col" aria-label={say.edit} />
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.id} data-disabled={person.disabled ? '' : undefined}>
              <th scope="row">{person.name}</th>
              <td className="figure">{person.username}</td>
              <td>{person.role}</td>
              <td>{person.station ?? <span className={styles.quiet}>{say.everywhere}</span>}</td>
              <td className="figure">{person.lastSignIn === null ? say.never : formatMoment(person.lastSignIn)}</td>
              <td>{stateOf(person)}</td>
              <td>
                <span className={styles.acts}>
                  <Button aria-label={say.editOf(person.name)} onClick={() => setOpen({ kind: 'edit', person })}>
                    {say.edit}
                  </Button>
                  {!person.disabled && (
                    <Button
                      kind="quiet"
                      onClick={() =>
                        void ask<{ code: string }>(`${at(person)}/code`, ({ code }) =>
                          setOpen({ kind: 'code', name: person.name, code }),
                        )
                      }
                    >
                      {say.newCode}
                    </Button>
                  )}
                  {person.sessions > 0 && person.id !== own && (
                    <Button
                      kind="quiet"
                      onClick={() =>
                        void ask<{ ended: number }>(`${at(person)}/sessions`, ({ ended }) =>
                          setSaid({ good: true, text: say.signedOut(person.name, ended) }),
                        )
                      }
                    >
                      {say.signOutEverywhere}
                    </Button>
                  )}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {open?.kind === 'add' && (
        <AddForm onCode={(name, code) => setOpen({ kind: 'code', name, code })} onClose={() => setOpen(null)} />
      )}
      {open?.kind === 'edit' && <EditForm person={open.person} onClose={() => setOpen(null)} />}
      {open?.kind === 'code' && (
        <Dialog title={say.codeFor(open.name)} onClose={() => location.reload()}>
          <p>
            {say.codeAbout} <b className="figure">{`${location.origin}/set-password`}</b>
          </p>
          <p className={styles.code}>{open.code}</p>
          <DialogActions>
            <Button kind="primary" onClick={() => location.reload()}>
              {say.done}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  )
}

const stateOf = ({ disabled, hasPassword, sessions }: PersonLine): string =>
  disabled ? say.disabled : !hasPassword ? say.noPasswordYet : sessions > 0 ? say.signedIn(sessions) : say.active

const roleOptions = roles.map((role) => ({ value: role, label: role }))

function AddForm({ onCode, onClose }: { readonly onCode: (name: string, code: string) => void; readonly onClose: () => void }) {
  // One id for this form: pressing twice makes one account.
  const [id] = useState(() => v7())
  const { fault, submit, busy, field } = useSentForm<
    { name: string; username: string; role: string; station: string },
    { code: string | null }
  >(
    { name: '', username: '', role: 'inspector', station: '' },
    {
      path: '/api/people',
      body: (typed) => ({ id, ...typed }),
      done: ({ code }, { name }) => (code === null ? location.reload() : onCode(name, code)),
    },
  )
  return (
    <Dialog title={say.addPerson} onClose={onClose}>
      <form className={styles.form} onSubmit={submit} noValidate>
        <TextField label={say.name} autoFocus {...field('name', { required: say.nameThePerson })} />
        <TextField
          label={say.userName}
          autoCapitalize="none"
          spellCheck={false}
          hint={say.userNameHint}
          {...field('username', {
            pattern: { value: /^[a-z0-9][a-z0-9.-]{2,29}$/, message: say.chooseUserName },
            required: say.chooseUserName,
          })}
        />
        <SelectField label={say.role} options={roleOptions} {...field('role')} />
        <TextField label={say.station} hint={say.stationHint} {...field('station')} />
        <Fault text={fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={busy}>
            {say.addPerson}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

function EditForm({ person, onClose }: { readonly person: PersonLine; readonly onClose: () => void }) {
  const { form, fault, submit, busy, field } = useSentForm<
    { name: string; role: string; station: string; disabled: boolean },
    unknown
  >(
    { name: person.name, role: person.role, station: person.station ?? '', disabled: person.disabled },
    { path: `/api/people/${encodeURIComponent(person.id)}`, body: (typed) => typed, done: () => location.reload() },
  )
  return (
    <Dialog title={say.editOf(person.name)} onClose={onClose}>
      <form className={styles.form} onSubmit={submit} noValidate>
        <TextField label={say.name} autoFocus {...field('name', { required: say.nameThePerson })} />
        <SelectField label={say.role} options={roleOptions} {...field('role')} />
        <TextField label={say.station} hint={say.stationHint} {...field('station')} />
        <label className={styles.check}>
          <input type="checkbox" {...form.register('disabled')} /> {say.disable}
        </label>
        <Fault text={fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={busy}>
            {say.save}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
