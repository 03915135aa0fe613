import { useState } from 'react'
import { v7 } from 'uuid'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { NewPassword } from './NewPassword'
import styles from './people.module.css'
import { signIn } from './signIn'
import { useSentForm } from './useSentForm'

interface Typed {
  readonly code: string
  readonly name: string
  readonly username: string
  readonly station: string
  readonly password: string
  readonly again: string
}

/** The first account of an installation that has nobody, with the code printed in the terminal. */
export function FirstAdministrator() {
  // One id: pressing twice makes one account.
  const [id] = useState(() => v7())
  const { form, fault, setFault, submit, busy, field } = useSentForm<Typed, { username: string }>(
    { code: '', name: '', username: '', station: '', password: '', again: '' },
    {
      path: '/api/first',
      body: ({ again: _, ...typed }) => ({ id, ...typed }),
      done: ({ username }, { password }) =>
        void signIn(username, password).then((refused) => (refused === null ? location.assign('/') : setFault(refused))),
    },
  )
  return (
    <form className={styles.form} onSubmit={submit} noValidate>
      <TextField label={say.code} autoComplete="off" spellCheck={false} {...field('code', { required: say.typeCode })} />
      <TextField label={say.name} autoComplete="name" {...field('name', { required: say.nameThePerson })} />
      <TextField
        label={say.userName}
        autoComplete="username"
        autoCapitalize="none"
        spellCheck={false}
        hint={say.userNameHint}
        {...field('username', {
          pattern: { value: /^[a-z0-9][a-z0-9.-]{2,29}$/, message: say.chooseUserName },
          required: say.chooseUserName,
        })}
      />
      <TextField label={say.station} hint={say.stationFirst} {...field('station', { required: say.nameStation })} />
      <NewPassword label={say.password} typed={() => form.getValues('password')} field={field} />
      <Fault text={fault} />
      <Button type="submit" kind="primary" disabled={busy}>
        {say.makeFirst}
      </Button>
    </form>
  )
}
