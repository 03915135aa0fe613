import { useState } from 'react'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { NewPassword } from './NewPassword'
import styles from './people.module.css'
import { useSentForm } from './useSentForm'

interface Typed {
  readonly current: string
  readonly password: string
  readonly again: string
}

/** A person changes the own password; every other device is signed out. */
export function OwnPassword() {
  const [isDone, setDone] = useState(false)
  const { form, fault, submit, busy, field } = useSentForm<Typed, { ended: number }>(
    { current: '', password: '', again: '' },
    {
      path: '/api/account/password',
      body: ({ current, password }) => ({ current, password }),
      done: () => {
        form.reset()
        setDone(true)
      },
    },
  )
  return (
    <form className={styles.form} onSubmit={submit} onInput={() => setDone(false)} noValidate>
      <TextField
        label={say.currentPassword}
        type="password"
        autoComplete="current-password"
        {...field('current', { required: say.notYourPassword })}
      />
      <NewPassword label={say.newPassword} typed={() => form.getValues('password')} field={field} />
      {isDone ? <p role="status">{say.changed}</p> : <Fault text={fault} />}
      <Button type="submit" kind="primary" disabled={busy}>
        {say.changeIt}
      </Button>
    </form>
  )
}
