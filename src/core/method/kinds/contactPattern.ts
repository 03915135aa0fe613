import { absoluteOf, differenceOf, type Known, meanOf, over } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { give, less, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from '../reduce/taken'
import { LETTERS } from '../setUp/answers'
import { placesField, walkField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'

const shape = ({ z, placesSchema, walkSchema }: Shaping) =>
  z.strictObject({ kind: z.literal('contactPattern'), rows: placesSchema, columns: placesSchema, walk: walkSchema })
export type ContactPattern = Shaped<typeof shape>

/** Marking paste on a grid: percent of the area in contact, and how unevenly it is shared by ends and sides. */
function reduceContact(input: ReduceInput<ContactPattern>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const share = (places: readonly SheetPlace[]): Known | null =>
    over(
      places.map(({ known }) => known),
      (of) => meanOf(of, guard),
    )
  const values: Values = {}
  give(values, 'contactPercent', share(sheet.places), {
    quantity: 'percent',
    where: { code: 'counted', of: 'cells', count: sheet.taken.length },
  })
  const halves = (name: 'contactEnds' | 'contactSides', ids: readonly string[], of: (place: SheetPlace) => string): void => {
    const half = Math.floor(ids.length / 2)
    if (half === 0) return
    const one = share(sheet.places.filter((place) => ids.slice(0, half).includes(of(place))))
    const two = share(sheet.places.filter((place) => ids.slice(ids.length - half).includes(of(place))))
    if (!one || !two) return
    const along = name === 'contactEnds' ? 'station' : 'direction'
    const [first, last] = [ids[0] ?? '', ids.at(-1) ?? '']
    const [a, b] = [taken(one), taken(two)]
    const [more, fewer, at, fewerAt] = a.low >= b.low ? [a, b, first, last] : [b, a, last, first]
    give(values, name, absoluteOf(differenceOf(one, two, guard)), {
      quantity: 'percent',
      where: { code: 'opposite', along, one: first, other: last },
      sum: [term({ code: 'half', along, at }, more, 'percent'), less({ code: 'half', along, at: fewerAt }, fewer, 'percent')],
    })
  }
  halves(
    'contactEnds',
    method.columns.map(({ id }) => id),
    ({ station }) => station,
  )
  halves(
    'contactSides',
    method.rows.map(({ id }) => id),
    ({ direction }) => direction,
  )
  return noFaults(values)
}

export const contactPattern: MethodKindOf<ContactPattern> = {
  shape,
  wears: () => 'smaller',
  layout: ({ columns, rows, walk }) => sheet({ stations: columns, directions: rows, walk }),
  form: () => ({ kind: 'cell' }),
  gives: () => ({ contactPercent: 'percent', contactEnds: 'percent', contactSides: 'percent' }),
  canGive: ({ columns, rows }, name) => {
    if (name === 'contactEnds') return columns.length >= 2
    return name !== 'contactSides' || rows.length >= 2
  },
  reduce: reduceContact,
  setUp: [placesField('rows', '4'), placesField('columns', '6'), walkField],
  build: (a) => ({
    kind: 'contactPattern',
    rows: a.places('rows'),
    columns: a.places('columns', LETTERS),
    walk: a.choice('walk'),
  }),
  usualGauge: 'eye',
  slips: { byScale: true },
}
