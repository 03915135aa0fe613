import type { AddressInfo } from 'node:net'
import { connect, type Server } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { gaugeLine } from '../core/gauge/lineProtocol'
import { createGaugePort, type GaugeWord } from './gaugePort'
import { SimulatedGauge, shownBy, simulatedKinds } from './simulated'

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
      idOf: async (code) => (code.startsWith('XX') ? null : code.toLowerCase()),
      pass: async (gauge, word) => {
        passed.push({ gauge, word })
        wake()
      },
    },
    silentMs,
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
  socket.write(gaugeLine('HELLO 1 OM-20') + gaugeLine('READ 1 59.941 mm') + gaugeLine('READ 1 59.941 mm') + gaugeLine('BYE'))
  expect(await answers(4)).toEqual(['OK', 'OK 1', 'OK 1', 'OK'])
  await until(3)
  expect(passed.map(({ word }) => word)).toEqual([
    { kind: 'here' },
    { kind: 'reading', number: 1, text: '59.941 mm' },
    { kind: 'gone' },
  ])
})

test('noise, a touched figure, half a line and an unknown gauge are answered and pass nothing on', async () => {
  const { port, passed } = await portWith()
  const { socket, answers } = wire(port)
  socket.write(
    `${gaugeLine('HELLO 1 XX-1')}\u0007\u00ff~~\n${gaugeLine('READ 2 6.082 mm').replace('6.082', '6.982')}${gaugeLine('READ 3 6.082 mm')}READ 4 6.0`,
  )
  expect(await answers(4)).toEqual(['NO unknown gauge', 'NO shape', 'NO checksum', 'NO say HELLO first'])
  expect(passed).toEqual([])
})

test('two gauges at once are told apart, and one that falls silent is missed', async () => {
  const { port, passed, until } = await portWith(300)
  const one = wire(port)
  const two = wire(port)
  one.socket.write(gaugeLine('HELLO 1 OM-20') + gaugeLine('READ 1 10 mm'))
  two.socket.write(gaugeLine('HELLO 1 CA-20') + gaugeLine('READ 1 20 mm'))
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
  const gauge = new SimulatedGauge(micrometer, port, () => 0)
  open.push({ close: () => gauge.stop() })
  expect(await gauge.send(60)).toEqual({ sent: '60.001 mm', answer: 'OK 1' })
  gauge.stop()
  await until(3)
  expect(await gauge.send(60)).toEqual({ sent: '60.001 mm', answer: 'OK 1' })
  expect(passed.map(({ word }) => word.kind)).toEqual(['here', 'reading', 'gone', 'here', 'reading'])
})
