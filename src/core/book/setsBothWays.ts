import type { LimitBook, Part } from './bookSchema'

const known = new WeakMap<LimitBook, LimitBook>()

/** The book in which every part of a set names it: parts that are one set are one, whichever of them says so. */
export function setsBothWays(book: LimitBook): LimitBook {
  const made = known.get(book) ?? withSets(book)
  known.set(book, made)
  return made
}

function withSets(book: LimitBook): LimitBook {
  const more = new Map<string, NonNullable<Part['service']>[number][]>()
  const names = (part: Part | undefined, id: string): boolean =>
    part?.service?.some((rule) => rule.kind === 'set' && rule.parts.includes(id)) ?? false
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  for (const { id, service = [] } of book.parts)
    for (const rule of service)
      if (rule.kind === 'set')
        for (const other of rule.parts)
          if (!names(parts.get(other), id)) more.set(other, [...(more.get(other) ?? []), { ...rule, parts: [id] }])
  if (more.size === 0) return book
  return {
    ...book,
    parts: book.parts.map((part) => {
      const own = more.get(part.id)
      return own ? { ...part, service: [...(part.service ?? []), ...own] } : part
    }),
  }
}
