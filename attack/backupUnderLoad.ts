/** A backup made while many benches write: whatever was acknowledged before it began is in it. */
import { v7 } from 'uuid'
import { FUZZED } from './targets'
import type { Visitor } from './visitor'

/** Writes from so many benches, makes the backup in their midst, and gives the ids acknowledged before it began. */
export async function backUpUnderLoad(
  inspector: Visitor,
  benches: number,
  makeBackup: () => Promise<void>,
): Promise<readonly string[]> {
  const acknowledged: string[] = []
  let running = true
  const bench = async (): Promise<void> => {
    while (running) {
      const id = v7()
      const body = { kind: 'putIn', temporary: `load-${id}`, name: 'Blank', where: 'port', count: 1 }
      const { status } = await inspector.post(`/api/jobs/${FUZZED.job}/entries`, { entries: [{ id, seen: null, body }] })
      if (status === 200) acknowledged.push(id)
    }
  }
  const all = Array.from({ length: benches }, bench)
  while (acknowledged.length < benches) await new Promise((resolve) => setTimeout(resolve, 5))
  const before = [...acknowledged]
  await makeBackup()
  running = false
  await Promise.all(all)
  return before
}
