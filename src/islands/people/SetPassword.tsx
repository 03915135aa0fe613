import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { NewPassword } from './NewPassword'
import styles from './people.module.css'
import { useSentForm } from './useSentForm'

interface Typed {
  readonly code: string
  readonly password: string
  readonly again: string
}

/** A person sets a password of their own with the code they were given. */
export function SetPassword({ code }: { readonly code: string }) {
  const { form, fault, submit, busy, field } = useSentForm<Typed, { username: string }>(
    { code, password: '', again: '' },
    {
      path: '/api/set-password',
      body: ({ code: typed, password }) => ({ code: typed, password }),
      done: () => location.assign('/sign-in'),
    },
  )
  return (
    <form className={styles.form} onSubmit={submit} noValidate>
      <TextField
        label={say.code}
        autoComplete="one-time-code"
        spellCheck={false}
        {...field('code', { required: say.typeCode })}
      />
      <NewPassword label={say.password} typed={() => form.getValues('password')} field={field} />
      <Fault text={fault} />
      <Button type="submit" kind="primary" disabled={busy}>
        {say.setIt}
      </Button>
    </form>
  )
}
