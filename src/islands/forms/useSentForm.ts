import type { FieldValues } from 'react-hook-form'
import type { z } from 'zod'
import { say } from '../../labels/shell'
import { postJson } from '../../sync/http'
import type { FieldSays } from '../../ui/fieldSays'
import { type KeptForm, type KeptFormOptions, useKeptForm } from './useKeptForm'

export interface SentFormOptions<F extends FieldValues, A> extends Omit<KeptFormOptions<F>, 'send' | 'check'> {
  readonly path: string
  readonly body: (typed: F) => unknown
  /** The schema by which the server reads the body; fetched at the first try. */
  readonly schema: () => Promise<z.ZodType>
  /** What only a person would see: a repeated password, a file not chosen. It goes before what the schema says of the same field. */
  readonly check?: (typed: F) => readonly FieldSays[]
  /** Field of a path in the body, where it has another name. */
  readonly fieldOf?: Readonly<Record<string, keyof F & string>>
  readonly done: (answer: A, typed: F) => void
  /** Looks at what the server refused, before it is said. */
  readonly refused?: (paths: readonly string[]) => void
}

/** A form that is sent as one body: what the schema of the body says, and what the server refuses, stands at its fields. */
export function useSentForm<F extends FieldValues, A>({
  path,
  body,
  schema,
  check = () => [],
  fieldOf = {},
  done,
  refused,
  ...kept
}: SentFormOptions<F, A>): KeptForm<F> {
  const placed = ({ at, says }: FieldSays): FieldSays => ({ at: fieldOf[at] ?? at, says })
  const form = useKeptForm<F>({
    ...kept,
    check: async (typed) => {
      const own = check(typed)
      const found = await faultsBy(schema, body(typed))
      return [...own, ...found.map(placed).filter(({ at }) => !own.some((of) => of.at === at))]
    },
    send: async (typed) => {
      const answer = await postJson<A>(path, body(typed))
      if (answer.kind === 'ok') {
        form.done()
        done(answer.value, typed)
        return []
      }
      if (answer.kind === 'offline') return [{ at: '', says: say.serverCannotReachedForm }]
      refused?.(answer.paths)
      const told = answer.issues.map(({ path: at, message }) => placed({ at, says: message }))
      return told.length > 0 ? told : [{ at: '', says: answer.message }]
    },
  })
  return form
}

/** All that a schema says of a body; nothing where the schema cannot be fetched: the server says it then. */
async function faultsBy(load: () => Promise<z.ZodType>, body: unknown): Promise<FieldSays[]> {
  const loaded = await Promise.all([load(), import('../../core/words/issues')]).catch(() => null)
  if (loaded === null) return []
  const [schema, { issueWords }] = loaded
  const read = schema.safeParse(body)
  return read.success ? [] : read.error.issues.map((issue) => ({ at: issue.path.join('.'), says: issueWords(issue) }))
}
