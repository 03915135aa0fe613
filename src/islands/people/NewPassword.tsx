import type { UseFormRegisterReturn } from 'react-hook-form'
import { say } from '../../labels/people'
import { TextField } from '../../ui/Field'

/** Fewer letters than this are guessed. */
const LEAST = 10

type Field = UseFormRegisterReturn & { readonly error: string | null }

/** A new password, typed twice; `field` ties it to the form it is part of. */
export function NewPassword({
  label,
  typed,
  field,
}: {
  readonly label: string
  /** What the first of the two holds now. */
  readonly typed: () => string
  readonly field: (name: 'password' | 'again', rules: object) => Field
}) {
  return (
    <>
      <TextField
        label={label}
        type="password"
        autoComplete="new-password"
        hint={say.atLeastTen}
        {...field('password', { minLength: { value: LEAST, message: say.chooseLonger }, required: say.chooseLonger })}
      />
      <TextField
        label={say.passwordAgain}
        type="password"
        autoComplete="new-password"
        {...field('again', { validate: (text: string) => text === typed() || say.notAlike })}
      />
    </>
  )
}
