import type { Frozen } from '../base/frozen'
import { equalPartsWithout } from '../fit/alike'
import { linksOf, stripOf } from '../fit/kinds'
import { settingWithout } from '../setting/setting'
import type { Characteristic, FitSpec, LimitBook, Part } from './bookShapeSchema'

export type Only = Frozen<NonNullable<Part['only']>>

/** Options said to be fitted, by variant. */
export type Fitted = ReadonlyMap<string, string>

/** Whether something may be on the machine: said to be, or nobody has said which is fitted. */
const mayBe = (only: Only | undefined, fitted: Fitted): boolean => {
  const option = only && fitted.get(only.variant)
  return option === undefined || (only?.options.includes(option) ?? true)
}

/**
 * The book without what belongs to other types than those fitted: parts, what is measured of them, and all that names
 * only these. A variant of which nobody has said which is fitted leaves everything in, and so everything open.
 */
export function withoutOtherVariants(book: LimitBook, fitted: Fitted): LimitBook {
  if (fitted.size === 0 || (book.variants ?? []).length === 0) return book
  const parts = new Set(book.parts.filter(({ only }) => mayBe(only, fitted)).map(({ id }) => id))
  const characteristics = keptOf(book, (one) => parts.has(one.part) && mayBe(one.only, fitted))
  const isHere = (id: string): boolean => characteristics.has(id)
  const isFitted = (id: string): boolean => parts.has(id)
  const fits = book.fits.filter(
    (fit) => mayBe(fit.only, fitted) && parts.has(fit.mendOn) && sizesOf(fit).every((id) => isHere(id)),
  )
  if (
    parts.size === book.parts.length &&
    characteristics.size === book.characteristics.length &&
    fits.length === book.fits.length
  )
    return book
  const fitIds = new Set(fits.map(({ id }) => id))
  const here = (ids: readonly string[]): string[] => ids.filter(isHere)
  const positions = book.positions.filter(({ part }) => part === null || parts.has(part))
  const positionIds = new Set(positions.map(({ id }) => id))
  const there = (ids: readonly string[]): string[] => ids.filter((id) => positionIds.has(id))
  const fittedParts = book.parts.filter(({ id }) => parts.has(id)).map((part) => partWith(part, parts, isHere, fitIds))
  const routes = new Set(fittedParts.flatMap((part) => part.routes.map(({ id }) => routeOf(part.id, id))))
  const stillOpen = (part: string, route: string | null): string | null =>
    route !== null && routes.has(routeOf(part, route)) ? route : null
  return {
    ...book,
    parts: fittedParts,
    characteristics: book.characteristics
      .filter(({ id }) => isHere(id))
      .map((one) => settingWithout(mendedBy(one, routes), isFitted, isHere)),
    fits: fits.map((fit) => settingWithout(fit, isFitted, isHere)),
    equalParts: book.equalParts?.flatMap((set) => equalPartsWithout(set, isHere) ?? []),
    crossChecks: book.crossChecks?.filter(({ names }) =>
      Object.values(names).every(({ characteristic }) => isHere(characteristic)),
    ),
    levels: book.levels.map((level) => {
      const gate = level.gate && { ...level.gate, measures: here(level.gate.measures) }
      return {
        ...level,
        measures: level.measures === 'all' ? level.measures : here(level.measures),
        gate: gate && gate.measures.length > 0 ? gate : null,
      }
    }),
    procedure: book.procedure.map((step) => ({
      ...step,
      measures: here(step.measures),
      removes: there(step.removes),
      destroys: there(step.destroys),
    })),
    positions: positions.map((position) => ({
      ...position,
      parent: position.parent !== null && positionIds.has(position.parent) ? position.parent : null,
      keptWith: there(position.keptWith),
    })),
    joints: book.joints.filter(({ between }) => between.every((id) => positionIds.has(id))),
    findingRules: book.findingRules
      .filter(({ part, foundOn = part }) => parts.has(part) && parts.has(foundOn))
      .map((rule) => ({ ...rule, route: stillOpen(rule.part, rule.route), confirm: here(rule.confirm) })),
    patterns: book.patterns
      .filter(({ part }) => parts.has(part))
      .map((pattern) => ({ ...pattern, route: stillOpen(pattern.part, pattern.route) })),
    handTests: book.handTests.filter(({ part }) => parts.has(part)),
  }
}

/** Parts of a book that are not fitted where it applies. */
export function partsLeftOut(issued: LimitBook, applied: LimitBook): ReadonlySet<string> {
  const fitted = new Set(applied.parts.map(({ id }) => id))
  return new Set(issued.parts.flatMap(({ id }) => (fitted.has(id) ? [] : [id])))
}

/** Marks of installed parts without those of parts that are not fitted. */
export const withoutMarksOf = (
  notFitted: ReadonlySet<string>,
  installed: Readonly<Record<string, string>>,
): Record<string, string> => Object.fromEntries(Object.entries(installed).filter(([part]) => !notFitted.has(part)))

/** Everything a fit is made of. */
const sizesOf = (fit: FitSpec): string[] => {
  const strip = stripOf(fit)
  return [
    ...linksOf(fit).map(({ characteristic }) => characteristic),
    ...(strip === null ? [] : [strip]),
    ...(fit.direct === undefined ? [] : [fit.direct]),
  ]
}

/** What a characteristic cannot be without. */
const needs = ({ method }: Characteristic): readonly string[] =>
  method.kind === 'computed'
    ? Object.values(method.names).map(({ characteristic }) => characteristic)
    : method.kind === 'ringEndGap'
      ? [method.runsIn]
      : []

/** Characteristics that stay: their own part is here, and all that they are worked out from. */
function keptOf(book: LimitBook, isFitted: (characteristic: Characteristic) => boolean): ReadonlySet<string> {
  let kept = book.characteristics.filter(isFitted)
  for (;;) {
    const ids = new Set(kept.map(({ id }) => id))
    const whole = kept.filter((one) => needs(one).every((id) => ids.has(id)))
    if (whole.length === kept.length) return ids
    kept = whole
  }
}

const routeOf = (part: string, route: string): string => `${part}/${route}`

/** A characteristic whose limits name only routes that are still there. */
function mendedBy(characteristic: Characteristic, routes: ReadonlySet<string>): Characteristic {
  const open = <L extends { mendedBy?: string[] | undefined }>(limit: L): L =>
    limit.mendedBy ? { ...limit, mendedBy: limit.mendedBy.filter((id) => routes.has(routeOf(characteristic.part, id))) } : limit
  const { limits, limitsBy } = characteristic
  return { ...characteristic, limits: limits.map(open), ...(limitsBy ? { limitsBy: limitsBy.map(open) } : {}) }
}

function partWith(part: Part, parts: ReadonlySet<string>, isHere: (id: string) => boolean, fits: ReadonlySet<string>): Part {
  const { within, ...rest } = part
  return {
    ...rest,
    ...(within !== undefined && parts.has(within) ? { within } : {}),
    service: part.service?.flatMap((rule): NonNullable<Part['service']> => {
      if (rule.kind !== 'withMate' && rule.kind !== 'set') return [rule]
      const mates = rule.parts.filter((id) => parts.has(id))
      return mates.length > 0 ? [{ ...rule, parts: mates }] : []
    }),
    routes: part.routes.flatMap((route) => {
      const mends = route.mends.filter(isHere)
      if (mends.length === 0 || (route.sizeAfter && !isHere(route.sizeAfter.characteristic))) return []
      return [{ ...route, mends, suits: route.suits?.filter((id) => isHere(id) || fits.has(id)) }]
    }),
  }
}
