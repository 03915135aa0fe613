import type { AddressInfo } from 'node:net'
import { connect, type Server } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { gaugeLine } from '../core/gauge/lineProtocol'
import { createGaugePort, type GaugeWord } from './gaugePort'
import { SimulatedGauge, shownBy, simulatedKinds } from './simulated'

const SECRET = 'K7QX3MPA9D'
const hello = (code: string): string => gaugeLine(`HELLO 2 ${code} ${SECRET}`)

const open: { close(): void }[] = []
afterEach(() => {
  for (const one of open.splice(0)) one.close()
})

interface Passed {
  readonly gauge: string
  readonly word: GaugeWord
}

async function portWith(silentMs = 5_000): Promise<{ port: number; passed: Passed[]; until: (count: number) => Promise<void> }> {
  const passed: Passed[] = []
  let wake = (): void => {}
  const server: Server = createGaugePort(
    {
      pairedBy: async (code, secret) => (secret === SECRET ? { gaugeId: code.toLowerCase(), pairing: 'Bench 2' } : null),
      pass: async (gauge, word) => {
        passed.push({ gauge, word })
        wake()
      },
    },
    { silentMs, wrongMs: 0 },
  )
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  open.push(server)
  const until = async (count: number): Promise<void> => {
    while (passed.length < count) await new Promise<void>((resolve) => (wake = resolve))
  }
  return { port: (server.address() as AddressInfo).port, passed, until }
}

/** Talks over a wire of its own and waits for so many answers. */
function wire(port: number) {
  const socket = connect(port, '127.0.0.1').setEncoding('latin1')
  open.push({ close: () => socket.destroy() })
  let heard = ''
  let wake = (): void => {}
  socket.on('data', (chunk) => {
    heard += chunk
    wake()
  })
  socket.on('close', () => wake())
  return {
    socket,
    answers: async (count: number): Promise<string[]> => {
      while (heard.split('\n').length - 1 < count && !socket.destroyed) await new Promise<void>((resolve) => (wake = resolve))
      return heard
        .trimEnd()
        .split('\n')
        .map((line) => line.replace(/ \*..$/, ''))
    },
  }
}

test('a gauge says hello, reads, sends again what was not answered, and goes', async () => {
  const { port, passed, until } = await portWith()
  const { socket, answers } = wire(port)
  socket.write(hello('OM-20') + gaugeLine('READ 1 59.941 mm') + gaugeLine('READ 1 59.941 mm') + gaugeLine('BYE'))
  expect(await answers(4)).toEqual(['OK', 'OK 1', 'OK 1', 'OK'])
  await until(3)
  expect(passed.map(({ word }) => word)).toEqual([
    { kind: 'here', pairing: 'Bench 2' },
    { kind: 'reading', number: 1, text: '59.941 mm', pairing: 'Bench 2' },
    { kind: 'gone' },
  ])
})

test('a touched figure is answered and passes nothing on; noise ends the connection', async () => {
  const { port, passed } = await portWith()
  const { socket, answers } = wire(port)
  socket.write(
    `${hello('OM-20')}${gaugeLine('READ 2 6.082 mm').replace('6.082', '6.982')}\u0007\u00ff~~\n${gaugeLine('READ 3 6.082 mm')}`,
  )
  expect(await answers(4)).toEqual(['OK', 'NO checksum', 'NO shape'])
  expect(passed.filter(({ word }) => word.kind === 'reading')).toEqual([])
})

