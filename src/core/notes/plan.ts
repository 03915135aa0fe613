import type { InspectionLevel } from '../book/procedureSchema'
import type { LicensedField } from '../safety/cautions'
import type { NotesState } from './state'

/** A gauge of the store, as far as planning looks at it. */
export interface StoreGauge {
  readonly code: string
  readonly name: string
  readonly kind: string
  readonly maximumPermissibleError: number
  readonly range: { readonly least: number; readonly greatest: number } | null
  readonly calibrationDue: string
  /** Calibrated anew since: this calibration counts no more. */
  readonly replaced?: true | undefined
}

/** there: laid out. missing: to be got before anything is opened. open: not looked at yet. */
export type PlanState = 'open' | 'there' | 'missing'

export type PlanDetail =
  | { readonly code: 'licensed'; readonly field: LicensedField }
  | { readonly code: 'errorAtMost'; readonly error: number }
  | { readonly code: 'inHand'; readonly gauges: readonly Pick<StoreGauge, 'code' | 'name' | 'calibrationDue'>[] }

/** Why the store cannot give a gauge. Sizes in mm; null where any size does. */
export type PlanFault =
  | { readonly code: 'lapsed'; readonly gauge: string; readonly due: string; readonly date: string }
  | { readonly code: 'tooCoarse'; readonly gauge: string; readonly error: number; readonly sizeMm: number | null }
  | { readonly code: 'none'; readonly sizeMm: number | null }

export interface PlanLine {
  readonly id: string
  readonly group: 'gauges' | 'tools' | 'consumables' | 'safety' | 'people'
  readonly name: string
  /** What it must be, or what of the store serves. */
  readonly detail: PlanDetail | null
  /** Quantity of a consumable. */
  readonly quantity: string | null
  readonly state: PlanState
  /** Why the store cannot give it; null where it can or nobody has looked. */
  readonly fault: PlanFault | null
  readonly ticked: { readonly by: string; readonly at: string } | null
}

/**
 * What a level needs laid out before anything is opened. A gauge is looked up in the store: of its kind, reaching the
 * sizes, of the class asked, in calibration on that date (the due date itself still counts). A person's tick stands over the look-up.
 */
export function planLines(
  level: InspectionLevel,
  store: readonly StoreGauge[],
  date: string,
  ticks: NotesState['plan'],
): PlanLine[] {
  const line = (
    group: PlanLine['group'],
    need: { id: string; name: string },
    over: Partial<Pick<PlanLine, 'detail' | 'quantity' | 'fault'>> & { found?: boolean } = {},
  ): PlanLine => {
    const tick = ticks.get(need.id)
    const looked: PlanState = over.fault ? 'missing' : over.found ? 'there' : 'open'
    return {
      id: need.id,
      group,
      name: need.name,
      detail: over.detail ?? null,
      quantity: over.quantity ?? null,
      state: tick && tick.state !== 'open' ? tick.state : looked,
      fault: over.fault ?? null,
      ticked: tick && tick.state !== 'open' ? { by: tick.by, at: tick.at } : null,
    }
  }
  const { gauges, tools, consumables, safety, people } = level.needs
  return [
    ...gauges.map((need) => line('gauges', need, gaugeInStore(need, store, date))),
    ...tools.map((need) => line('tools', need)),
    ...consumables.map((need) => line('consumables', need, { quantity: need.quantity })),
    ...safety.map((need) => line('safety', need)),
    ...people.map((need) => line('people', need, { detail: need.licensed && { code: 'licensed', field: need.licensed } })),
  ]
}

type GaugeNeed = InspectionLevel['needs']['gauges'][number]

function gaugeInStore(
  need: GaugeNeed,
  store: readonly StoreGauge[],
  date: string,
): { detail: PlanDetail | null; fault: PlanFault | null; found: boolean } {
  const error = need.maximumPermissibleError
  const asked = error === null ? null : ({ code: 'errorAtMost', error } as const)
  const missing = (fault: PlanFault) => ({ detail: asked, fault, found: false })
  const reaches = (gauge: StoreGauge, sizeMm: number): boolean =>
    gauge.range !== null && gauge.range.least <= sizeMm && sizeMm <= gauge.range.greatest
  const fineEnough = (gauge: StoreGauge): boolean =>
    need.maximumPermissibleError === null || gauge.maximumPermissibleError <= need.maximumPermissibleError
  const inHand: StoreGauge[] = []
  // Without sizes any gauge of the kind reaches; with sizes each of them needs one.
  for (const sizeMm of need.sizesMm.length > 0 ? need.sizesMm : [null]) {
    const ofKind = store.filter(
      (gauge) => gauge.kind === need.kind && !gauge.replaced && (sizeMm === null || reaches(gauge, sizeMm)),
    )
    const fine = ofKind.filter(fineEnough)
    const good = fine.find(({ calibrationDue }) => calibrationDue >= date)
    if (good) {
      if (!inHand.includes(good)) inHand.push(good)
      continue
    }
    const [lapsed, coarse] = [fine[0], ofKind[0]]
    if (lapsed) return missing({ code: 'lapsed', gauge: lapsed.code, due: lapsed.calibrationDue, date })
    if (coarse) return missing({ code: 'tooCoarse', gauge: coarse.code, error: coarse.maximumPermissibleError, sizeMm })
    return missing({ code: 'none', sizeMm })
  }
  return {
    detail: { code: 'inHand', gauges: inHand },
    fault: null,
    found: true,
  }
}
