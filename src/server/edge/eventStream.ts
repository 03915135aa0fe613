import { Refused } from './refused'

/** One server-sent event. Its id is where a browser that connects again goes on. */
export interface StreamedEvent {
  readonly id?: string
  readonly event: string
  readonly data: unknown
}

/** How a source of events speaks to one browser. Once the browser has left, or after the end, nothing is said any more. */
export interface Speaker {
  say(event: StreamedEvent): void
  end(): void
}

const ALIVE_MS = 20_000

const written = ({ id, event, data }: StreamedEvent): string =>
  `${id === undefined ? '' : `id: ${id}\n`}event: ${event}\ndata: ${JSON.stringify(data)}\n\n`

/** Streams that one person holds open at once: some for each tab of a few devices. */
const MOST_STREAMS = 24
const streamsOf = new Map<string, number>()

function take(person: string): () => void {
  const held = streamsOf.get(person) ?? 0
  if (held >= MOST_STREAMS)
    throw new Refused('tooMany', 'You have Medida open in too many windows. Close some, then reload this one.')
  streamsOf.set(person, held + 1)
  return () => {
    const left = (streamsOf.get(person) ?? 1) - 1
    if (left > 0) streamsOf.set(person, left)
    else streamsOf.delete(person)
  }
}

/** An answer of server-sent events to a person. The source begins to speak at once and gives back how it is stopped. */
export function answerEvents(person: string, source: (speaker: Speaker) => () => void): Response {
  const giveBack = take(person)
  const encoder = new TextEncoder()
  let finish = (): void => {}
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let ended = false
      let stop: (() => void) | undefined
      const write = (text: string): void => {
        if (!ended) controller.enqueue(encoder.encode(text))
      }
      const alive = setInterval(() => write(': alive\n\n'), ALIVE_MS)
      // The source may end while it begins, and a browser may leave while something is looked up for it.
      finish = () => {
        if (ended) return
        ended = true
        giveBack()
        clearInterval(alive)
        stop?.()
      }
      write('retry: 1000\n\n')
      stop = source({
        say: (event) => write(written(event)),
        end: () => {
          if (ended) return
          finish()
          controller.close()
        },
      })
      if (ended) stop()
    },
    cancel: () => finish(),
  })
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    },
  })
}
