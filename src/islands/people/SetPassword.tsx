import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import { NewPassword, passwordFaults } from './NewPassword'
import styles from './people.module.css'

interface Typed {
  readonly code: string
  readonly password: string
  readonly again: string
}

/** A person sets a password of their own with the code they were given. */
export function SetPassword({ code }: { readonly code: string }) {
  const form = useSentForm<Typed, unknown>({
    key: null,
    start: () => ({ code, password: '', again: '' }),
    path: '/api/set-password',
    schema: async () => (await import('../../contract/bodies')).passwordBody,
    check: passwordFaults,
    body: ({ code: typed, password }) => ({ code: typed, password }),
    done: () => location.assign('/sign-in'),
  })
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.code} autoComplete="one-time-code" spellCheck={false} {...form.field('code')} />
      <NewPassword label={say.password} field={form.field} />
      <Fault text={form.fault} />
      <Button type="submit" kind="primary" disabled={form.busy}>
        {say.setIt}
      </Button>
    </form>
  )
}
