import { v7 } from 'uuid'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import { NewPassword, passwordFaults } from './NewPassword'
import styles from './people.module.css'
import { signIn } from './signIn'

interface Typed {
  readonly id: string
  readonly code: string
  readonly name: string
  readonly username: string
  readonly station: string
  readonly password: string
  readonly again: string
}

/** The first account of an installation that has nobody, with the code printed in the terminal. */
export function FirstAdministrator() {
  const form = useSentForm<Typed, { readonly username: string }>({
    key: 'medida-form:first',
    secret: ['code', 'password', 'again'],
    // One id: pressing twice makes one account.
    start: () => ({ id: v7(), code: '', name: '', username: '', station: '', password: '', again: '' }),
    path: '/api/first',
    schema: async () => (await import('../../contract/bodies')).firstBody,
    check: passwordFaults,
    body: ({ again: _, ...typed }) => typed,
    done: ({ username }, { password }) =>
      void signIn(username, password).then((answer) =>
        answer.kind === 'refused' ? form.say([{ at: '', says: answer.says }]) : location.assign('/'),
      ),
  })
  const { field } = form
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.code} autoComplete="off" spellCheck={false} {...field('code')} />
      <TextField label={say.name} autoComplete="name" {...field('name')} />
      <TextField
        label={say.userName}
        autoComplete="username"
        autoCapitalize="none"
        spellCheck={false}
        hint={say.userNameHint}
        {...field('username')}
      />
      <TextField label={say.station} hint={say.stationFirst} {...field('station')} />
      <NewPassword label={say.password} field={field} />
      <Fault text={form.fault} />
      <Button type="submit" kind="primary" disabled={form.busy}>
        {say.makeFirst}
      </Button>
    </form>
  )
}
