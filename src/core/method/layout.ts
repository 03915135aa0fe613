import type { QuantityKind } from '../quantity/kind'
import type { ReadingForm } from '../quantity/reading'
import type { Method, Place, Walk } from './method'

/** One place for one reading. */
export interface Slot {
  readonly station: string
  readonly direction: string
  readonly repeat: number
}

export const slotKey = (slot: Slot): string => `${slot.station}/${slot.direction}/${slot.repeat}`

/** Stands where a method has no station or no direction. */
export const NO_PLACE = '-'
/** Most repeats one set may hold; more is a sign that the set should be taken anew. */
const MOST_REPEATS = 12

/** Places of a spring, a pressure test and an alignment that are not read more than they are named. */
export const SPRING = { longer: 'L1', shorter: 'L2', free: 'L0', lean: 'e' } as const
export const PRESSURE = { opens: 'p', drip: 'drip', hold: 'hold' } as const
export const ALIGNMENT = { rim: 'rim', face: 'face' } as const

/** Columns, rows and repeats in which a method's readings stand on the sheet. */
export interface Layout {
  readonly stations: readonly Place[]
  readonly directions: readonly Place[]
  readonly repeats: number
  /** More repeats than the least may be taken. */
  readonly moreRepeats: boolean
  readonly walk: Walk
  /** Places that are not read: a ring of fewer elements than the longest one. */
  readonly without: (slot: Slot) => boolean
}

const nowhere: readonly Place[] = [{ id: NO_PLACE, label: '' }]
const never = (): boolean => false
const layout = (part: Partial<Layout>): Layout => ({
  stations: nowhere,
  directions: nowhere,
  repeats: 1,
  moreRepeats: false,
  walk: 'stationFirst',
  without: never,
  ...part,
})
const points = (places: readonly Place[], repeats: number): Layout =>
  layout({ stations: places, repeats, moreRepeats: repeats > 1 })

const numbered = (count: number, label: string): Place[] =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: `${label} ${index + 1}` }))

/** A method never changes once its book is read, and its places are asked for at every key. */
const layoutByMethod = new WeakMap<Method, Layout>()

/** The sheet of a method. Methods without readings of their own (computed) have no places at all. */
export function layoutOf(method: Method): Layout {
  const known = layoutByMethod.get(method)
  if (known) return known
  const made = layOut(method)
  layoutByMethod.set(method, made)
  return made
}

function layOut(method: Method): Layout {
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return layout({ stations: method.stations, directions: method.directions, walk: method.walk })
    case 'size':
    case 'grooveWidth':
    case 'sideClearance':
    case 'shellCrush':
    case 'setDimension':
    case 'straightness':
    case 'markAlignment':
    case 'backlash':
    case 'remaining':
    case 'meter':
      return points(method.points, method.repeatsAtLeast)
    case 'ringEndGap':
      return points(method.segments, 1)
    case 'gapAtPositions':
      return points(method.positions, 1)
    case 'endFloat':
    case 'radialPlay':
      return layout({ repeats: method.repeatsAtLeast, moreRepeats: true })
    case 'runout':
      return layout({ stations: method.stations, directions: method.angles })
    case 'plasticStrip':
      return layout({ stations: method.stations, directions: [method.direction, ...(method.sides ?? [])] })
    case 'capPinch':
      return points([...method.shims, ...method.wires], 1)
    case 'alignment':
      return layout({
        stations: method.positions,
        directions: [
          { id: ALIGNMENT.rim, label: 'rim, radial' },
          ...(method.faceDiameterMm === null ? [] : [{ id: ALIGNMENT.face, label: 'face, axial' }]),
        ],
      })
    case 'contactPattern':
      return layout({ stations: method.columns, directions: method.rows, walk: method.walk })
    case 'spring':
      return layout({
        stations: [
          { id: SPRING.longer, label: 'load, longer length' },
          { id: SPRING.shorter, label: 'load, shorter length' },
          { id: SPRING.free, label: 'free length' },
          { id: SPRING.lean, label: 'lean' },
        ],
        repeats: method.repeatsAtLeast,
        moreRepeats: true,
        without: ({ station, repeat }) => repeat > 1 && (station === SPRING.free || station === SPRING.lean),
      })
    case 'openingPressure':
      return layout({
        stations: [
          { id: PRESSURE.opens, label: 'opens at' },
          ...(method.looksForDrip ? [{ id: PRESSURE.drip, label: 'dry, no drip' }] : []),
          ...(method.holdSeconds === null ? [] : [{ id: PRESSURE.hold, label: `falls in ${method.holdSeconds} s` }]),
        ],
        repeats: method.repeatsAtLeast,
        moreRepeats: true,
        without: ({ station, repeat }) => repeat > 1 && station !== PRESSURE.opens,
      })
    case 'torque':
      return points(method.fasteners, 1)
    case 'elements':
      return layout({
        stations: method.groups,
        directions: numbered(Math.max(...method.groups.map(({ count }) => count)), method.element),
        without: ({ station, direction }) => Number(direction) > (method.groups.find(({ id }) => id === station)?.count ?? 0),
      })
    case 'benchTest':
    case 'lookedAt':
      return points(method.points, 1)
    case 'computed':
      return layout({ stations: [] })
  }
}

