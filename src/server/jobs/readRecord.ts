import { err, ok, type Result } from '../../core/base/result'
import { type InspectionRecord, recordSchema } from '../../core/record/recordSchema'
import { issueWords } from '../../core/words/issues'
import { say } from '../../labels/refusals'

/** A record without what of it cannot be read, each left out with a sentence that names it. */
export interface Readable {
  readonly record: InspectionRecord
  readonly unreadable: readonly string[]
}

/** Lists of a record that can do without one of their items; the longest path first. */
const LISTS: readonly (readonly [path: readonly string[], name: string])[] = [
  [['history', '*', 'readings'], 'A reading of an earlier overhaul'],
  [['job', 'readings'], 'A reading'],
  [['job', 'entries'], 'A note'],
  [['gauges'], 'A gauge'],
  [['decisions'], 'A decision'],
  [['history'], say.earlierOverhaul],
]
/** Leaving one thing out can make another unreadable (a reading without its gauge, a correction without what it corrects). */
const MOST_ROUNDS = 12

type Path = readonly PropertyKey[]

/**
 * Reads a record that may hold what its schema refuses: such a thing is left out alone, with whatever refers to it. What
 * stands above all of them (machine, book, level) cannot be left out: then a sentence says what is wrong. The schema may be
 * the one that takes the book as read.
 */
export function readRecord(raw: unknown, schema: typeof recordSchema = recordSchema): Result<Readable, string> {
  let left = raw
  const unreadable: string[] = []
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const parsed = schema.safeParse(left)
    if (parsed.success) return ok({ record: parsed.data, unreadable })
    const wrong = new Map<string, { list: Path; index: number; name: string; says: string }>()
    for (const issue of parsed.error.issues) {
      const { path } = issue
      const message = issueWords(issue)
      const found = LISTS.find(([list]) => list.every((step, at) => step === '*' || step === path[at]) && isIndex(path, list))
      if (!found) {
        const mark = path.length === 3 && path[1] === 'installed' ? path : null
        if (mark === null) return err(`${path.map(String).join('.')}: ${message}`)
        wrong.set(mark.join('.'), { list: mark, index: -1, name: say.markPart(String(mark[2])), says: message })
        continue
      }
      const [list, name] = found
      const at = path.slice(0, list.length)
      const index = Number(path[list.length])
      wrong.set([...at, index].join('.'), { list: at, index, name, says: message })
    }
    const copy = structuredClone(left)
    // What lies deepest first, and from behind: so what is left out moves nothing that is left out after it.
    const inOrder = [...wrong.values()].sort((a, b) => b.list.length - a.list.length || b.index - a.index)
    for (const { list, index, name, says } of inOrder) {
      const parent = list.slice(0, -1).reduce<Record<PropertyKey, unknown>>((at, step) => at[step] as never, copy as never)
      const key = list.at(-1) as PropertyKey
      if (index < 0) delete parent[key]
      else {
        const [item] = (parent[key] as unknown[]).splice(index, 1)
        unreadable.push(say.cannotReadLeft(name, called(item), says))
        continue
      }
      unreadable.push(say.cannotReadLeftOut(name, says))
    }
    left = copy
  }
  return err(say.tooMuchCannot)
}

const isIndex = (path: Path, list: readonly string[]): boolean => typeof path[list.length] === 'number'

/** Words by which a person finds the thing again: what it says, and its id. */
function called(item: unknown): string {
  const { text, characteristic, code, overhaul, id } = Object(item) as Record<string, unknown>
  const words = [code, overhaul, characteristic, text === undefined ? undefined : `“${String(text)}”`, id]
  return words
    .filter((word) => word !== undefined && word !== null)
    .map((word) => ` ${String(word).slice(0, 60)}`)
    .join(',')
}
