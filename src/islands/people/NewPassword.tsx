import type { UseFormRegisterReturn } from 'react-hook-form'
import { say } from '../../labels/people'
import { TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'

type Field = UseFormRegisterReturn & { readonly error: string | null }

/** That the second of two passwords is the first; how long it must be the schema of the body says. */
export const passwordFaults = (typed: { readonly password: string; readonly again: string }): readonly FieldSays[] =>
  typed.password === typed.again ? [] : [{ at: 'again', says: say.notAlike }]

/** A new password, typed twice; `field` ties it to the form it is part of. */
export function NewPassword({ label, field }: { readonly label: string; readonly field: (name: 'password' | 'again') => Field }) {
  return (
    <>
      <TextField label={label} type="password" autoComplete="new-password" hint={say.atLeastTen} {...field('password')} />
      <TextField label={say.passwordAgain} type="password" autoComplete="new-password" {...field('again')} />
    </>
  )
}
