import { createServer, type Server, type Socket } from 'node:net'
import { gaugeLine, LineCutter, parseGaugeLine } from '../core/gauge/lineProtocol'

/** A gauge of the store with the pairing it came by. */
export interface Paired {
  readonly gaugeId: string
  /** Name of the pairing, for the bench to say. */
  readonly pairing: string
}

/** What a gauge says goes on to whoever holds it. */
export interface GaugeDesk {
  /** Null where no gauge of that code is paired by this secret. */
  readonly pairedBy: (code: string, secret: string) => Promise<Paired | null>
  readonly pass: (gaugeId: string, word: GaugeWord) => Promise<void>
}

export type GaugeWord =
  | { readonly kind: 'here'; readonly pairing: string }
  | { readonly kind: 'reading'; readonly number: number; readonly text: string; readonly pairing: string }
  | { readonly kind: 'gone' }

export interface PortLimits {
  /** A gauge that says nothing for so long has stopped: the person at the bench is told. */
  readonly silentMs: number
  /** Who has not said which gauge they are by then is not one. */
  readonly helloMs: number
  /** How long a wrong secret waits for its answer. */
  readonly wrongMs: number
  /** Connections that have not said a secret yet, at once. */
  readonly unpaired: number
}
const LIMITS: PortLimits = { silentMs: 15_000, helloMs: 3_000, wrongMs: 500, unpaired: 20 }

/**
 * Listens for gauges on loopback and passes on what they say. Nothing is heard before a pairing: any program of this machine,
 * and any page in its browser, can open a connection. The first line that is none of the protocol ends it.
 */
export function createGaugePort(desk: GaugeDesk, limits: Partial<PortLimits> = {}): Server {
  const port = new GaugePort(desk, { ...LIMITS, ...limits })
  return createServer((socket) => port.serve(socket))
}

class GaugePort {
  private unpaired = 0
  /** Gauges that are connected, by id. */
  private readonly connected = new Set<string>()
  constructor(
    private readonly desk: GaugeDesk,
    private readonly limits: PortLimits,
  ) {}

  serve(socket: Socket): void {
    socket.on('error', () => undefined)
    if (this.unpaired >= this.limits.unpaired) return void socket.destroy()
    this.unpaired += 1
    const cutter = new LineCutter()
    let paired: Paired | null = null
    let counted = true
    let last = -1
    let ended = false
    // One line after the other: what is answered must be in the order it was said.
    let queue: Promise<void> = Promise.resolve()
    const answer = (text: string): void => void (socket.writable && socket.write(gaugeLine(text)))
    const end = (text: string): void => {
      ended = true
      if (socket.writable) socket.end(gaugeLine(text))
    }
    const uncount = (): void => {
      if (counted) this.unpaired -= 1
      counted = false
    }
    const late = setTimeout(() => socket.destroy(), this.limits.helloMs)
    const gone = async (): Promise<void> => {
      const left = paired
      paired = null
      if (left === null) return
      this.connected.delete(left.gaugeId)
      await this.desk.pass(left.gaugeId, { kind: 'gone' }).catch(() => undefined)
    }
    const hello = async (code: string, secret: string | null): Promise<void> => {
      if (paired !== null) return end('NO said already')
      if (secret === null) return end('NO pair first')
      const found = await this.desk.pairedBy(code, secret)
      if (found === null) {
        await new Promise((resolve) => setTimeout(resolve, this.limits.wrongMs))
        return end('NO not paired')
      }
      if (this.connected.has(found.gaugeId)) return end('NO in use')
      if (socket.destroyed) return
      clearTimeout(late)
      uncount()
      socket.setTimeout(this.limits.silentMs, () => socket.destroy())
      this.connected.add(found.gaugeId)
      paired = found
      await this.desk.pass(found.gaugeId, { kind: 'here', pairing: found.pairing })
      answer('OK')
    }
    const hear = async (line: string): Promise<void> => {
      if (ended) return
      const said = parseGaugeLine(line)
      if (said.kind === 'hello') return hello(said.gauge, said.secret)
      // A line that was touched on its way is sent again; what is no line of ours comes from no gauge.
      if (said.kind === 'noise') return paired !== null && said.why === 'checksum' ? answer('NO checksum') : end(`NO ${said.why}`)
      if (paired === null) return end('NO say HELLO first')
      switch (said.kind) {
        case 'ping':
          return answer('OK')
        case 'bye':
          await gone()
          return end('OK')
        case 'read': {
          // Sent again because the answer was lost: taken once.
          if (said.number <= last) return answer(`OK ${said.number}`)
          const { gaugeId, pairing } = paired
          await this.desk.pass(gaugeId, { kind: 'reading', number: said.number, text: `${said.figure} ${said.unit}`, pairing })
          last = said.number
          return answer(`OK ${said.number}`)
        }
      }
    }
    socket.setEncoding('latin1')
    socket.on('data', (chunk: string) => {
      const lines = cutter.push(chunk)
      // What never ends a line is none either.
      if (cutter.wasTooLong && !ended) return end('NO shape')
      for (const line of lines) queue = queue.then(() => hear(line)).catch(() => answer('NO try again'))
    })
    socket.on('close', () => {
      clearTimeout(late)
      uncount()
      void queue.then(gone)
    })
  }
}
