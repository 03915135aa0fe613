import { useEffect, useRef, useState } from 'react'

/** How the bench stands with the gauge in hand: not listening; the server is asked to listen; listening; the gauge is there; it stopped; another bench took it. */
export type GaugeLink = 'off' | 'asking' | 'unpaired' | 'waiting' | 'here' | 'gone' | 'taken' | 'unreachable'

const KEY = 'medida-gauges-heard'

export interface GaugeWord {
  readonly link: GaugeLink
  readonly listening: boolean
  /** Name of the pairing that spoke last. */
  readonly pairing: string | null
  toggle(): void
}

/** Listens to a gauge that sends its readings through the server, and hands them to the bench. */
export function useGaugeWord(gaugeId: string | null, take: (text: string) => void): GaugeWord {
  const [heard, setHeard] = useState<ReadonlySet<string>>(new Set())
  const [link, setLink] = useState<GaugeLink>('off')
  const [pairing, setPairing] = useState<string | null>(null)
  const latest = useRef(take)
  latest.current = take
  useEffect(() => setHeard(new Set(JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as string[])), [])
  const listening = gaugeId !== null && heard.has(gaugeId)
  useEffect(() => {
    if (!listening || gaugeId === null) return setLink('off')
    setLink('asking')
    const source = new EventSource(`/api/gauges/${encodeURIComponent(gaugeId)}/events`)
    const said = (event: Event) =>
      JSON.parse((event as MessageEvent<string>).data) as { text: string; pairing?: string; paired?: boolean }
    source.addEventListener('here', (event) => {
      setLink('here')
      setPairing(said(event).pairing ?? null)
    })
    source.addEventListener('gone', () => setLink('gone'))
    source.addEventListener('released', () => {
      setLink('taken')
      source.close()
    })
    source.addEventListener('error', () => setLink((before) => (before === 'taken' ? before : 'unreachable')))
    source.addEventListener('listening', (event) =>
      setLink((before) =>
        before === 'unreachable' || before === 'asking' ? (said(event).paired === false ? 'unpaired' : 'waiting') : before,
      ),
    )
    source.addEventListener('reading', (event) => {
      setLink('here')
      const { text, pairing: from = null } = said(event)
      setPairing(from)
      latest.current(text)
    })
    return () => source.close()
  }, [gaugeId, listening])
  return {
    link,
    pairing,
    listening,
    toggle: () => {
      if (gaugeId === null) return
      const next = new Set(heard)
      if (!next.delete(gaugeId)) next.add(gaugeId)
      setHeard(next)
      sessionStorage.setItem(KEY, JSON.stringify([...next]))
    },
  }
}
