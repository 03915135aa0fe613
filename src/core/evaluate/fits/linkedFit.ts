import { clearanceAt, type LinkedFit, linksOf, sidesOf, statedOf } from '../../fit/kinds'
import { type End, endOfLink, sizeEnd } from '../../fit/sizeEnd'
import { guardFactorOf } from '../../limit/conformity'
import { knownOf, type Reduced, reduced, type Term } from '../../method/reduction'
import { extentOf } from '../../quantity/extent'
import { type Interval, isPoint, negate, point, scale } from '../../quantity/interval'
import type { Missing } from '../../verdict/vote'
import type { FitFound, FitSizes } from './fitInput'

type Input = FitSizes<LinkedFit>
/**
 * A fit that follows from measured sizes and what is stated beside them: at its tightest each size stands at the end that
 * closes it, at its loosest at the other. Errors go through by source, so that one gauge used for both sides cancels.
 */
export function linkedFound(input: Input): FitFound {
  const { fit } = input
  const [minimum, maximum] = [endOf(input, 'least'), endOf(input, 'greatest')]
  const [tightestMm, loosestMm] = [minimum?.value ?? null, maximum?.value ?? null]
  return {
    clearance: {
      matched: [],
      minimumMm: tightestMm,
      maximumMm: loosestMm,
      meanMm: tightestMm === null || loosestMm === null ? null : (tightestMm + loosestMm) / 2,
      outerMinimumMm: tightestMm,
      outerMaximumMm: loosestMm,
    },
    stripMm: [],
    closures: [],
    countsBy: 'measuredParts',
    minimum,
    maximum,
    countedOn: sidesOf(fit),
    missing: missingOf(input),
    crossChecks: () => [],
  }
}

function endOf({ fit, reductionsOf, policy }: Input, end: End): Reduced | null {
  const links = linksOf(fit)
  const sizes = links.map(({ characteristic, factor }) => ({
    characteristic,
    factor,
    size: sizeEnd(reductionsOf(characteristic), endOfLink(factor, end)),
  }))
  const stated = statedOf(fit).map(({ name, lowMm, highMm }) => ({ name, valueMm: end === 'least' ? lowMm : highMm }))
  const known = clearanceAt(
    fit,
    end,
    (characteristic, at) => {
      const size = sizeEnd(reductionsOf(characteristic), at)
      return size && knownOf(size)
    },
    guardFactorOf(policy.acceptance),
  )
  if (known === null || known.interval === null) return null
  const term = (name: Term['name'], times: number, interval: Interval): Term => ({
    name,
    less: times < 0,
    quantity: 'length',
    ...extentOf(times < 0 ? negate(interval) : interval),
  })
  return reduced(known, {
    quantity: 'length',
    where: { code: 'fromSizes' },
    sum: [
      ...sizes.flatMap(({ characteristic, factor, size }) => {
        const interval = size && knownOf(size).interval
        return interval ? [term({ code: 'sizeOf', characteristic }, factor, scale(interval, Math.abs(factor || 1)))] : []
      }),
      ...stated.map(({ name, valueMm }) => term({ code: 'stated', name }, Math.sign(valueMm), point(Math.abs(valueMm)))),
    ],
  })
}

/** What is still to be read before the clearance is complete. */
function missingOf({ fit, reductionsOf }: Input): Missing[] {
  return sidesOf(fit).flatMap((id): Missing[] => {
    const reductions = reductionsOf(id)
    const count = (reductions?.needed ?? 1) - (reductions?.taken ?? 0)
    const ends = [sizeEnd(reductions, 'least'), sizeEnd(reductions, 'greatest')]
    const isBound = ends.some((size) => size && !isPoint(knownOf(size).interval ?? point(0)))
    if (count > 0) return [{ code: 'readings', characteristic: id, count }]
    return isBound ? [{ code: 'toAFigure', characteristic: id, places: [] }] : []
  })
}
