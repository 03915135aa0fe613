import type { Lookup } from '../base/cell'
import type { Characteristic } from '../book/bookSchema'
import type { Reductions } from '../method/reduction'
import type { Reading } from '../record/recordSchema'
import { reduce } from '../record/reduce'
import { type LaterStage, laterStages, type Stage, stages } from '../record/stage'
import { NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf } from '../record/standing'
import type { ReducedSet } from '../trend/earlier'
import { type Index, reduceBy } from './recordIndex'

/** What was taken at the later stages, by stage and characteristic; only what was taken is there. */
export type LaterSets = Readonly<Record<LaterStage, ReadonlyMap<string, ReducedSet>>>

const nothingLater: LaterSets = { afterWork: new Map(), asLeft: new Map() }

/** Everything a job took at its later stages. */
export function laterSetsOf(fixed: Index, readings: readonly Reading[], asFound: Lookup<Reductions>): LaterSets {
  let later = nothingLater
  for (const stage of laterStages) {
    const standing = standingByCharacteristic(readings, stage)
    if (standing.size === 0) continue
    const sets = new Map(
      [...standing].flatMap(([id, own]) => {
        const characteristic = fixed.record.book.characteristics[fixed.index.get(id) ?? -1]
        return characteristic ? [[id, takenOf(characteristic, own, fixed.gauges)] as const] : []
      }),
    )
    later = { ...later, [stage]: reduceStage(fixed, sets, later, stage, asFound, 'all') }
  }
  return later
}

/** The later sets after a change: at one stage, or (null) of what was found. Only what depends on it is reduced again. */
export function laterSetsWith(
  fixed: Index,
  later: LaterSets,
  changed: { readonly stage: LaterStage; readonly characteristic: Characteristic; readonly standing: readonly Reading[] } | null,
  affected: ReadonlySet<string>,
  asFound: Lookup<Reductions>,
): LaterSets {
  let made = later
  for (const stage of laterStages) {
    const sets = new Map([...later[stage]].map(([id, { set }]) => [id, set]))
    if (changed?.stage === stage) {
      if (changed.standing.length === 0) sets.delete(changed.characteristic.id)
      else sets.set(changed.characteristic.id, takenOf(changed.characteristic, changed.standing, fixed.gauges))
    }
    if (sets.size === 0 && later[stage].size === 0) continue
    made = { ...made, [stage]: reduceStage(fixed, sets, made, stage, asFound, affected) }
  }
  return made
}

/** Values at a stage: its own where something was taken there, else as they were before. */
export function valuesAt(
  stage: Stage,
  later: LaterSets,
  asFound: Lookup<Reductions>,
): (characteristic: string) => Reductions | undefined {
  const upTo = stages.indexOf(stage)
  return (id) => {
    for (const known of [...laterStages].reverse())
      if (stages.indexOf(known) <= upTo) {
        const own = later[known].get(id)?.reductions
        if (own) return own
      }
    return asFound.get(id)
  }
}

/** Reduces what was taken at a stage, and what is computed from any of it; of what is known already only the affected. */
function reduceStage(
  fixed: Index,
  sets: ReadonlyMap<string, TakenSet>,
  known: LaterSets,
  stage: LaterStage,
  asFound: Lookup<Reductions>,
  affected: ReadonlySet<string> | 'all',
): ReadonlyMap<string, ReducedSet> {
  const made = new Map<string, ReducedSet>()
  if (sets.size === 0) return made
  const at = valuesAt(stage, { ...known, [stage]: made }, asFound)
  for (const characteristic of fixed.order) {
    const { id, method } = characteristic
    const before = affected === 'all' || affected.has(id) ? undefined : known[stage].get(id)
    if (before) {
      made.set(id, before)
      continue
    }
    const isComputed = method.kind === 'computed' && Object.values(method.names).some((of) => made.has(of.characteristic))
    const set = isComputed ? NOTHING_TAKEN : sets.get(id)
    if (set && (isComputed || set.standing.length > 0))
      made.set(id, { set, reductions: reduce(characteristic, set, at, reduceBy(fixed, id)) })
  }
  return made
}
