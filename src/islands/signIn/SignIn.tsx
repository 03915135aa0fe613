import { type SyntheticEvent, useState } from 'react'
import { say } from '../../labels/signIn'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { signIn } from '../people/signIn'
import styles from './SignIn.module.css'

export function SignIn({ target }: { readonly target: string }) {
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)

  async function submit(event: SyntheticEvent<HTMLFormElement>) {
    event.preventDefault()
    const form = new FormData(event.currentTarget)
    setBusy(true)
    const refused = await signIn(String(form.get('name')).trim(), String(form.get('password')))
    if (refused === null) return location.assign(target)
    setFault(refused)
    setBusy(false)
  }

  return (
    <form className={styles.form} method="post" onSubmit={submit}>
      <TextField label={say.userNameE} name="name" autoComplete="username" required autoCapitalize="none" spellCheck={false} />
      <TextField label={say.password} name="password" type="password" autoComplete="current-password" required />
      <Fault text={fault} />
      <Button type="submit" kind="primary" disabled={busy}>
        {busy ? say.signing : say.sign}
      </Button>
    </form>
  )
}
