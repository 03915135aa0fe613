import type { Refusal } from '../contract/answers'
import { LINES_TYPE, type LongLine, type LongWork } from '../contract/longWork'
import type { Entry } from '../core/notes/entrySchema'
import { say } from '../labels/shell'

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
  // An answer cut off on its way is no answer.
  return response.json().then(
    (body: unknown) => answerOf<T>(response.status, body),
    () => (response.ok ? { kind: 'offline' } : answerOf<T>(response.status, null)),
  )
}

function answerOf<T>(status: number, body: unknown): Answer<T> {
  // A proxy or a server that is just starting: try again later, like no network at all.
  if (status >= 500) return { kind: 'offline' }
  if (status >= 200 && status < 300) return { kind: 'ok', value: body as T }
  const error = (body as Refusal | null)?.error
  return {
    kind: 'refused',
    status,
    message: error?.message ?? say.serverAnsweredReload(status),
    paths: error?.issues?.map(({ path }) => path) ?? [],
    issues: error?.issues ?? [],
    standing: error?.standing ?? null,
  }
}

/** Bytes that a browser goes on sending after its page is left; more it refuses to promise. */
const MOST_KEPT_ALIVE = 60_000

/** For what is kept on this device until it is sent: a network that does not answer is as good as none. */
export const PATIENCE_MS = 10_000

/** Sends JSON; with a patience, what is not answered within so many milliseconds counts as offline. */
export function postJson<T>(path: string, json: unknown, patienceMs?: number): Promise<Answer<T>> {
  const body = JSON.stringify(json)
  const keepalive = new Blob([body]).size <= MOST_KEPT_ALIVE
  const signal = patienceMs === undefined ? null : AbortSignal.timeout(patienceMs)
  return call(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body, keepalive, signal })
}

export const postForm = <T>(path: string, form: FormData): Promise<Answer<T>> => call(path, { method: 'POST', body: form })

export const getJson = <T>(path: string): Promise<Answer<T>> => call(path, { headers: { accept: 'application/json' } })

/** How a long call ended; cancelled means the server was told to stop, and may yet have been done. */
export type LongAnswer<T> = Answer<T> | { readonly kind: 'cancelled' }

/** A call that takes long: says how far it is, line by line, and can be cancelled. */
export async function callLong<T>(path: string, init: RequestInit, { say, signal }: LongWork): Promise<LongAnswer<T>> {
  try {
    const response = await fetch(path, { ...init, headers: { accept: LINES_TYPE }, signal })
    if (!response.headers.get('content-type')?.startsWith(LINES_TYPE))
      return answerOf(response.status, await response.json().catch(() => null))
    for await (const line of linesOf(response)) {
      if ('ended' in line) return answerOf(line.ended.status, line.ended.body)
      say(line.far)
    }
    return { kind: 'offline' }
  } catch {
    return { kind: signal.aborted ? 'cancelled' : 'offline' }
  }
}

async function* linesOf({ body }: Response): AsyncGenerator<LongLine> {
  if (!body) return
  const reader = body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) yield JSON.parse(line) as LongLine
  }
}
