/** Something that is worked out when it is first asked for, and then known. */
export type Cell<T> = () => T

export function cell<T>(make: () => T): Cell<T> {
  let made: { readonly value: T } | undefined
  return () => {
    made ??= { value: make() }
    return made.value
  }
}

/** What is known by name, each worked out when it is first asked for. */
export interface Lookup<T> {
  get(id: string): T | undefined
}

export const lookup = <T>(cells: ReadonlyMap<string, Cell<T>>): Lookup<T> => ({ get: (id) => cells.get(id)?.() })
