import { useState } from 'react'
import { say } from '../../labels/signIn'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useKeptForm } from '../forms/useKeptForm'
import { signIn, signInCode } from '../people/signIn'
import styles from './SignIn.module.css'

interface Typed {
  readonly code: string
  readonly name: string
  readonly password: string
}

export function SignIn({ target }: { readonly target: string }) {
  const [asksCode, setAsksCode] = useState(false)
  const form = useKeptForm<Typed>({
    key: 'medida-form:sign-in',
    secret: ['password', 'code'],
    start: () => ({ name: '', password: '', code: '' }),
    check: ({ name, password, code }) => [
      ...(name.trim() === '' ? [{ at: 'name', says: say.typeName }] : []),
      ...(password === '' ? [{ at: 'password', says: say.typePassword }] : []),
      ...(asksCode && code.trim() === '' ? [{ at: 'code', says: say.typeCode }] : []),
    ],
    send: async ({ name, password, code }) => {
      const answer = await (asksCode ? signInCode(code) : signIn(name.trim(), password))
      if (answer.kind === 'refused') return [{ at: asksCode ? 'code' : '', says: answer.says }]
      if (answer.kind === 'code') {
        setAsksCode(true)
        return []
      }
      form.done()
      location.assign(target)
      return []
    },
  })
  return (
    <form className={styles.form} method="post" onSubmit={form.submit} noValidate>
      {/* Whose code it is was said with the password: to be somebody else one begins again. */}
      <TextField
        label={say.userNameE}
        autoComplete="username"
        autoCapitalize="none"
        spellCheck={false}
        readOnly={asksCode}
        {...form.field('name')}
      />
      <TextField
        label={say.password}
        type="password"
        autoComplete="current-password"
        readOnly={asksCode}
        {...form.field('password')}
      />
      {asksCode && (
        <TextField
          label={say.code}
          hint={say.codeHint}
          inputMode="numeric"
          autoComplete="one-time-code"
          autoFocus
          {...form.field('code')}
        />
      )}
      <Fault text={form.fault} />
      <Button type="submit" kind="primary" disabled={form.busy}>
        {form.busy ? say.signing : say.sign}
      </Button>
      {asksCode && (
        <Button kind="quiet" onClick={() => location.reload()}>
          {say.beginAgain}
        </Button>
      )}
    </form>
  )
}
