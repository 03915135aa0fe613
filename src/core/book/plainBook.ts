import type { Limit, LimitBy } from '../limit/limit'
import type { FitSpec, LimitBook } from './bookShapeSchema'

interface Mark {
  readonly by: string
  readonly at: string
}

/** A book by itself: without what stands in it only inside a job. */
export function plainBook(book: LimitBook): LimitBook {
  const { added: _, ...own } = book
  return {
    ...own,
    documents: book.documents.map(({ typed: _, ...document }) => document),
    parts: book.parts.map(({ typed: _, service, ...part }) => ({
      ...part,
      ...(service ? { service: service.map(({ added: __, ...rule }) => rule) } : {}),
    })),
    characteristics: book.characteristics.map(({ typed: _, ...characteristic }) => characteristic),
  }
}

/** A book whose limits carry no marks: it is issued, and all of them were agreed. */
export const withoutMarks = (book: LimitBook): LimitBook =>
  withLimits(
    book,
    () =>
      ({ typed: _, ...limit }) =>
        limit as never,
  )

/**
 * A book that came from a file: its limits wait for a second person, whatever the file says of them, but for those that
 * stand in `known` with the same figures and the same page, on a measurement or fit that is the same in all it judges by.
 */
export function asTypedBy(book: LimitBook, who: Mark, known: LimitBook | null): LimitBook {
  const subjectsOf = (of: LimitBook | null): ReadonlyMap<string, Subject> =>
    new Map([...(of?.characteristics ?? []), ...(of?.fits ?? [])].map((subject) => [subject.id, subject] as const))
  const [before, subjects] = [subjectsOf(known), subjectsOf(book)]
  return withLimits(book, (id) => {
    const own = before.get(id)
    const now = subjects.get(id)
    const isSame = own !== undefined && now !== undefined && judgedBy(own) === judgedBy(now)
    const stood: readonly Partial<AnyLimit>[] = isSame ? [...own.limits, ...(own.limitsBy ?? []), ...nonesOf(own)] : []
    return ({ typed: _, ...limit }) => {
      const same = stood.find((one) => saysOf(one) === saysOf(limit))
      const typed = same ? same.typed : { ...who, check: null }
      return { ...limit, ...(typed ? { typed } : {}) } as never
    }
  })
}

type AnyLimit = Limit | LimitBy
type Subject = LimitBook['characteristics'][number] | FitSpec
/** What of a measurement or a fit its limits do not say, and they rest on: method, new size, gauge, mark of safety, sides. */
const RESTS_NOT_ON = new Set(['limits', 'limitsBy', 'wants', 'name', 'how', 'pose', 'trap', 'typed'])
const judgedBy = (subject: Subject): string => sorted(subject, RESTS_NOT_ON)

/** Values of which a page says that it gives no limit. */
const nonesOf = ({ wants = [] }: Subject) => wants.flatMap(({ judges, side, none }) => (none ? [{ judges, side, ...none }] : []))

/** What a limit says, whoever typed it, and whatever it is called. */
const saysOf = (limit: object): string => sorted(limit, NOT_SAID)
const NOT_SAID = new Set(['typed', 'id', 'instruction'])

const sorted = (of: object, without: ReadonlySet<string>): string =>
  JSON.stringify(
    Object.entries(of)
      .filter(([key, value]) => !without.has(key) && value !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  )

type Want = NonNullable<LimitBook['characteristics'][number]['wants']>[number]
type NonLimit = NonNullable<Want['none']>

/** What is done to a limit, done to the saying that there is none. */
const unwrapped = (each: <L extends AnyLimit>(limit: L) => L, { judges, side }: Omit<Want, 'none'>, none: NonLimit): NonLimit => {
  const { judges: _judges, side: _side, ...said } = each({ judges, side, ...none } as unknown as Limit)
  return said as unknown as NonLimit
}

function withLimits(book: LimitBook, change: (subject: string) => <L extends AnyLimit>(limit: L) => L): LimitBook {
  const anew = <T extends Subject>(one: T): T => {
    const each = change(one.id)
    return {
      ...one,
      limits: one.limits.map(each),
      ...(one.limitsBy ? { limitsBy: one.limitsBy.map(each) } : {}),
      // That a page gives no limit waits for a second person as a limit does.
      ...(one.wants
        ? { wants: one.wants.map(({ none, ...want }) => (none ? { ...want, none: unwrapped(each, want, none) } : want)) }
        : {}),
    }
  }
  return { ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) }
}
