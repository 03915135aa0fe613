import { type SyntheticEvent, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import {
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type Path,
  type PathValue,
  type UseFormRegisterReturn,
  useForm,
} from 'react-hook-form'
import type { FieldSays } from '../../ui/fieldSays'

export interface KeptForm<F extends FieldValues> {
  /** As it stands now. */
  readonly value: F
  /** Something is typed that is neither sent nor noted. */
  readonly dirty: boolean
  readonly busy: boolean
  /** How often something was found wrong: whoever moves to it hears of each time. */
  readonly wrong: number
  /** What is wrong and belongs to no field. */
  readonly fault: string | null
  /** What is wrong with a field. */
  at(name: string): string | null
  /** What a field of text, a choice from a list or a tick needs. */
  field(name: FieldPath<F>): UseFormRegisterReturn & { readonly error: string | null }
  set(over: Partial<F>): void
  /** Says all of it, each at its field, and goes to the first. */
  say(faults: readonly FieldSays[]): void
  /** Takes what stands there for what is on record. */
  reset(to: F): void
  /** What is typed is on its way: nothing is kept of it, and nobody is asked when the page is left. */
  done(): void
  readonly submit: (event?: SyntheticEvent) => void
}

export interface KeptFormOptions<F extends FieldValues> {
  /** Under which what is typed stays in this tab over a reload; null where nothing may be kept, as of a password. */
  readonly key: string | null
  readonly start: () => F
  /** Fields that are never kept: passwords, codes. */
  readonly secret?: readonly (keyof F)[]
  /** Everything that is wrong as it is typed; nothing where it may be sent. */
  readonly check?: (typed: F) => readonly FieldSays[] | Promise<readonly FieldSays[]>
  /** Sends it; what is refused, each at its field, or nothing when it is done. */
  readonly send?: (typed: F) => Promise<readonly FieldSays[]>
}

const kept = <F>(key: string | null): Partial<F> | null => {
  if (key === null) return null
  try {
    const saved: unknown = JSON.parse(sessionStorage.getItem(key) ?? 'null')
    return typeof saved === 'object' && saved !== null ? (saved as Partial<F>) : null
  } catch {
    sessionStorage.removeItem(key) // written by something else: not a form of ours
    return null
  }
}

/**
 * The state of a form: all that is wrong stands at its fields at once, the first of them is focused, what is typed survives a
 * reload, and leaving a page on which something is typed is asked about.
 */
export function useKeptForm<F extends FieldValues>({ key, start, secret = [], check, send }: KeptFormOptions<F>): KeptForm<F> {
  const [first] = useState(start)
  const form = useForm<F>({ defaultValues: first as DefaultValues<F>, shouldFocusError: true })
  const { errors, isDirty, isSubmitting } = form.formState
  const [fault, setFault] = useState<string | null>(null)
  const [wrong, setWrong] = useState(0)
  const sent = useRef(false)
  /** Fields in the order in which they are asked. */
  const known = useRef(Object.keys(first))
  const latest = useRef({ check, send, secret })
  latest.current = { check, send, secret }

  useEffect(() => {
    const saved = kept<F>(key)
    if (saved !== null) form.reset({ ...first, ...saved }, { keepDefaultValues: true })
  }, [form, key, first])

  useEffect(() => {
    if (key === null) return
    const { unsubscribe } = form.watch((typed) => {
      const open = Object.entries(typed).filter(([name]) => !latest.current.secret.includes(name))
      sessionStorage.setItem(key, JSON.stringify(Object.fromEntries(open)))
    })
    return unsubscribe
  }, [form, key])

  useEffect(() => {
    if (!isDirty) return
    sent.current = false
    const ask = (event: BeforeUnloadEvent): void => {
      if (!sent.current) event.preventDefault()
    }
    addEventListener('beforeunload', ask)
    return () => removeEventListener('beforeunload', ask)
  }, [isDirty])

  const say = useCallback(
    (faults: readonly FieldSays[]) => {
      form.clearErrors()
      const place = ({ at }: FieldSays): number => known.current.indexOf(at.split('.')[0] ?? '')
      const own = faults.filter((of) => place(of) >= 0).sort((a, b) => place(a) - place(b))
      for (const { at, says } of own) form.setError(at as FieldPath<F>, { message: says })
      const [one] = own
      if (one) form.setFocus(one.at as FieldPath<F>)
      setFault(faults.find((of) => !own.includes(of))?.says ?? null)
      if (faults.length > 0) setWrong((times) => times + 1)
    },
    [form],
  )
  const done = useCallback(() => {
    sent.current = true
    if (key !== null) sessionStorage.removeItem(key)
  }, [key])
  const set = useCallback(
    (over: Partial<F>) => {
      sent.current = false
      for (const [name, value] of Object.entries(over)) {
        form.setValue(name as Path<F>, value as PathValue<F, Path<F>>, { shouldDirty: true })
        form.clearErrors(name as FieldPath<F>)
      }
    },
    [form],
  )
  const reset = useCallback(
    (to: F) => {
      form.reset(to)
      if (key !== null) sessionStorage.removeItem(key)
    },
    [form, key],
  )

  const submit = useMemo(
    () =>
      form.handleSubmit(async (typed) => {
        setFault(null)
        const found = (await latest.current.check?.(typed)) ?? []
        if (found.length > 0) return say(found)
        const refused = (await latest.current.send?.(typed)) ?? []
        if (refused.length > 0) say(refused)
      }),
    [form, say],
  )

  const at = (name: string): string | null =>
    (form.getFieldState(name as FieldPath<F>, form.formState).error?.message as string) ?? null
  return {
    value: form.watch(),
    dirty: isDirty,
    busy: isSubmitting,
    wrong,
    fault,
    at,
    field: (name) => ({
      ...form.register(name, { onChange: () => errors[name] !== undefined && form.clearErrors(name) }),
      error: at(name),
    }),
    set,
    say,
    reset,
    done,
    submit: (event) => {
      event?.preventDefault()
      sent.current = false
      // What was found wrong before is looked at anew: an error that stands would keep the form from being sent.
      form.clearErrors()
      void submit(event as never)
    },
  }
}
