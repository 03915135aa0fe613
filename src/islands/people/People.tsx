import { useState } from 'react'
import { v7 } from 'uuid'
import type { PersonLine } from '../../contract/answers'
import { formatMoment } from '../../contract/words'
import { say } from '../../labels/people'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { type DataColumn, DataTable } from '../../ui/dataTable/DataTable'
import { CheckField, Fault, SelectField, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './people.module.css'

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

  const acts = (person: PersonLine) => (
    <span className={styles.acts}>
      <Button aria-label={say.editOf(person.name)} onClick={() => setOpen({ kind: 'edit', person })}>
        {say.edit}
      </Button>
      {!person.disabled && (
        <Button
          kind="quiet"
          onClick={() =>
            void ask<{ code: string }>(`${at(person)}/code`, ({ code }) => setOpen({ kind: 'code', name: person.name, code }))
          }
        >
          {say.newCode}
        </Button>
      )}
      {person.secondFactor && (
        <Button kind="quiet" onClick={() => void ask(`${at(person)}/second-factor/end`, () => location.reload())}>
          {say.takeFactorAway}
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
  )
  const quiet = (person: PersonLine, text: string | null) => (
    <span className={person.disabled ? styles.quiet : undefined}>
      {text ?? <span className={styles.quiet}>{say.everywhere}</span>}
    </span>
  )
  const columns: readonly DataColumn<PersonLine>[] = [
    { id: 'name', head: say.name, by: ({ name }) => name, cell: (person) => quiet(person, person.name) },
    {
      id: 'username',
      head: say.userName,
      by: ({ username }) => username,
      cell: ({ username }) => <span className="figure">{username}</span>,
    },
    { id: 'role', head: say.role, by: ({ role }) => role, cell: ({ role }) => role },
    { id: 'station', head: say.station, by: ({ station }) => station ?? '', cell: (person) => quiet(person, person.station) },
    {
      id: 'lastSignIn',
      head: say.lastSignIn,
      by: ({ lastSignIn }) => lastSignIn ?? '',
      cell: ({ lastSignIn }) => <span className="figure">{lastSignIn === null ? say.never : formatMoment(lastSignIn)}</span>,
    },
    { id: 'state', head: say.state, by: stateOf, cell: stateOf },
    { id: 'acts', head: '', by: () => '', cell: acts },
  ]

  return (
    <>
      <p className={styles.bar}>
        <Button kind="primary" onClick={() => setOpen({ kind: 'add' })}>
          {say.addPerson}
        </Button>
      </p>
      {said?.good ? <p role="status">{said.text}</p> : <Fault text={said?.text} />}
      <DataTable
        label={say.people}
        rows={people}
        columns={columns}
        keyOf={({ id }) => id}
        search={say.searchPeople}
        empty={say.nothingFound}
      />
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

interface Added {
  readonly id: string
  readonly name: string
  readonly username: string
  readonly role: string
  readonly station: string
}
interface Changed {
  readonly name: string
  readonly role: string
  readonly station: string
  readonly disabled: boolean
  readonly secondFactorAsked: boolean
}

function AddForm({ onCode, onClose }: { readonly onCode: (name: string, code: string) => void; readonly onClose: () => void }) {
  const form = useSentForm<Added, { readonly code: string | null }>({
    key: 'medida-form:person',
    // One id for this form: pressing twice makes one account.
    start: () => ({ id: v7(), name: '', username: '', role: 'inspector', station: '' }),
    path: '/api/people',
    schema: async () => (await import('../../contract/bodies')).personBody,
    body: (typed) => typed,
    done: ({ code }, { name }) => (code === null ? location.reload() : onCode(name, code)),
  })
  const { field } = form
  return (
    <Dialog title={say.addPerson} onClose={onClose}>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        <TextField label={say.name} autoFocus {...field('name')} />
        <TextField label={say.userName} autoCapitalize="none" spellCheck={false} hint={say.userNameHint} {...field('username')} />
        <SelectField label={say.role} options={roleOptions} {...field('role')} />
        <TextField label={say.station} hint={say.stationHint} {...field('station')} />
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={form.busy}>
            {say.addPerson}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

function EditForm({ person, onClose }: { readonly person: PersonLine; readonly onClose: () => void }) {
  const form = useSentForm<Changed, unknown>({
    key: `medida-form:person:${person.id}`,
    start: () => ({
      name: person.name,
      role: person.role,
      station: person.station ?? '',
      disabled: person.disabled,
      secondFactorAsked: person.secondFactorAsked,
    }),
    path: `/api/people/${encodeURIComponent(person.id)}`,
    schema: async () => (await import('../../contract/bodies')).personChange,
    body: (typed) => typed,
    done: () => location.reload(),
  })
  const { field } = form
  return (
    <Dialog title={say.editOf(person.name)} onClose={onClose}>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        <TextField label={say.name} autoFocus {...field('name')} />
        <SelectField label={say.role} options={roleOptions} {...field('role')} />
        <TextField label={say.station} hint={say.stationHint} {...field('station')} />
        <CheckField label={say.askFactor} hint={say.askFactorHint} {...field('secondFactorAsked')} />
        <CheckField label={say.disable} {...field('disabled')} />
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={form.busy}>
            {say.save}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
