import { v7 } from 'uuid'
import { Visitor } from './visitor'

/** Pairs simulated gauges of the demo by their codes, each once, as the demo's inspector would. */
export function pairingOn(url: string): (code: string) => Promise<string> {
  const secrets = new Map<string, Promise<string>>()
  let inspector: Promise<Visitor> | undefined
  const pair = async (code: string): Promise<string> => {
    inspector ??= Visitor.as(url, 'inspector')
    const answer = await (await inspector).post(`/api/gauges/${code.toLowerCase()}/pairings`, { id: v7(), name: 'Simulated' })
    if (answer.status !== 200) throw new Error(`${code} cannot be paired: ${answer.text}`)
    return (JSON.parse(answer.text) as { secret: string }).secret
  }
  return (code) => {
    const known = secrets.get(code) ?? pair(code)
    secrets.set(code, known)
    return known
  }
}
