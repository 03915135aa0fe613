import { expect, test } from 'vitest'
import { LINES_TYPE, type LongWork } from '../../contract/longWork'
import { longAnswer, seldom } from './longAnswer'

const asked = (accept?: string): Request =>
  new Request('http://localhost/made', accept === undefined ? {} : { headers: { accept } })

test('whoever looks on is told how far it is, line by line, and then how it ended', async () => {
  const answer = await longAnswer(asked(LINES_TYPE), async ({ say }) => {
    say({ stage: 'storing', done: 0, of: 9 })
    say({ stage: 'storing', done: 9, of: 9 })
    return new Response(JSON.stringify({ n: 9 }), { status: 409 })
  })
  const lines = (await answer.text()).trimEnd().split('\n')
  expect(lines.map((line) => JSON.parse(line))).toEqual([
    { far: { stage: 'storing', done: 0, of: 9 } },
    { far: { stage: 'storing', done: 9, of: 9 } },
    { ended: { status: 409, body: { n: 9 } } },
  ])
})

test('whoever hangs up ends the work, and hears nothing more', async () => {
  let work: LongWork | undefined
  let end = (): void => {}
  const answer = await longAnswer(asked(LINES_TYPE), (long) => {
    work = long
    return new Promise((resolve) => {
      end = () => resolve(new Response('{}'))
    })
  })
  expect(work?.signal.aborted).toBe(false)
  await answer.body?.cancel()
  expect(work?.signal.aborted).toBe(true)
  work?.say({ stage: 'storing', done: 1, of: 2 })
  end()
})

test('who asks for the answer alone gets it, and the work cannot be cancelled by leaving', async () => {
  const signals: AbortSignal[] = []
  const made = new Response('made')
  expect(
    await longAnswer(asked('application/pdf'), async ({ signal }) => {
      signals.push(signal)
      return made
    }),
  ).toBe(made)
  expect(signals.map(({ aborted }) => aborted)).toEqual([false])
})

test('says the first and the last of each stage, and little between', () => {
  const said: number[] = []
  let now = 0
  const say = seldom(
    100,
    ({ done }) => said.push(done),
    () => now,
  )
  for (let done = 0; done <= 300; done += 1) {
    now = done
    say({ stage: 'storing', done, of: 300 })
  }
  expect(said).toEqual([0, 100, 200, 300])
  say({ stage: 'layingOut', done: 0, of: 2 })
  expect(said.at(-1)).toBe(0)
})
