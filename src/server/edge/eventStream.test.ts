import { expect, test, vi } from 'vitest'
import { answerEvents, type Speaker } from './eventStream'

const begin = (stopped = vi.fn()) => {
  let speaker: Speaker | undefined
  const answer = answerEvents('somebody', (given) => {
    speaker = given
    return stopped
  })
  if (!speaker || !answer.body) throw new Error('the source begins at once')
  return { speaker, reader: answer.body.getReader(), stopped, answer }
}
const text = async (reader: ReadableStreamDefaultReader<Uint8Array>): Promise<string> => {
  const { value } = await reader.read()
  return new TextDecoder().decode(value)
}

test('says each event with where to go on, and ends when the source does', async () => {
  const { speaker, reader, stopped, answer } = begin()
  speaker.say({ id: '8', event: 'entry', data: { n: 1 } })
  speaker.say({ event: 'changed', data: {} })
  speaker.end()
  expect(answer.headers.get('content-type')).toMatch(/^text\/event-stream/)
  expect(await text(reader)).toBe('retry: 1000\n\n')
  expect(await text(reader)).toBe('id: 8\nevent: entry\ndata: {"n":1}\n\n')
  expect(await text(reader)).toBe('event: changed\ndata: {}\n\n')
  expect((await reader.read()).done).toBe(true)
  expect(stopped).toHaveBeenCalledOnce()
})

test('a browser that leaves while something is looked up for it troubles nobody', async () => {
  const { speaker, reader, stopped } = begin()
  await reader.cancel()
  expect(stopped).toHaveBeenCalledOnce()
  expect(() => {
    speaker.say({ event: 'entry', data: {} })
    speaker.end()
  }).not.toThrow()
  expect(stopped).toHaveBeenCalledOnce()
})

test('a source that ends while it begins is stopped all the same', () => {
  const stopped = vi.fn()
  answerEvents('somebody', ({ end }) => {
    end()
    return stopped
  })
  expect(stopped).toHaveBeenCalledOnce()
})
