import { type Cell, cell } from '../base/cell'
import { settledVotes, withChains, withSettledVotes } from '../verdict/chain'
import type { PartResult } from '../verdict/partVerdict'
import type { Index } from './recordIndex'
import type { CharacteristicResult, FitResult } from './results'

/** Everything judged by itself, each by its place in the book. */
interface Judged {
  readonly characteristics: readonly Cell<CharacteristicResult>[]
  readonly fits: readonly Cell<FitResult>[]
  readonly judged: readonly Cell<PartResult>[]
}

/** The same, with what is set judged by the parts that it rests on. */
export interface Settled {
  readonly settledCharacteristics: readonly Cell<CharacteristicResult>[]
  readonly settledFits: readonly Cell<FitResult>[]
  readonly chained: readonly Cell<PartResult>[]
}

/** What is set, judged by what it rests on; what has no setting, or whose chain is what it was before, stays as it is known. */
export function settledByChain(fixed: Index, now: Judged, before: (Judged & Settled) | null): Settled {
  const { book } = fixed.record
  const placeOf = (part: string): number => fixed.partIndex.get(part) ?? -1
  const isSame = (part: string): boolean => now.judged[placeOf(part)] === before?.judged[placeOf(part)]
  const resultOf = (part: string) => now.judged[placeOf(part)]?.()
  function settled<R>(
    own: readonly Cell<R>[],
    known: { readonly own: readonly Cell<R>[]; readonly settled: readonly Cell<R>[] } | null,
    partAt: (index: number) => string | undefined,
    settle: (result: R, index: number) => R,
  ): readonly Cell<R>[] {
    return own.map((one, index) => {
      const part = partAt(index) ?? ''
      const chain = fixed.chainsOfPart.get(part) ?? []
      if (chain.length === 0) return one
      const last = known?.settled[index]
      return last && known.own[index] === one && [part, ...chain].every(isSame) ? last : cell(() => settle(one(), index))
    })
  }
  return {
    settledCharacteristics: settled(
      now.characteristics,
      before && { own: before.characteristics, settled: before.settledCharacteristics },
      (index) => book.characteristics[index]?.part,
      (of) => {
        const stages = of.stages.map((stage) => withSettledVotes(stage, resultOf))
        const made = withSettledVotes(of, resultOf)
        return made === of && stages.every((stage, at) => stage === of.stages[at]) ? of : { ...made, stages }
      },
    ),
    settledFits: settled(
      now.fits,
      before && { own: before.fits, settled: before.settledFits },
      (index) => book.fits[index]?.mendOn,
      (of) => ({
        ...of,
        votes: settledVotes(of.votes, resultOf),
        stages: of.stages.map((stage) => ({ ...stage, votes: settledVotes(stage.votes, resultOf) })),
      }),
    ),
    chained: settled(
      now.judged,
      before && { own: before.judged, settled: before.chained },
      (index) => book.parts[index]?.id,
      (own, index) => {
        const part = book.parts[index]
        return part ? withChains(part, own, resultOf) : own
      },
    ),
  }
}
