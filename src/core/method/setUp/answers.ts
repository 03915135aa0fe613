import { Unusable } from '../../base/fields'
import { pairsIn } from '../../base/pairs'
import { unitOf } from '../../quantity/format'
import type { QuantityKind } from '../../quantity/kind'
import { parseQuantity } from '../../quantity/quantity'
import type { UnitSystem } from '../../quantity/unitSystem'
import type { ClockPlace, Place } from '../slot'
import type { SetUpField } from './fields'
import type { SetUpFault } from './setUpFault'

export type SetUpAnswers = Readonly<Record<string, string>>

const MOST_PLACES = 100

export const LETTERS = (index: number): string => (index < 26 ? String.fromCharCode(65 + index) : `P${index + 1}`)
export const NUMERALS = (index: number): string => String(index + 1)

/** An answer that cannot be used. */
export const unusable = (field: string, fault: SetUpFault): Unusable<SetUpFault> => new Unusable(field, fault)

/** Answers of one form, each read by what it is to be. */
export class Answers {
  constructor(
    private readonly fields: readonly SetUpField[],
    private readonly answers: SetUpAnswers,
    private readonly system: UnitSystem,
  ) {}

  private fieldAt(key: string): SetUpField {
    const found = this.fields.find((candidate) => candidate.key === key)
    if (!found) throw new Error(`nothing asks for ${key}`)
    return found
  }
  private text(key: string): string {
    return (this.answers[key] ?? this.fieldAt(key).start ?? '').trim()
  }
  words(key: string): string {
    const text = this.text(key)
    if (text === '') throw unusable(key, { code: 'empty', field: key })
    return text
  }
  choice<T extends string>(key: string): T {
    const { options } = this.fieldAt(key)
    const text = this.text(key)
    if (!options.includes(text)) throw unusable(key, { code: 'notChosen', field: key })
    return text as T
  }
  list(key: string): readonly string[] {
    return this.text(key)
      .split(/[,;]/)
      .map((item) => item.trim())
      .filter((item) => item !== '')
  }
  count(key: string, most: number): number {
    const text = this.words(key)
    const count = /^\d{1,4}$/.test(text) ? Number(text) : 0
    if (count < 1 || count > most) throw unusable(key, { code: 'wholeNumber', field: key, most })
    return count
  }
  parse(key: string, text: string, quantity: QuantityKind): number {
    const parsed = parseQuantity(text, quantity, unitOf(quantity, this.system))
    if (!parsed.ok) throw unusable(key, { code: 'figure', why: parsed.fault })
    return parsed.value.value
  }
  figureOrNull(key: string): number | null {
    const text = this.text(key)
    return text === '' ? null : this.parse(key, text, this.fieldAt(key).quantity)
  }
  positive(key: string): number {
    const value = this.parse(key, this.words(key), this.fieldAt(key).quantity)
    if (value <= 0) throw unusable(key, { code: 'notPositive', field: key })
    return value
  }
  places(key: string, idAt: (index: number) => string = NUMERALS): Place[] {
    const text = this.words(key)
    const count = /^\d{1,3}$/.test(text) ? Number(text) : null
    const names = count === null ? this.list(key) : Array.from({ length: count }, (_, index) => idAt(index))
    if (names.length < 1 || names.length > MOST_PLACES) throw unusable(key, { code: 'howMany', field: key, most: MOST_PLACES })
    if (new Set(names).size !== names.length) throw unusable(key, { code: 'sameName', field: key })
    return names.map((name, index) => ({ id: idAt(index), label: name.slice(0, 200) }))
  }
  /** Places around, clockwise from the top. */
  clock(key: string): ClockPlace[] {
    const text = this.words(key)
    const count = /^\d{1,2}$/.test(text) ? Number(text) : null
    const degrees =
      count === null
        ? this.list(key).map((item) => this.parse(key, item, 'angle'))
        : Array.from({ length: count }, (_, index) => (360 * index) / count)
    if (degrees.length < 1 || degrees.some((angle) => angle < 0 || angle >= 360))
      throw unusable(key, { code: 'angleOutside', field: key })
    if (new Set(degrees).size !== degrees.length) throw unusable(key, { code: 'sameAngle', field: key })
    return degrees.map((angleDeg, index) => ({ id: NUMERALS(index), label: `${Math.round(angleDeg * 10) / 10}°`, angleDeg }))
  }
  pairs(key: string): readonly (readonly [string, string])[] {
    const pairs = pairsIn(this.words(key))
    if (!pairs.ok) throw unusable(key, { code: 'pairs', field: key, text: pairs.fault })
    return pairs.value
  }

  /** Reads a field by what it is to be, and throws when it cannot be used: so that all of them are told, not the first alone. */
  probe({ key, kind, start, quantity }: SetUpField): void {
    switch (kind) {
      case 'places':
        return void this.places(key)
      case 'angles':
        return void this.clock(key)
      case 'figure': {
        const text = start === null ? this.words(key) : this.text(key)
        return void (text === '' ? null : this.parse(key, text, quantity))
      }
      case 'choice':
        return void this.choice(key)
      case 'count':
      case 'words':
      case 'characteristic':
      case 'names':
        return void (start === null ? this.words(key) : null)
    }
  }
}
