import type { Characteristic, FitSpec, LimitBook, Part, Route } from '../book/bookSchema'
import { isShaftInBore } from '../fit/kinds'
import { stepOf } from '../method/gives'
import type { Method } from '../method/method'
import { type Figures, figuresOf } from '../quantity/figures'
import type { QuantityKind } from '../quantity/kind'
import type { Meter } from '../quantity/meter'
import type { UnitSystem } from '../quantity/unitSystem'

/** Who says what follows from a record: the names of its book, in the units that are shown. */
export interface Speaker {
  readonly book: LimitBook
  readonly units: UnitSystem
  /** What the machine's running is counted in. */
  readonly meter: Meter
  characteristic(id: string): Characteristic | undefined
  part(id: string): Part | undefined
  fit(id: string): FitSpec | undefined
}

interface Names {
  readonly characteristics: ReadonlyMap<string, Characteristic>
  readonly parts: ReadonlyMap<string, Part>
  readonly fits: ReadonlyMap<string, FitSpec>
}
const namesOf = new WeakMap<LimitBook, Names>()

function namesIn(book: LimitBook): Names {
  const known = namesOf.get(book)
  if (known) return known
  const made: Names = {
    characteristics: new Map(book.characteristics.map((of) => [of.id, of])),
    parts: new Map(book.parts.map((of) => [of.id, of])),
    fits: new Map(book.fits.map((of) => [of.id, of])),
  }
  namesOf.set(book, made)
  return made
}

export function speakerOf(book: LimitBook, units: UnitSystem, meter: Meter = 'hours'): Speaker {
  const names = namesIn(book)
  return {
    book,
    units,
    meter,
    characteristic: (id) => names.characteristics.get(id),
    part: (id) => names.parts.get(id),
    fit: (id) => names.fits.get(id),
  }
}

/** What a thing of the book is called; its id where the book has lost it. */
export const nameOf = (speaker: Speaker, id: string): string =>
  (speaker.characteristic(id) ?? speaker.fit(id) ?? speaker.part(id))?.name ?? id

export const routeOf = (speaker: Speaker, part: string, route: string): Route | undefined =>
  speaker.part(part)?.routes.find(({ id }) => id === route)

const boreOf = (fit: FitSpec | undefined): string => (fit && isShaftInBore(fit) ? fit.bore : '')

/** The method whose places a value of a characteristic or a fit lies at. */
export function methodOf(speaker: Speaker, subject: string | null): Method | null {
  if (subject === null) return null
  const own = speaker.characteristic(subject) ?? speaker.characteristic(boreOf(speaker.fit(subject)))
  return own?.method ?? null
}

const DEFAULT_STEP = 0.001

/** How figures of a kind are written for a characteristic or a fit. */
export function figuresFor(speaker: Speaker, subject: string | null, quantity: QuantityKind): Figures {
  const characteristic = subject === null ? undefined : speaker.characteristic(subject)
  const step = characteristic
    ? stepOf(characteristic.method, characteristic.showTo, quantity)
    : subject === null
      ? DEFAULT_STEP
      : (speaker.fit(subject)?.showTo ?? DEFAULT_STEP)
  return figuresOf(quantity, speaker.units, step)
}

/** What may be fitted in more than one way, and one of the ways. */
export const variantName = ({ book }: Pick<Speaker, 'book'>, variant: string): string =>
  book.variants?.find(({ id }) => id === variant)?.name ?? variant
export const optionName = ({ book }: Pick<Speaker, 'book'>, variant: string, option: string): string =>
  book.variants?.find(({ id }) => id === variant)?.options.find(({ id }) => id === option)?.name ?? option
