import type { InspectionLevel } from '../record/procedureSchema'
import { type LicensedField, licensedFieldLabel } from '../safety/cautions'
import type { WorkState } from './fold'

/** A gauge of the store, as far as planning looks at it. */
export interface StoreGauge {
  readonly code: string
  readonly name: string
  readonly kind: string
  readonly maximumPermissibleErrorMm: number
  readonly calibrationDue: string
}

/** there: laid out. missing: to be got before anything is opened. open: not looked at yet. */
export type PlanState = 'open' | 'there' | 'missing'

export interface PlanLine {
  readonly id: string
  readonly group: 'gauges' | 'tools' | 'consumables' | 'safety' | 'people'
  readonly name: string
  readonly detail: string
  /** Quantity of a consumable. */
  readonly quantity: string | null
  readonly state: PlanState
  /** Why the store cannot give it; null where it can or nobody has looked. */
  readonly fault: string | null
  readonly ticked: { readonly by: string; readonly at: string } | null
}

/**
 * What a level needs laid out before anything is opened. A gauge is looked up in the store: of its kind, of the class
 * asked, in calibration on that date (the due date itself still counts). A person's tick stands over the look-up.
 */
export function planLines(
  level: InspectionLevel,
  store: readonly StoreGauge[],
  date: string,
  ticks: WorkState['plan'],
  figures: (mm: number) => string,
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
      detail: over.detail ?? '',
      quantity: over.quantity ?? null,
      state: tick && tick.state !== 'open' ? tick.state : looked,
      fault: over.fault ?? null,
      ticked: tick && tick.state !== 'open' ? { by: tick.by, at: tick.at } : null,
    }
  }
  const { gauges, tools, consumables, safety, people } = level.needs
  return [
    ...gauges.map((need) => line('gauges', need, gaugeInStore(need, store, date, figures))),
    ...tools.map((need) => line('tools', need)),
    ...consumables.map((need) => line('consumables', need, { quantity: need.quantity })),
    ...safety.map((need) => line('safety', need)),
    ...people.map((need) => line('people', need, { detail: need.licensed ? licenceWords(need.licensed) : '' })),
  ]
}

const licenceWords = (field: LicensedField): string => `licensed: ${licensedFieldLabel[field].toLowerCase()}`

type GaugeNeed = InspectionLevel['needs']['gauges'][number]

function gaugeInStore(
  need: GaugeNeed,
  store: readonly StoreGauge[],
  date: string,
  figures: (mm: number) => string,
): { detail: string; fault: string | null; found: boolean } {
  const asked = need.maximumPermissibleErrorMm === null ? '' : `error at most ${figures(need.maximumPermissibleErrorMm)}`
  const ofKind = store.filter(({ kind }) => kind === need.kind)
  const fine = ofKind.filter(
    (gauge) => need.maximumPermissibleErrorMm === null || gauge.maximumPermissibleErrorMm <= need.maximumPermissibleErrorMm,
  )
  const good = fine.find(({ calibrationDue }) => calibrationDue >= date)
  if (good) return { detail: `${good.code} ${good.name}, calibrated until ${good.calibrationDue}`, fault: null, found: true }
  const lapsed = fine[0]
  if (lapsed)
    return {
      detail: asked,
      fault: `${lapsed.code} is out of calibration: due ${lapsed.calibrationDue}, the job is on ${date}`,
      found: false,
    }
  const coarse = ofKind[0]
  if (coarse)
    return {
      detail: asked,
      fault: `${coarse.code} is not of the class asked: its error is ${figures(coarse.maximumPermissibleErrorMm)}`,
      found: false,
    }
  return { detail: asked, fault: 'none of this kind in the store', found: false }
}
