import { createServer, type Server, type Socket } from 'node:net'
import { gaugeLine, LineCutter, parseGaugeLine } from '../core/gauge/lineProtocol'

/** What a gauge says goes on to whoever holds it; `null` when no gauge of that code is in the store. */
export interface GaugeDesk {
  readonly idOf: (code: string) => Promise<string | null>
  readonly pass: (gaugeId: string, word: GaugeWord) => Promise<void>
}

export type GaugeWord =
  | { readonly kind: 'here' }
  | { readonly kind: 'reading'; readonly number: number; readonly text: string }
  | { readonly kind: 'gone' }

/** A gauge that says nothing for so long has stopped: the person at the bench is told. */
const SILENT_MS = 15_000

/** Listens for gauges on loopback and passes on what they say. Every line is answered: OK or NO, with its reason. */
export function createGaugePort(desk: GaugeDesk, silentMs = SILENT_MS): Server {
  return createServer((socket) => void serve(socket, desk, silentMs))
}

async function serve(socket: Socket, desk: GaugeDesk, silentMs: number): Promise<void> {
  const cutter = new LineCutter()
  let gauge: string | null = null
  let last = -1
  // One line after the other: what is answered must be in the order it was said.
  let queue: Promise<void> = Promise.resolve()
  const answer = (text: string): void => void (socket.writable && socket.write(gaugeLine(text)))
  const gone = async (): Promise<void> => {
    const left = gauge
    gauge = null
    if (left !== null) await desk.pass(left, { kind: 'gone' }).catch(() => undefined)
  }
  const hear = async (line: string): Promise<void> => {
    const said = parseGaugeLine(line)
    switch (said.kind) {
      case 'noise':
        return answer(`NO ${said.why}`)
      case 'hello': {
        await gone()
        gauge = await desk.idOf(said.gauge)
        if (gauge === null) return answer('NO unknown gauge')
        await desk.pass(gauge, { kind: 'here' })
        return answer('OK')
      }
      case 'ping':
        return answer('OK')
      case 'bye':
        await gone()
        return void socket.end(gaugeLine('OK'))
      case 'read': {
        if (gauge === null) return answer('NO say HELLO first')
        // Sent again because the answer was lost: taken once.
        if (said.number <= last) return answer(`OK ${said.number}`)
        await desk.pass(gauge, { kind: 'reading', number: said.number, text: `${said.figure} ${said.unit}` })
        last = said.number
        return answer(`OK ${said.number}`)
      }
    }
  }
  socket.setEncoding('latin1')
  socket.setTimeout(silentMs, () => socket.destroy())
  socket.on('error', () => undefined)
  socket.on('data', (chunk: string) => {
    for (const line of cutter.push(chunk)) queue = queue.then(() => hear(line)).catch(() => answer('NO try again'))
  })
  socket.on('close', () => void queue.then(gone))
}
