import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import type { Limit } from '../limit/limit'
import type { MethodKind } from '../method/kinds'
import type { ReductionName } from '../method/reduction'
import type { SettingMeans } from './settingMeans'
import type { settingSchema } from './settingSchema'

/** Wear, setting or both, as a limit book has it. */
export type SettingSpec = Frozen<z.infer<typeof settingSchema>>

/** How a value is set, and what it rests on. */
export interface Setting {
  readonly is: 'setting' | 'both'
  readonly by: SettingMeans
  /** Parts it rests on. */
  readonly chain: readonly string[]
  readonly leftBy: string | null
  readonly most: number | null
  readonly isClosed: boolean
  readonly isProving: boolean
  readonly isProtective: boolean
}

/** What is a setting by its nature, whatever a book says of it: how something stands, not how far it has worn. */
const USUAL: Partial<Record<MethodKind, Partial<SettingSpec> & { readonly by: SettingMeans }>> = {
  shaftAlignment: { by: 'alignment' },
  openingPressure: { by: 'screw', protective: true },
  capPinch: { by: 'shims' },
}

/** Spreads and shapes tell of wear: setting the whole over moves no part of it against another. */
const NOT_SET: ReadonlySet<ReductionName> = new Set([
  ...(['variation', 'range', 'outOfRound', 'taper', 'parallelism', 'oppositeDifference'] as const),
  ...(['totalIndicated', 'stripTaper', 'drips', 'pressureFall', 'wear', 'notAsWanted', 'failedPoints'] as const),
  ...(['damaged', 'adjacentDamaged', 'broken', 'worstWorn'] as const),
])

/** A ring is filed or renewed, never set: its gap is wear. */
export const isNeverSet = (method: MethodKind): boolean => method === 'ringEndGap'

interface SetValue {
  readonly setting?: SettingSpec | undefined
  readonly method: { readonly kind: MethodKind }
  readonly part: string
}

type Judging = Pick<Limit, 'judges'> & Partial<Pick<Limit, 'whenPassed'>>

/**
 * How a judged value is set; null where it tells of wear. What the book says counts; where it says nothing, what is a setting by
 * its nature, unless the book condemns the part by it.
 */
export function settingOf({ setting, method, part }: SetValue, { judges, whenPassed }: Judging): Setting | null {
  if (isNeverSet(method.kind)) return null
  const usual = USUAL[method.kind]
  const spec = setting ?? (usual && whenPassed !== 'replace' ? { is: 'setting' as const, ...usual } : null)
  if (spec === null || (spec.values ? !spec.values.includes(judges) : NOT_SET.has(judges))) return null
  return settingBy(spec, [part])
}

/** What a statement of a book says: null where it is wear. `parts`: those that it rests on where it names none. */
export function settingBy(
  { is, by, chain, leftBy, most, machineClosed, proving, protective }: SettingSpec,
  parts: readonly string[],
): Setting | null {
  if (is === 'wear' || by === undefined) return null
  return {
    is,
    by,
    // A setting that rests on nothing rests on what it is measured of.
    chain: chain && chain.length > 0 ? chain : [...new Set(parts)],
    leftBy: leftBy ?? null,
    most: most ?? null,
    isClosed: machineClosed ?? false,
    isProving: proving ?? false,
    isProtective: protective ?? false,
  }
}

/** What has a setting, without what its book does not have any more. */
export function settingWithout<T extends { readonly setting?: SettingSpec | undefined }>(
  of: T,
  isPart: (id: string) => boolean,
  isCharacteristic: (id: string) => boolean,
): T {
  if (!of.setting) return of
  const { chain, leftBy, ...setting } = of.setting
  return {
    ...of,
    setting: {
      ...setting,
      ...(chain ? { chain: chain.filter(isPart) } : {}),
      ...(leftBy !== undefined && isCharacteristic(leftBy) ? { leftBy } : {}),
    },
  }
}
