import { afterEach, expect, test, vi } from 'vitest'
import { LINES_TYPE, type Progress } from '../contract/longWork'
import { callLong } from './http'

afterEach(() => vi.unstubAllGlobals())

/** Answers with these pieces as they come over a network: a line may be torn in two. */
function answers(pieces: readonly string[], type = LINES_TYPE, status = 200): void {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece))
      controller.close()
    },
  })
  vi.stubGlobal('fetch', async () => new Response(body, { status, headers: { 'content-type': type } }))
}
const call = async () => {
  const said: Progress[] = []
  const answer = await callLong('/made', {}, { say: (far) => said.push(far), signal: new AbortController().signal })
  return { said, answer }
}

test('a line torn in two is one line, and the last says how it ended', async () => {
  answers(['{"far":{"stage":"storing","do', 'ne":1,"of":3}}\n{"ended":{"status":200,', '"body":{"n":3}}}\n'])
  expect(await call()).toEqual({ said: [{ stage: 'storing', done: 1, of: 3 }], answer: { kind: 'ok', value: { n: 3 } } })
})

test.each<[string, string[], string | undefined, number | undefined, object]>([
  [
    'refused in the last line',
    ['{"ended":{"status":409,"body":{"error":{"code":"conflict","message":"There."}}}}\n'],
    undefined,
    undefined,
    { kind: 'refused', status: 409, message: 'There.' },
  ],
  [
    'refused before it began',
    ['{"error":{"code":"malformed","message":"No."}}'],
    'application/json',
    400,
    { kind: 'refused', message: 'No.' },
  ],
  ['cut off before the last line', ['{"far":{"stage":"storing","done":1,"of":3}}\n'], undefined, undefined, { kind: 'offline' }],
  ['cut off within a line', ['{"ended":{"sta'], undefined, undefined, { kind: 'offline' }],
  ['a fault of the server', ['{"ended":{"status":500,"body":null}}\n'], undefined, undefined, { kind: 'offline' }],
])('%s', async (_, pieces, type, status, ends) => {
  answers(pieces, type, status)
  expect((await call()).answer).toMatchObject(ends)
})

test('cancelled by the person it is neither done nor offline', async () => {
  const controller = new AbortController()
  vi.stubGlobal('fetch', async () => {
    controller.abort()
    throw new DOMException('aborted', 'AbortError')
  })
  expect(await callLong('/made', {}, { say: () => {}, signal: controller.signal })).toEqual({ kind: 'cancelled' })
})