/** The slots a method asks for, in walking order. Repeats beyond the least number are allowed and not listed. */
export function slotsOf(method: Method): readonly Slot[] {
  const known = slotsByMethod.get(method)
  if (known) return known
  const slots = walkThrough(layoutOf(method))
  slotsByMethod.set(method, slots)
  return slots
}
const slotsByMethod = new WeakMap<Method, readonly Slot[]>()

function walkThrough({ stations, directions, repeats, walk, without }: Layout): readonly Slot[] {
  const at = (station: Place, direction: Place): Slot[] =>
    Array.from({ length: repeats }, (_, index) => ({ station: station.id, direction: direction.id, repeat: index + 1 }))
  const all =
    walk === 'stationFirst'
      ? stations.flatMap((station) => directions.flatMap((direction) => at(station, direction)))
      : directions.flatMap((direction) => stations.flatMap((station) => at(station, direction)))
  return all.filter((slot) => !without(slot))
}

/** Whether a reading may be taken at this slot under this method. */
export function acceptsSlot(method: Method, slot: Slot): boolean {
  const { stations, directions, repeats, moreRepeats, without } = layoutOf(method)
  return (
    stations.some(({ id }) => id === slot.station) &&
    directions.some(({ id }) => id === slot.direction) &&
    slot.repeat >= 1 &&
    slot.repeat <= (moreRepeats ? MOST_REPEATS : repeats) &&
    !without(slot)
  )
}

/** What a person calls the slot: “B middle, 2 level”, “repeat 3”. */
export function slotLabel(method: Method, slot: Slot): string {
  const { stations, directions, repeats, moreRepeats } = layoutOf(method)
  const named = (places: readonly Place[], id: string): string => {
    if (id === NO_PLACE) return ''
    const label = places.find((place) => place.id === id)?.label ?? ''
    if (label === '' || label === id) return id
    if (bareLabel(method, places === stations)) return label
    // “1 0°” would be one figure.
    return /^\d/.test(label) && /\d$/.test(id) ? `${id} at ${label}` : `${id} ${label}`
  }
  const repeat = repeats > 1 || moreRepeats || slot.repeat > 1 ? `repeat ${slot.repeat}` : ''
  const onlyStrip = method.kind === 'plasticStrip' && method.sides === undefined
  const words = [named(stations, slot.station), onlyStrip ? '' : named(directions, slot.direction), repeat].filter(
    (word) => word !== '',
  )
  return words.join(', ')
}

/** Places whose id is a key for the record and says nothing to a person. */
const bareLabel = (method: Method, isStation: boolean): boolean =>
  (method.kind === 'ringEndGap' && isStation) ||
  ((method.kind === 'spring' || method.kind === 'openingPressure') && isStation) ||
  ((method.kind === 'alignment' || method.kind === 'elements') && !isStation)

const plain = (quantity: QuantityKind, signed = false, pair = false): ReadingForm => ({
  kind: 'quantity',
  quantity,
  signed,
  masterMm: null,
  pair,
})

/** What is typed at a slot. */
export function formAt(method: Method, slot: Pick<Slot, 'station'>): ReadingForm {
  switch (method.kind) {
    case 'boreDiameter':
      return { kind: 'quantity', quantity: 'length', signed: false, masterMm: method.masterMm, pair: false }
    case 'outsideDiameter':
    case 'size':
    case 'grooveWidth':
    case 'ringEndGap':
    case 'sideClearance':
    case 'gapAtPositions':
    case 'endFloat':
    case 'plasticStrip':
    case 'capPinch':
    case 'shellCrush':
    case 'backlash':
    case 'remaining':
      return plain('length')
    case 'radialPlay':
      return plain('length', false, true)
    case 'runout':
    case 'alignment':
    case 'straightness':
    case 'setDimension':
      return plain('length', true)
    case 'contactPattern':
      return { kind: 'cell' }
    case 'spring':
      return plain(slot.station === SPRING.free || slot.station === SPRING.lean ? 'length' : 'force')
    case 'openingPressure':
      return slot.station === PRESSURE.drip ? { kind: 'answer' } : plain('pressure')
    case 'torque':
      return plain('torque')
    case 'markAlignment':
      return plain('angle', true)
    case 'elements':
      return { kind: 'element' }
    case 'meter':
    case 'benchTest':
      return plain(method.quantity, method.quantity === 'temperature' || method.quantity === 'pressure')
    case 'lookedAt':
      return { kind: 'answer' }
    case 'computed':
      return plain(method.quantity, true)
  }
}

/** Size of the master at a slot, where the method sets one. */
export function masterAt(method: Method): number | null {
  return method.kind === 'boreDiameter' ? method.masterMm : null
}

/** Kind of quantity the value of a reading at a slot is stored in. */
export function quantityAt(method: Method, slot: Pick<Slot, 'station'>): QuantityKind {
  const form = formAt(method, slot)
  switch (form.kind) {
    case 'quantity':
      return form.quantity
    case 'answer':
      return 'count'
    case 'cell':
    case 'element':
      return 'percent'
  }
}
