/** A position with its place in the tree; null for the top. */
export interface Placed {
  readonly id: string
  readonly parent: string | null
}

/** The ids on a cycle of parents, or null when the tree is one: a part cannot sit inside itself. */
export function cycleIn(positions: readonly Placed[]): readonly string[] | null {
  const parents = new Map(positions.map(({ id, parent }) => [id, parent]))
  const sound = new Set<string>()
  for (const { id } of positions) {
    const path: string[] = []
    let at: string | null | undefined = id
    while (at !== null && at !== undefined && !sound.has(at)) {
      if (path.includes(at)) return path.slice(path.indexOf(at))
      path.push(at)
      at = parents.get(at)
    }
    for (const passed of path) sound.add(passed)
  }
  return null
}
