import type { Refusal } from '../contract/answers'
import type { Entry } from '../core/work/entrySchema'

/** How a call ended. Offline means nothing is known to have been stored: send it again, its id keeps it single. */
export type Answer<T> =
  | { readonly kind: 'ok'; readonly value: T }
  | {
      readonly kind: 'refused'
      readonly status: number
      readonly message: string
      readonly paths: readonly string[]
      readonly issues: readonly { readonly path: string; readonly message: string }[]
      /** What somebody else wrote meanwhile, where that is why. */
      readonly standing: Entry | null
    }
  | { readonly kind: 'offline' }

async function call<T>(path: string, init: RequestInit): Promise<Answer<T>> {
  let response: Response
  try {
    response = await fetch(path, init)
  } catch {
    return { kind: 'offline' }
  }
  // A proxy or a server that is just starting: try again later, like no network at all.
  if (response.status >= 500) return { kind: 'offline' }
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return { kind: 'ok', value: body as T }
  const error = (body as Refusal | null)?.error
  return {
    kind: 'refused',
    status: response.status,
    message: error?.message ?? `The server answered ${response.status}. Reload the page and try again.`,
    paths: error?.issues?.map(({ path }) => path) ?? [],
    issues: error?.issues ?? [],
    standing: error?.standing ?? null,
  }
}

/** Bytes that a browser goes on sending after its page is left; more it refuses to promise. */
const MOST_KEPT_ALIVE = 60_000

export function postJson<T>(path: string, json: unknown): Promise<Answer<T>> {
  const body = JSON.stringify(json)
  const keepalive = new Blob([body]).size <= MOST_KEPT_ALIVE
  return call(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body, keepalive })
}

export const postForm = <T>(path: string, form: FormData): Promise<Answer<T>> => call(path, { method: 'POST', body: form })

export const getJson = <T>(path: string): Promise<Answer<T>> => call(path, { headers: { accept: 'application/json' } })
