import { expect, test } from 'vitest'
import { Cancelled, type CommandWork, withProgress } from './longWork'

function terminal(isTTY: boolean) {
  const written: string[] = []
  return { isTTY, write: (text: string) => written.push(text), written }
}

test('one line on a terminal says how far it is, and is gone at the end; into a file nothing is said', async () => {
  for (const isTTY of [true, false]) {
    const screen = terminal(isTTY)
    await withProgress(async ({ say }) => {
      say({ stage: 'verifying', done: 3, of: 1200 })
      say({ stage: 'verifying', done: 1200, of: 1200 })
    }, screen)
    const back = '\r\u001b[K'
    expect(screen.written).toEqual(
      isTTY ? [`${back}Checking reports: 3 of 1\u00a0200`, `${back}Checking reports: 1\u00a0200 of 1\u00a0200`, back] : [],
    )
  }
})

/** Runs work that waits until it is told to go on, and cancels it meanwhile as Ctrl-C does. */
async function cancelled(work: (long: CommandWork, goOn: Promise<void>) => Promise<string>): Promise<unknown> {
  let go = (): void => {}
  const goOn = new Promise<void>((resolve) => {
    go = resolve
  })
  const done = withProgress((long) => work(long, goOn), terminal(false)).catch((error: unknown) => error)
  process.emit('SIGINT')
  go()
  return done
}

test('cancelled: whatever it fails with then, it was cancelled', async () => {
  expect(
    await cancelled(async ({ signal }, goOn) => {
      await goOn
      if (signal.aborted) throw new Error('the program was ended')
      return 'made'
    }),
  ).toBeInstanceOf(Cancelled)
  expect(await cancelled(async ({ hold }, goOn) => goOn.then(() => hold()).then(() => 'made'))).toBeInstanceOf(Cancelled)
})

test('once held it goes to its end', async () => {
  expect(
    await cancelled(async ({ hold, signal }, goOn) => {
      hold()
      await goOn
      return signal.aborted ? 'cut off' : 'made'
    }),
  ).toBe('made')
  expect(process.listenerCount('SIGINT')).toBe(0)
})
