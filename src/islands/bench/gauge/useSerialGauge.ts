import { useEffect, useRef, useState } from 'react'
import { gaugeLine, LineCutter, parseGaugeLine } from '../../../core/gauge/lineProtocol'

/** A serial port as the browser hands it out (Web Serial); only what is used of it. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null
  readonly writable: WritableStream<Uint8Array> | null
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
}
interface Serial {
  requestPort(): Promise<SerialPort>
}

/** How the bench stands with a gauge on a cable: none; plugged in, nothing said yet; there; another gauge than the one in hand; pulled out. */
export type CableLink = 'off' | 'waiting' | 'here' | 'otherGauge' | 'gone' | 'refused'

export interface Cable {
  /** The browser has Web Serial. */
  readonly possible: boolean
  readonly link: CableLink
  /** Code of the gauge on the cable, once it has said it. */
  readonly code: string | null
  connect(): void
  disconnect(): void
}

const BAUD = 9600

const serial = (): Serial | null => (navigator as Navigator & { readonly serial?: Serial }).serial ?? null

/**
 * A gauge on a serial cable, by the same line protocol as over the network: every line is answered, noise and half lines
 * change nothing, and what it reads is taken as if typed, where the gauge in hand is the one on the cable.
 */
export function useSerialGauge(codeInHand: string | null, take: (text: string) => void): Cable {
  const [possible, setPossible] = useState(false)
  useEffect(() => setPossible(serial() !== null), [])
  const [link, setLink] = useState<CableLink>('off')
  const [code, setCode] = useState<string | null>(null)
  const latest = useRef({ codeInHand, take })
  latest.current = { codeInHand, take }
  const stop = useRef<(() => void) | null>(null)
  useEffect(() => () => stop.current?.(), [])

  const connect = async (): Promise<void> => {
    const ports = serial()
    if (!ports) return
    let port: SerialPort
    try {
      port = await ports.requestPort()
      await port.open({ baudRate: BAUD })
    } catch {
      return setLink('refused') // nothing chosen, or another program holds the port
    }
    const reader = port.readable?.getReader()
    const writer = port.writable?.getWriter()
    if (!reader) return setLink('refused')
    let stopped = false
    stop.current = () => {
      stopped = true
      void reader.cancel().catch(() => undefined)
    }
    setLink('waiting')
    setCode(null)
    const conversation = new Conversation(
      (text) => void writer?.write(new TextEncoder().encode(gaugeLine(text))).catch(() => undefined),
      {
        hello: (gauge) => {
          setCode(gauge)
          setLink(gauge === latest.current.codeInHand ? 'here' : 'otherGauge')
        },
        read: (gauge, text) => {
          if (gauge !== latest.current.codeInHand) return setLink('otherGauge')
          setLink('here')
          latest.current.take(text)
        },
        bye: () => setLink('gone'),
      },
    )
    const cutter = new LineCutter()
    try {
      for (;;) {
        const { value, done } = await reader.read()
        if (done) break
        for (const line of cutter.push(latin1(value))) conversation.hear(line)
      }
    } catch {
      // The cable was pulled: said below.
    }
    reader.releaseLock()
    writer?.releaseLock()
    await port.close().catch(() => undefined)
    stop.current = null
    setLink(stopped ? 'off' : 'gone')
  }
  return { possible, link, code, connect: () => void connect(), disconnect: () => stop.current?.() }
}

const latin1 = (bytes: Uint8Array): string => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('')

interface Heard {
  hello(gauge: string): void
  read(gauge: string, text: string): void
  bye(): void
}

/** One gauge's side of the conversation, answered line by line. */
class Conversation {
  private gauge: string | null = null
  private last = -1
  constructor(
    private readonly answer: (text: string) => void,
    private readonly heard: Heard,
  ) {}

  hear(line: string): void {
    const said = parseGaugeLine(line)
    switch (said.kind) {
      case 'noise':
        return this.answer(`NO ${said.why}`)
      case 'hello':
        this.gauge = said.gauge
        this.last = -1
        this.heard.hello(said.gauge)
        return this.answer('OK')
      case 'ping':
        return this.answer('OK')
      case 'bye':
        this.gauge = null
        this.heard.bye()
        return this.answer('OK')
      case 'read':
        if (this.gauge === null) return this.answer('NO say HELLO first')
        // Sent again because the answer was lost: taken once.
        if (said.number > this.last) {
          this.last = said.number
          this.heard.read(this.gauge, `${said.figure} ${said.unit}`)
        }
        return this.answer(`OK ${said.number}`)
    }
  }
}
