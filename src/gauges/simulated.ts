import { connect, type Socket } from 'node:net'
import { GAUGE_PROTOCOL, gaugeLine, LineCutter } from '../core/gauge/lineProtocol'

/** A stand-in for a real gauge: its own error, step, drift and noise, in its unit. */
export interface SimulatedKind {
  readonly code: string
  readonly name: string
  readonly unit: string
  readonly step: number
  /** What it always shows too much, and how much more with each reading. */
  readonly error: number
  readonly drift: number
  readonly noise: number
  /** Shows differences, with their sign. */
  readonly signed: boolean
}

export const simulatedKinds: readonly SimulatedKind[] = [
  { code: 'CA-20', name: 'Caliper', unit: 'mm', step: 0.01, error: 0.01, drift: 0, noise: 0.004, signed: false },
  {
    code: 'OM-20',
    name: 'Outside micrometer',
    unit: 'mm',
    step: 0.001,
    error: 0.001,
    drift: 0.00002,
    noise: 0.0006,
    signed: false,
  },
  {
    code: 'BG-20',
    name: 'Bore gauge comparator',
    unit: 'mm',
    step: 0.001,
    error: -0.001,
    drift: 0.00005,
    noise: 0.0008,
    signed: true,
  },
  { code: 'DI-20', name: 'Dial indicator', unit: 'mm', step: 0.005, error: 0, drift: 0, noise: 0.001, signed: true },
  { code: 'DG-20', name: 'Depth gauge', unit: 'mm', step: 0.01, error: -0.01, drift: 0, noise: 0.003, signed: false },
  { code: 'FG-20', name: 'Feeler set', unit: 'mm', step: 0.01, error: 0, drift: 0, noise: 0.002, signed: false },
  { code: 'TP-20', name: 'Test pump', unit: 'bar', step: 0.1, error: 0.1, drift: 0, noise: 0.05, signed: false },
  { code: 'ST-20', name: 'Spring tester', unit: 'N', step: 1, error: 1, drift: 0, noise: 0.6, signed: false },
  { code: 'TH-20', name: 'Thermometer', unit: 'C', step: 0.1, error: 0.1, drift: 0, noise: 0.05, signed: true },
]

/** What the gauge shows for a true value: error, drift and noise on it, to its step. `normal` is a standard normal number. */
export function shownBy(kind: SimulatedKind, trueValue: number, readingsBefore: number, normal: number): string {
  const exact = trueValue + kind.error + kind.drift * readingsBefore + kind.noise * normal
  const decimals = Math.max(0, Math.ceil(-Math.log10(kind.step) - 1e-9))
  const figure = (Math.round(exact / kind.step) * kind.step).toFixed(decimals)
  return kind.signed && !figure.startsWith('-') ? `+${figure}` : figure
}

const PING_MS = 5_000

/** One simulated gauge on the wire. Says hello by itself, and again after it was cut off. */
export class SimulatedGauge {
  private socket: Socket | null = null
  private count = 0
  private waiting: ((answer: string) => void)[] = []

  constructor(
    readonly kind: SimulatedKind,
    private readonly port: number,
    private readonly normal: () => number,
    /** Code of its pairing, when it is known. */
    private readonly secret: () => Promise<string> = async () => '',
  ) {}

  /** Takes a reading of a true value and sends it; what was sent, and the answer. */
  async send(trueValue: number): Promise<{ sent: string; answer: string }> {
    await this.connected()
    const figure = shownBy(this.kind, trueValue, this.count, this.normal())
    this.count += 1
    const sent = `READ ${this.count} ${figure} ${this.kind.unit}`
    return { sent: `${figure} ${this.kind.unit}`, answer: await this.say(gaugeLine(sent)) }
  }

  /** Sends something as it is: noise, half a line, a wrong unit. */
  raw(text: string): Promise<string> {
    return this.say(text)
  }

  stop(): void {
    this.socket?.destroy()
    this.socket = null
  }

  private async say(text: string): Promise<string> {
    const socket = await this.connected()
    return new Promise((resolve) => {
      this.waiting.push(resolve)
      socket.write(text, 'latin1')
      // Half a line has no answer.
      if (!text.endsWith('\n')) this.answered('(no end of line: no answer)')
    })
  }

  private answered(text: string): void {
    this.waiting.shift()?.(text)
  }

  private async connected(): Promise<Socket> {
    if (this.socket && !this.socket.destroyed) return this.socket
    const socket = connect(this.port, '127.0.0.1')
    const cutter = new LineCutter()
    socket.setEncoding('latin1')
    socket.on('data', (chunk: string) => {
      for (const line of cutter.push(chunk)) this.answered(line.replace(/ \*..$/, ''))
    })
    const ping = setInterval(() => void this.say(gaugeLine('PING')).catch(() => undefined), PING_MS)
    socket.on('close', () => {
      clearInterval(ping)
      for (const answer of this.waiting.splice(0)) answer('(cut off)')
    })
    await new Promise<void>((resolve, reject) => {
      socket.once('connect', resolve)
      socket.once('error', reject)
    })
    socket.on('error', () => undefined)
    this.socket = socket
    this.count = 0
    const answer = await this.say(gaugeLine(`HELLO ${GAUGE_PROTOCOL} ${this.kind.code} ${await this.secret()}`))
    if (answer !== 'OK') throw new Error(answer)
    return socket
  }
}