test.each([
  ['no pairing', gaugeLine('HELLO 1 OM-20') + gaugeLine('READ 1 9 mm'), 'NO pair first'],
  ['a wrong code', gaugeLine('HELLO 2 OM-20 AAAAAAAAAA') + gaugeLine('READ 1 9 mm'), 'NO not paired'],
  ['a reading before hello', gaugeLine('READ 1 9 mm') + hello('OM-20') + gaugeLine('READ 1 9 mm'), 'NO say HELLO first'],
  ['a page that posts', `POST / HTTP/1.1\r\nHost: x\r\n\r\n${hello('OM-20')}${gaugeLine('READ 1 9 mm')}`, 'NO shape'],
  ['a line without an end', 'x'.repeat(5000) + hello('OM-20'), 'NO shape'],
])('%s is told so and heard no further', async (_what, said, answer) => {
  const { port, passed } = await portWith()
  const { socket, answers } = wire(port)
  socket.write(said, 'latin1')
  expect(await answers(2)).toEqual([answer])
  expect(passed).toEqual([])
})

test('a second connection of a gauge in use is told so, and the first goes on', async () => {
  const { port, passed } = await portWith()
  const first = wire(port)
  first.socket.write(hello('OM-20'))
  expect(await first.answers(1)).toEqual(['OK'])
  const second = wire(port)
  second.socket.write(hello('OM-20') + gaugeLine('READ 1 9 mm'))
  expect(await second.answers(2)).toEqual(['NO in use'])
  first.socket.write(gaugeLine('READ 1 59.9 mm'))
  expect(await first.answers(2)).toEqual(['OK', 'OK 1'])
  expect(passed.map(({ word }) => word.kind)).toEqual(['here', 'reading'])
})

test('a thousand connections that are no gauges pass nothing on, and a gauge is heard after them', async () => {
  const { port, passed } = await portWith()
  for (let at = 0; at < 1000; at += 1) {
    const socket = connect(port, '127.0.0.1').on('error', () => undefined)
    const gone = new Promise<void>((resolve) => socket.once('close', () => resolve()))
    socket.write(at % 2 === 0 ? `GET /${at} HTTP/1.1\r\n\r\n` : gaugeLine(`HELLO 2 OM-20 ${String(at).padStart(10, 'A')}`))
    socket.resume()
    await gone
  }
  expect(passed).toEqual([])
  const { socket, answers } = wire(port)
  socket.write(hello('OM-20') + gaugeLine('READ 1 59.9 mm'))
  expect(await answers(2)).toEqual(['OK', 'OK 1'])
})

test('two gauges at once are told apart, and one that falls silent is missed', async () => {
  const { port, passed, until } = await portWith(300)
  const one = wire(port)
  const two = wire(port)
  one.socket.write(hello('OM-20') + gaugeLine('READ 1 10 mm'))
  two.socket.write(hello('CA-20') + gaugeLine('READ 1 20 mm'))
  await until(6)
  const of = (gauge: string) => passed.filter((item) => item.gauge === gauge).map(({ word }) => word.kind)
  expect([of('om-20'), of('ca-20')]).toEqual([
    ['here', 'reading', 'gone'],
    ['here', 'reading', 'gone'],
  ])
})

test('a simulated gauge shows its error, drift and step, and comes back after it was stopped', async () => {
  const micrometer = simulatedKinds.find(({ code }) => code === 'OM-20')
  const bore = simulatedKinds.find(({ code }) => code === 'BG-20')
  if (!micrometer || !bore) throw new Error('both are simulated')
  expect([
    shownBy(micrometer, 60, 0, 0),
    shownBy(micrometer, 60, 100, 0),
    shownBy(bore, 0.05, 0, 0),
    shownBy(bore, -0.05, 0, 0),
  ]).toEqual(['60.001', '60.003', '+0.049', '-0.051'])
  const { port, passed, until } = await portWith()
  const gauge = new SimulatedGauge(
    micrometer,
    port,
    () => 0,
    async () => SECRET,
  )
  open.push({ close: () => gauge.stop() })
  expect(await gauge.send(60)).toEqual({ sent: '60.001 mm', answer: 'OK 1' })
  gauge.stop()
  await until(3)
  expect(await gauge.send(60)).toEqual({ sent: '60.001 mm', answer: 'OK 1' })
  expect(passed.map(({ word }) => word.kind)).toEqual(['here', 'reading', 'gone', 'here', 'reading'])
})
