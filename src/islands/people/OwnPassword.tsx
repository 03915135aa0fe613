import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { NewPassword } from './NewPassword'
import styles from './people.module.css'

interface Typed {
  readonly current: string
  readonly password: string
  readonly again: string
}

/** A person changes the own password; every other device is signed out. */
export function OwnPassword() {
  const { register, handleSubmit, setError, reset, getValues, formState } = useForm<Typed>({
    defaultValues: { current: '', password: '', again: '' },
  })
  const [said, setSaid] = useState<{ readonly good: boolean; readonly text: string } | null>(null)
  const field = (name: keyof Typed) => formState.errors[name]?.message ?? null

  const submit = handleSubmit(async ({ current, password }) => {
    setSaid(null)
    try {
      const response = await fetch('/api/auth/change-password', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ currentPassword: current, newPassword: password, revokeOtherSessions: true }),
      })
      if (response.ok) {
        reset()
        setSaid({ good: true, text: say.changed })
      } else if (response.status === 429) setSaid({ good: false, text: say.tooManyTries })
      else setError('current', { message: say.notYourPassword }, { shouldFocus: true })
    } catch {
      setSaid({ good: false, text: say.serverCannotReached })
    }
  })
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)} noValidate>
      <TextField
        label={say.currentPassword}
        type="password"
        autoComplete="current-password"
        error={field('current')}
        {...register('current', { required: say.notYourPassword })}
      />
      <NewPassword
        label={say.newPassword}
        typed={() => getValues('password')}
        field={(name, rules) => ({ ...register(name, rules), error: field(name) })}
      />
      {said?.good ? <p role="status">{said.text}</p> : <Fault text={said?.text} />}
      <Button type="submit" kind="primary" disabled={formState.isSubmitting}>
        {say.changeIt}
      </Button>
    </form>
  )
}
