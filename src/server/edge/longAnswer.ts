import { spanMs } from '../../clock/clock'
import { LINES_TYPE, type LongLine, type LongWork, type Progress, quietly } from '../../contract/longWork'
import { say } from '../../labels/refusals'
import { Refused } from './refused'

/** How often a browser is told how far the work is, ms. */
const SAY_EVERY_MS = 100

/**
 * Answers a call that takes long. Whoever asks for lines is told how far it is, and then how it ended; when they hang up the work
 * is told to stop. Everybody else gets the answer alone, and the work goes on to its end.
 */
export async function longAnswer(request: Request, work: (long: LongWork) => Promise<Response>): Promise<Response> {
  if (!request.headers.get('accept')?.includes(LINES_TYPE)) return work(quietly)
  const hungUp = new AbortController()
  const encoder = new TextEncoder()
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (line: LongLine): void => {
        if (!hungUp.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`))
      }
      const long: LongWork = { say: seldom(SAY_EVERY_MS, (far) => write({ far })), signal: hungUp.signal }
      void work(long).then(async (answer) => {
        write({ ended: { status: answer.status, body: await answer.json().catch(() => null) } })
        if (!hungUp.signal.aborted) controller.close()
      })
    },
    cancel: () => hungUp.abort(),
  })
  return new Response(stream, {
    headers: { 'content-type': `${LINES_TYPE}; charset=utf-8`, 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  })
}

/** Ends work that nobody wants any more, so that the transaction it happens in rolls back. */
export function stopUnlessWanted({ signal }: LongWork): void {
  if (signal.aborted) throw new Refused('notPossible', say.cancelled)
}

/** Says the first of each stage, and then no more than one in so many milliseconds. */
export function seldom(everyMs: number, tell: (far: Progress) => void, clock: () => number = spanMs): (far: Progress) => void {
  let last: { readonly stage: string; readonly at: number } | null = null
  return (far) => {
    const at = clock()
    if (last !== null && last.stage === far.stage && at - last.at < everyMs && far.done < far.of) return
    last = { stage: far.stage, at }
    tell(far)
  }
}
