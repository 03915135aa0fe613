import { useState } from 'react'
import { type DefaultValues, type FieldPath, type FieldValues, useForm } from 'react-hook-form'
import { say } from '../../labels/people'
import { postJson } from '../../sync/http'

/**
 * A form that is sent: all that the server refuses stands at its fields, the first of them focused, and nothing typed is
 * lost. What belongs to no field is said of the whole.
 */
export function useSentForm<F extends FieldValues, A>(
  start: DefaultValues<F>,
  send: { readonly path: string; readonly body: (typed: F) => unknown; readonly done: (answer: A, typed: F) => void },
) {
  const form = useForm<F>({ defaultValues: start, shouldFocusError: true })
  const [fault, setFault] = useState<string | null>(null)
  const { register, handleSubmit, setError, formState } = form

  const submit = handleSubmit(async (typed) => {
    setFault(null)
    const answer = await postJson<A>(send.path, send.body(typed))
    if (answer.kind === 'ok') return send.done(answer.value, typed)
    if (answer.kind === 'offline') return setFault(say.serverCannotReached)
    const own = new Set(Object.keys(typed))
    const told = answer.issues.filter(({ path }) => own.has(path))
    told.forEach(({ path, message }, index) => {
      setError(path as FieldPath<F>, { message }, { shouldFocus: index === 0 })
    })
    if (told.length === 0) setFault(answer.message)
  })

  return {
    form,
    fault,
    setFault,
    submit: (event: { preventDefault(): void }) => void submit(event as never),
    busy: formState.isSubmitting,
    /** What a text field needs. */
    field: (name: FieldPath<F>, rules: Parameters<typeof register>[1] = {}) => ({
      ...register(name, rules as never),
      error: (formState.errors[name]?.message as string | undefined) ?? null,
    }),
  }
}
