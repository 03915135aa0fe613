import { useEffect, useState } from 'react'

const KEY = 'medida-gauges-in-hand'

type Hand = Readonly<Record<string, string>>

/** The gauge last taken in hand for each kind, remembered on this device. */
export function useGaugesInHand(): readonly [Hand, (kind: string, gaugeId: string) => void] {
  const [hand, setHand] = useState<Hand>({})
  useEffect(() => setHand(saved()), [])
  const take = (kind: string, gaugeId: string): void => {
    const next = { ...hand, [kind]: gaugeId }
    setHand(next)
    localStorage.setItem(KEY, JSON.stringify(next))
  }
  return [hand, take]
}

function saved(): Hand {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}')
    return value !== null && typeof value === 'object' ? (value as Hand) : {}
  } catch {
    return {}
  }
}
