import type { LimitBook } from '../book/bookSchema'
import { equalPartsWithout, withOneMoreAlike } from '../fit/alike'
import type { EqualParts } from '../fit/equalPartsSchema'
import { linksOf } from '../fit/kinds'
import type { Limit } from '../limit/limit'
import { kindOf } from '../method/kinds'
import { settingWithout } from '../setting/setting'
import { withSteps } from './composition'

/** What belongs to a position of a composed book: itself, what sits in it, and everything known of that. */
export interface Subtree {
  readonly positions: ReadonlySet<string>
  readonly parts: ReadonlySet<string>
  readonly characteristics: ReadonlySet<string>
  readonly fits: ReadonlySet<string>
  readonly crossChecks: ReadonlySet<string>
  readonly steps: ReadonlySet<string>
}

/** Everything that stands on a position; all empty where the book has no such position. */
export function subtreeOf(book: LimitBook, root: string): Subtree {
  const positions = new Set(book.positions.some(({ id }) => id === root) ? [root] : [])
  for (let grew = positions.size > 0; grew; ) {
    const more = book.positions.filter(({ id, parent }) => parent !== null && positions.has(parent) && !positions.has(id))
    for (const { id } of more) positions.add(id)
    grew = more.length > 0
  }
  // A part that is fitted elsewhere too stays.
  const elsewhere = new Set(book.positions.flatMap(({ id, part }) => (part === null || positions.has(id) ? [] : [part])))
  const parts = new Set(
    book.positions.flatMap(({ id, part }) => (part !== null && positions.has(id) && !elsewhere.has(part) ? [part] : [])),
  )
  const characteristics = new Set(book.characteristics.flatMap(({ id, part }) => (parts.has(part) ? [id] : [])))
  for (let grew = true; grew; ) {
    const more = book.characteristics.filter(
      ({ id, method }) =>
        !characteristics.has(id) && (kindOf(method).needs?.(method) ?? []).some((of) => characteristics.has(of)),
    )
    for (const { id } of more) characteristics.add(id)
    grew = more.length > 0
  }
  const fits = book.fits.filter(
    (fit) => linksOf(fit).some(({ characteristic }) => characteristics.has(characteristic)) || parts.has(fit.mendOn),
  )
  const crossChecks = (book.crossChecks ?? []).filter(({ names }) =>
    Object.values(names).some(({ characteristic }) => characteristics.has(characteristic)),
  )
  const begins = [...positions].map((id) => `${id}-step-`)
  const steps = book.procedure.filter(({ id }) => begins.some((prefix) => id.startsWith(prefix)))
  const idsOf = (items: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(items.map(({ id }) => id))
  return { positions, parts, characteristics, fits: idsOf(fits), crossChecks: idsOf(crossChecks), steps: idsOf(steps) }
}

/** The book without a position and all that stands on it; what only names it names it no more. */
export function takenOut(book: LimitBook, root: string): LimitBook {
  const gone = subtreeOf(book, root)
  const left = (of: ReadonlySet<string>) => (id: string) => !of.has(id)
  const [position, part, characteristic] = [left(gone.positions), left(gone.parts), left(gone.characteristics)]
  const has = <T extends { readonly part: string }>(items: readonly T[]): T[] => items.filter((item) => part(item.part))
  return {
    ...book,
    positions: book.positions
      .filter(({ id }) => position(id))
      .map((one) => ({ ...one, keptWith: one.keptWith.filter(position) })),
    parts: book.parts.filter(({ id }) => part(id)).map((one) => withoutNamed(one, part, characteristic, left(gone.fits))),
    characteristics: book.characteristics
      .filter(({ id }) => characteristic(id))
      .map((one) => settingWithout(one, part, characteristic)),
    fits: book.fits
      .filter(({ id }) => !gone.fits.has(id))
      .map(({ direct, ...fit }) => (direct === undefined || !characteristic(direct) ? fit : { ...fit, direct }) as typeof fit)
      .map((fit) => settingWithout(fit, part, characteristic)),
    crossChecks: (book.crossChecks ?? []).filter(({ id }) => !gone.crossChecks.has(id)),
    equalParts: (book.equalParts ?? []).flatMap((set) => equalPartsWithout(set, characteristic) ?? []),
    findingRules: has(book.findingRules)
      .filter(({ foundOn }) => foundOn === undefined || part(foundOn))
      .map((rule) => ({ ...rule, confirm: rule.confirm.filter(characteristic) })),
    patterns: has(book.patterns),
    handTests: has(book.handTests),
    joints: book.joints.filter(({ between }) => between.every(position)),
    procedure: book.procedure
      .filter(({ id }) => !gone.steps.has(id))
      .map((step) => ({
        ...step,
        removes: step.removes.filter(position),
        destroys: step.destroys.filter(position),
        measures: step.measures.filter(characteristic),
      })),
    levels: book.levels.map((level) => ({
      ...level,
      measures: level.measures === 'all' ? level.measures : level.measures.filter(characteristic),
      gate: level.gate && gateWithout(level.gate, characteristic),
    })),
  }
}

type Gate = NonNullable<LimitBook['levels'][number]['gate']>

function gateWithout(gate: Gate, isCharacteristic: Stays): Gate | null {
  const measures = gate.measures.filter(isCharacteristic)
  return measures.length === 0 ? null : { ...gate, measures }
}

type Part = LimitBook['parts'][number]
type Stays = (id: string) => boolean

function withoutNamed({ within, ...part }: Part, isPart: Stays, isCharacteristic: Stays, isFit: Stays): Part {
  return {
    ...part,
    ...(within === undefined || !isPart(within) ? {} : { within }),
    ...(part.service
      ? {
          service: part.service.flatMap((rule): NonNullable<Part['service']> => {
            if (rule.kind !== 'withMate' && rule.kind !== 'set') return [rule]
            const parts = rule.parts.filter(isPart)
            return parts.length === 0 ? [] : [{ ...rule, parts }]
          }),
        }
      : {}),
    routes: part.routes.flatMap(({ suits, ...route }) => {
      const mends = route.mends.filter(isCharacteristic)
      if (mends.length === 0) return []
      const fitted = suits?.filter((id) => isFit(id) && isCharacteristic(id))
      return [{ ...route, mends, ...(fitted ? { suits: fitted } : {}) }]
    }),
  }
}

/** Names that begin with the one that is changed change with it. */
const under = (name: string, from: string, to: string): string =>
  name === from ? to : name.startsWith(`${from}: `) ? `${to}${name.slice(from.length)}`.slice(0, 200) : name

/** The book with a position called otherwise, and everything that is called after it. */
export function renamed(book: LimitBook, root: string, name: string): LimitBook {
  const from = book.positions.find(({ id }) => id === root)?.name
  if (from === undefined) return book
  const anew = <T extends { readonly name: string }>(items: readonly T[]): T[] =>
    items.map((item) => ({ ...item, name: under(item.name, from, name) }))
  return {
    ...book,
    positions: anew(book.positions),
    parts: anew(book.parts).map((part) => ({
      ...part,
      assembly: under(part.assembly, from, name),
      ...(part.alsoIn ? { alsoIn: part.alsoIn.map((of) => under(of, from, name)) } : {}),
      position: under(part.position, from, name),
    })),
    characteristics: anew(book.characteristics),
    fits: anew(book.fits),
    crossChecks: anew(book.crossChecks ?? []),
    equalParts: anew(book.equalParts ?? []),
    handTests: anew(book.handTests),
    procedure: anew(book.procedure),
  }
}

/** The book with a position, and all that stands on it, once more under each of these names. Its figures and limits come along. */
export function copied(
  book: LimitBook,
  root: string,
  names: readonly string[],
  /** What becomes of the names inside. */
  inside: (text: string) => string = (text) => text,
): LimitBook {
  return names.reduce((made, name) => copiedOnce(made, root, name, inside), book)
}

function copiedOnce(book: LimitBook, root: string, name: string, within: (text: string) => string): LimitBook {
  const own = subtreeOf(book, root)
  const origin = book.positions.find(({ id }) => id === root)
  if (!origin) return book
  const used = new Set(
    [...book.positions, ...book.parts, ...book.characteristics, ...book.fits, ...book.procedure].map(({ id }) => id),
  )
  // One mark for all ids of this copy, so that what named each other does so again.
  let mark = 2
  const roots = [...own.positions].sort((a, b) => b.length - a.length)
  const copyOf = (id: string): string => {
    const begin = roots.find((of) => id === of || id.startsWith(`${of}-`)) ?? id
    return `${begin}.${mark}${id.slice(begin.length)}`.slice(-80)
  }
  while ([...own.positions, ...own.parts, ...own.characteristics, ...own.fits].some((id) => used.has(copyOf(id)))) mark += 1
  const inside = new Set([...own.positions, ...own.parts, ...own.characteristics, ...own.fits])
  const idOf = (id: string): string => (inside.has(id) ? copyOf(id) : id)
  /** Every id inside what is copied, wherever it is named. */
  const anew = <T>(value: T): T => {
    if (typeof value === 'string') return idOf(value) as T
    if (Array.isArray(value)) return value.map(anew) as T
    if (value === null || typeof value !== 'object') return value
    return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, anew(of)])) as T
  }
  const called = (text: string): string => {
    const after = under(text, origin.name, name)
    if (after === text) return `${name}: ${within(text)}`.slice(0, 200)
    return after.startsWith(name) ? `${name}${within(after.slice(name.length))}` : after
  }
  const again = <T extends { readonly id: string; readonly name: string }>(items: readonly T[], of: ReadonlySet<string>): T[] =>
    items.filter(({ id }) => of.has(id)).map((item) => ({ ...anew(item), id: copyOf(item.id), name: called(item.name) }))
  const ofParts = <T extends { readonly id: string; readonly part: string }>(items: readonly T[]): T[] =>
    items.filter(({ part }) => own.parts.has(part)).map((item) => ({ ...anew(item), id: copyOf(item.id) }))
  return {
    ...book,
    positions: [
      ...book.positions,
      ...again(book.positions, own.positions).map((one) => (one.id === copyOf(root) ? { ...one, parent: origin.parent } : one)),
    ],
    parts: [
      ...book.parts,
      ...again(book.parts, own.parts).map((part) => ({
        ...part,
        assembly: called(part.assembly),
        position: under(part.position, origin.name, name),
      })),
    ],
    characteristics: [...book.characteristics, ...again(book.characteristics, own.characteristics).map(unchecked)],
    fits: [...book.fits, ...again(book.fits, own.fits).map(unchecked)],
    crossChecks: [...(book.crossChecks ?? []), ...again(book.crossChecks ?? [], own.crossChecks)],
    // A copy stands at an equal place.
    equalParts: book.characteristics
      .filter(({ id }) => own.characteristics.has(id))
      .reduce<EqualParts[]>((sets, of) => withOneMoreAlike(sets, of, copyOf(of.id)), [...(book.equalParts ?? [])]),
    findingRules: [...book.findingRules, ...ofParts(book.findingRules)],
    patterns: [...book.patterns, ...ofParts(book.patterns)],
    handTests: [...book.handTests, ...ofParts(book.handTests).map((test) => ({ ...test, name: called(test.name) }))],
    procedure: withSteps(book.procedure, again(book.procedure, own.steps)),
  }
}

/** What was held against the page for one is to be held for its copy. */
const unchecked = <T extends LimitBook['characteristics'][number] | LimitBook['fits'][number]>(of: T): T => ({
  ...of,
  limits: of.limits.map(waiting),
  ...(of.wants ? { wants: of.wants.map((want) => (want.none ? { ...want, none: waiting(want.none) } : want)) } : {}),
})

const waiting = <L extends Pick<Limit, 'typed'>>(limit: L): L =>
  limit.typed ? { ...limit, typed: { ...limit.typed, check: null } } : limit
