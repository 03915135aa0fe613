import { useState } from 'react'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import { NewPassword, passwordFaults } from './NewPassword'
import styles from './people.module.css'

interface Typed {
  readonly current: string
  readonly password: string
  readonly again: string
}

/** A person changes the own password; every other device is signed out. */
export function OwnPassword() {
  const [isDone, setDone] = useState(false)
  const empty = { current: '', password: '', again: '' }
  const form = useSentForm<Typed, { readonly ended: number }>({
    key: null,
    start: () => empty,
    path: '/api/account/password',
    schema: async () => (await import('../../contract/bodies')).ownPasswordBody,
    check: passwordFaults,
    body: ({ current, password }) => ({ current, password }),
    done: () => {
      form.reset(empty)
      setDone(true)
    },
  })
  return (
    <form className={styles.form} onSubmit={form.submit} onInput={() => setDone(false)} noValidate>
      <TextField label={say.currentPassword} type="password" autoComplete="current-password" {...form.field('current')} />
      <NewPassword label={say.newPassword} field={form.field} />
      {isDone ? <p role="status">{say.changed}</p> : <Fault text={form.fault} />}
      <Button type="submit" kind="primary" disabled={form.busy}>
        {say.changeIt}
      </Button>
    </form>
  )
}
