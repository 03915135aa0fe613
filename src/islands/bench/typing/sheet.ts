import { kindOf, type Method } from '../../../core/method/kinds'
import { layoutOf, NO_PLACE, type Slot, slotKey } from '../../../core/method/layout'
import type { Place } from '../../../core/method/slot'
import { placeName } from '../../../core/words/places'
import { say } from '../../../labels/bench'

interface Cell {
  readonly slot: Slot
  readonly head: string
}

/** How the places of a method are laid out on the sheet: a table, or a flow of cells that each carry their name. */
export type Sheet =
  | { readonly kind: 'flow'; readonly groups: readonly { readonly head: string; readonly cells: readonly Cell[] }[] }
  | {
      readonly kind: 'table'
      readonly columns: readonly string[]
      readonly rows: readonly { readonly head: string; readonly cells: readonly (Slot | null)[] }[]
    }

/** More columns than this cannot be read at arm's length. */
const MOST_COLUMNS = 8

/** The sheet of a method, with as many repeats as were taken. */
export function sheetOf(method: Method, repeatsShown: number): Sheet {
  const layout = layoutOf(method)
  const repeats = Math.max(layout.repeats, layout.moreRepeats ? repeatsShown : 1)
  const { stations, directions, without } = layout
  const kind = kindOf(method)
  const bare = kind.bare === 'stations'
  const nameOf = (place: Place): string => {
    const name = placeName(method, place)
    return name === '' || name === place.id ? place.id : `${place.id} · ${name}`
  }
  const head = (place: Place): string => (bare ? placeName(method, place) : nameOf(place))
  const only = (places: readonly Place[]): boolean => places.length === 1 && places[0]?.id === NO_PLACE
  const slots = (station: Place, direction: Place): Slot[] =>
    Array.from({ length: repeats }, (_, index) => ({ station: station.id, direction: direction.id, repeat: index + 1 })).filter(
      (slot) => !without(slot),
    )

  if (only(stations) && only(directions))
    return {
      kind: 'flow',
      groups: [
        {
          head: '',
          cells: (stations[0] ? slots(stations[0], stations[0]) : []).map((slot) => ({ slot, head: say.repeat(slot.repeat) })),
        },
      ],
    }
  if (method.kind === 'elementPattern')
    return {
      kind: 'flow',
      groups: method.groups.map((group) => ({
        head: head(group),
        cells: directions.flatMap((direction) => slots(group, direction).map((slot) => ({ slot, head: direction.id }))),
      })),
    }
  const single = directions.length === 1 ? directions[0] : undefined
  if (single && repeats === 1)
    return {
      kind: 'flow',
      groups: [
        { head: '', cells: stations.flatMap((station) => slots(station, single).map((slot) => ({ slot, head: head(station) }))) },
      ],
    }
  if (kind.stationsDiffer)
    return {
      kind: 'flow',
      groups: [
        {
          head: '',
          cells: stations.flatMap((station) =>
            slots(station, directions[0] ?? station).map((slot) => ({
              slot,
              head: slots(station, directions[0] ?? station).length > 1 ? `${head(station)}, ${slot.repeat}` : head(station),
            })),
          ),
        },
      ],
    }

  const across = directions.flatMap((direction) =>
    Array.from({ length: repeats }, (_, index) => ({
      direction,
      repeat: index + 1,
      head: [
        direction.id === NO_PLACE ? '' : directions.length > 1 || repeats === 1 ? nameOf(direction) : '',
        repeats > 1 ? say.repeatOf(index + 1) : '',
      ]
        .filter((word) => word !== '')
        .join(', '),
    })),
  )
  const at = (station: Place, { direction, repeat }: (typeof across)[number]): Slot | null => {
    const slot = { station: station.id, direction: direction.id, repeat }
    return without(slot) ? null : slot
  }
  const stationsAcross = stations.length <= MOST_COLUMNS && (across.length <= stations.length || across.length > MOST_COLUMNS)
  return stationsAcross
    ? {
        kind: 'table',
        columns: stations.map(head),
        rows: across.map((row) => ({ head: row.head, cells: stations.map((station) => at(station, row)) })),
      }
    : {
        kind: 'table',
        columns: across.map((column) => column.head),
        rows: stations.map((station) => ({ head: head(station), cells: across.map((column) => at(station, column)) })),
      }
}

/** Repeats to show: those asked for, those taken, and the one being read. */
export const repeatsShown = (standing: readonly Slot[], active: Slot): number =>
  Math.max(active.repeat, ...standing.map(({ repeat }) => repeat), 1)

/** Keys of a drawing: a place counts as taken as a whole and by its repeat. */
export const takenKeys = (standing: readonly Slot[]): ReadonlySet<string> =>
  new Set(standing.flatMap((slot) => [`${slot.station}/${slot.direction}`, slotKey(slot)]))

/** What was read by place, for drawings; bounds are not drawn as figures. */
export const valuesOf = (standing: readonly (Slot & { readonly value: number | null })[]): ReadonlyMap<string, number> =>
  new Map(standing.flatMap((reading) => (reading.value === null ? [] : [[slotKey(reading), reading.value] as const])))
