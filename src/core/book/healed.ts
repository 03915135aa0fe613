import { bookShapeSchema, type LimitBook } from './bookShapeSchema'
import { isUnder, type Path, valueAt } from './path'

/** A place whose shape is wrong, as the schema tells it, with what stands there. */
export interface ShapeIssue {
  readonly path: Path
  readonly issue: Readonly<Record<string, unknown>> & { readonly code?: string; readonly message: string }
  readonly found: unknown
}

export interface Healed {
  /** The book with stand-ins where its shape is wrong; null where nothing of it can be read. */
  readonly book: LimitBook | null
  readonly issues: readonly ShapeIssue[]
  /** Places that hold a stand-in, or were left out: nothing can be said of them. */
  readonly stoodIn: readonly Path[]
  /** Where an entry of the healed book stood in the file: entries left out move those after them. */
  readonly placeOf: (path: Path) => Path
}

const STAND_INS: readonly unknown[] = [null, 'x', 1, false, [], {}]
const MOST_ROUNDS = 400

/**
 * Reads a book whose shape is wrong in places as if they were right, so that everything else in it can be checked at once:
 * each wrong place takes the first stand-in its schema accepts, and an entry that no stand-in mends is left out.
 */
export function healed(file: unknown): Healed {
  const first = bookShapeSchema.safeParse(file)
  if (first.success) return { book: first.data, issues: [], stoodIn: [], placeOf: (path) => path }
  const issues = first.error.issues.map(
    (issue): ShapeIssue => ({ path: issue.path as Path, issue: { ...issue }, found: valueAt(file, issue.path as Path) }),
  )
  if (typeof file !== 'object' || file === null || Array.isArray(file))
    return { book: null, issues, stoodIn: [], placeOf: (path) => path }
  const value: unknown = structuredClone(file)
  const tried = new Map<string, number>()
  const stoodIn: Path[] = []
  const gone = new Map<string, number[]>()
  const placeOf = (path: Path): Path => original(path, gone)
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const read = bookShapeSchema.safeParse(value)
    if (read.success) return { book: read.data, issues, stoodIn, placeOf }
    // The last first: an entry that is left out moves only what stands behind it.
    const wrong = [...new Map(read.error.issues.map((issue) => [issue.path.join('/'), issue])).values()].reverse()
    const moved: Path[] = []
    for (const issue of wrong) {
      const path = issue.path as Path
      if (moved.some((list) => isUnder(path, list))) continue
      const shown = placeOf(path)
      const key = shown.join('/')
      if (issue.code === 'unrecognized_keys') {
        const at = valueAt(value, path) as Record<string, unknown>
        for (const name of issue.keys) delete at[name]
        continue
      }
      if (!stoodIn.some((one) => one.join('/') === key)) stoodIn.push(shown)
      const next = tried.get(key) ?? 0
      tried.set(key, next + 1)
      if (path.length > 0 && next <= STAND_INS.length) {
        // Left out at first: what may be missing is best missing.
        if (next === 0) unset(value, path)
        else put(value, path, structuredClone(STAND_INS[next - 1]))
        continue
      }
      const list = listAbove(path)
      if (list === null) return { book: null, issues, stoodIn, placeOf }
      const entry = path.slice(0, list.length + 1)
      stoodIn.push(placeOf(entry))
      const index = entry.at(-1) as number
      ;(valueAt(value, list) as unknown[]).splice(index, 1)
      leftOut(gone, placeOf(list).join('/'), index)
      moved.push(list)
    }
  }
  return { book: null, issues, stoodIn, placeOf }
}

function put(value: unknown, path: Path, what: unknown): void {
  const above = valueAt(value, path.slice(0, -1))
  if (typeof above === 'object' && above !== null) (above as Record<string | number, unknown>)[path.at(-1) ?? ''] = what
}

function unset(value: unknown, path: Path): void {
  const above = valueAt(value, path.slice(0, -1))
  if (Array.isArray(above)) above[path.at(-1) as number] = null
  else if (typeof above === 'object' && above !== null) delete (above as Record<string | number, unknown>)[path.at(-1) ?? '']
}

/** The innermost list that a path goes through. */
function listAbove(path: Path): Path | null {
  const at = path.findLastIndex((step) => typeof step === 'number')
  return at < 0 ? null : path.slice(0, at)
}

/** Notes that an entry is gone, by its place among those still there. */
function leftOut(gone: Map<string, number[]>, list: string, index: number): void {
  const own = gone.get(list) ?? []
  gone.set(
    list,
    [...own, originalIndex(index, own)].sort((a, b) => a - b),
  )
}

/** Where the n-th entry that is left stood among all of them. */
function originalIndex(index: number, gone: readonly number[]): number {
  let at = index
  for (const one of gone) if (one <= at) at += 1
  return at
}

function original(path: Path, gone: ReadonlyMap<string, readonly number[]>): Path {
  const made: (string | number)[] = []
  for (const step of path) made.push(typeof step === 'number' ? originalIndex(step, gone.get(made.join('/')) ?? []) : step)
  return made
}
