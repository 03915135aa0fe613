/** After a server that answered with a fault, ms; a broken network the browser mends by itself. */
const AGAIN_MS = 4_000

/** A stream of server-sent events, and the parameter that says after what it goes on. */
export interface Stream {
  readonly path: string
  readonly parameter: string
  readonly after: string
}

/**
 * Hears the events of a stream until the answer is called. A tab that nobody looks at hangs up, because a browser holds
 * only a few connections to one server at a time, and goes on from the last event it has when it is looked at again.
 */
export function hear({ path, parameter, after }: Stream, takes: Readonly<Record<string, (data: unknown) => void>>): () => void {
  let source: EventSource | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  let last = after
  const hangUp = (): void => {
    clearTimeout(again)
    source?.close()
    source = undefined
  }
  const call = (): void => {
    hangUp()
    if (document.hidden) return
    const called = new EventSource(`${path}?${parameter}=${encodeURIComponent(last)}`)
    source = called
    for (const [event, take] of Object.entries(takes))
      called.addEventListener(event, ({ data, lastEventId }: MessageEvent<string>) => {
        if (lastEventId !== '') last = lastEventId
        take(JSON.parse(data))
      })
    called.addEventListener('error', () => {
      if (called.readyState === EventSource.CLOSED && source === called) again = setTimeout(call, AGAIN_MS)
    })
  }
  const looked = (): void => (document.hidden ? hangUp() : call())
  call()
  document.addEventListener('visibilitychange', looked)
  return () => {
    document.removeEventListener('visibilitychange', looked)
    hangUp()
  }
}
