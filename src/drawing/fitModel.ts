import type { Characteristic, LimitBook } from '../core/book/bookSchema'
import type { CharacteristicResult, FitResult } from '../core/evaluate/results'
import { type FitSpec, linksOf, statedOf } from '../core/fit/kinds'
import { sizeEnd } from '../core/fit/sizeEnd'
import { statedWords } from '../core/words/places'
import { say } from '../labels/drawings'
import type { FitDrawingModel, FitSide } from './fitDrawing'

/** What a fit is drawn from; null where it has more than two sides, which no common scale shows. */
export function fitModelOf(
  book: LimitBook,
  spec: FitSpec,
  fit: Pick<FitResult, 'minimum' | 'maximum'>,
  resultOf: (characteristic: string) => CharacteristicResult | undefined,
): FitDrawingModel | null {
  const measured = linksOf(spec).flatMap(({ characteristic, factor }) => {
    const of = book.characteristics.find(({ id }) => id === characteristic)
    return of ? [{ factor, side: sideOf(of, resultOf(characteristic)) }] : []
  })
  const stated = statedOf(spec)
    .filter(({ name }) => name !== 'growth')
    .map(({ name, lowMm, highMm }) => {
      const [low, high] = lowMm < 0 ? [-highMm, -lowMm] : [lowMm, highMm]
      const side: FitSide = {
        name: statedWords(name),
        new: [low, high],
        lowerWear: null,
        upperWear: null,
        plan: [],
        readings: [],
        found: [low, high],
      }
      return { factor: lowMm < 0 ? -1 : 1, side }
    })
  const [first, second, ...more] = [...measured, ...stated]
  if (!first || !second || more.length > 0 || Math.abs(first.factor) !== 1 || first.factor !== -second.factor) return null
  const [outer, inner] = first.factor > 0 ? [first, second] : [second, first]
  const growth = statedOf(spec).find(({ name }) => name === 'growth')
  return {
    outer: outer.side,
    inner: inner.side,
    tightestMm: fit.minimum?.value ?? null,
    loosestMm: fit.maximum?.value ?? null,
    growthMm: growth ? -growth.lowMm : 0,
    step: spec.showTo,
  }
}

const SIZES = ['maximum', 'minimum', 'mean']

function sideOf({ name, new: fresh, limits }: Characteristic, result: CharacteristicResult | undefined): FitSide {
  const sizes = limits.filter(({ judges }) => SIZES.includes(judges))
  const wear = (side: 'upper' | 'lower'): number | null => sizes.find((limit) => limit.side === side)?.wear ?? null
  const readings = (result?.readings ?? []).flatMap(({ value, correction }) => (value === null ? [] : [value + correction]))
  const [least, greatest] = [sizeEnd(result?.reductions, 'least')?.value, sizeEnd(result?.reductions, 'greatest')?.value]
  return {
    name: readings.length > 1 ? say.sizes(name, readings.length) : name,
    new: fresh && [fresh.lower, fresh.upper],
    lowerWear: wear('lower'),
    upperWear: wear('upper'),
    plan: sizes.flatMap(({ plan }) => plan ?? []),
    readings,
    found: least == null || greatest == null ? null : [least, greatest],
  }
}
