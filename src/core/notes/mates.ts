import { bearingClasses, clearanceGroups, clearanceTypes } from '../fit/bearingTolerance'
import type { FitKindName } from '../fit/kinds'
import type { MethodKind } from '../method/kinds'
import type { QuantityKind } from '../quantity/kind'

/** A measured size of a fit that a person names. */
export interface MateSide {
  readonly key: string
  /** Methods that measure such a size; null where any length does. */
  readonly takes: readonly MethodKind[] | null
  readonly optional?: true
}

/** A figure that a person types from the marking, the catalogue or the manual. */
export interface MateFigure {
  readonly key: string
  readonly quantity: QuantityKind
  /** Such a part can have it. */
  isIn(value: number): boolean
  readonly optional?: true
}

/** What was said of a fit, read: ids of measurements, figures in the unit of their quantity, what was chosen. */
export interface MateGiven {
  readonly sides: Readonly<Record<string, string | null>>
  /** Without what was left out. */
  readonly figures: Readonly<Record<string, number>>
  readonly choices: Readonly<Record<string, string>>
}

/** What a person says of a fit that is in no book, and the fit it makes. */
export interface MateKind {
  readonly kind: FitKindName
  readonly sides: readonly MateSide[]
  readonly figures: readonly MateFigure[]
  readonly choices: Readonly<Record<string, readonly string[]>>
  /** The fields of the fit that are the kind's own. */
  made(given: MateGiven): Readonly<Record<string, unknown>>
}

const any = (key: string): MateSide => ({ key, takes: null })
const perhaps = (key: string, takes: MateSide['takes'] = null): MateSide => ({ key, takes, optional: true })
const MOST_MM = 100_000
const mm = (...keys: readonly string[]): MateFigure[] =>
  keys.map((key) => ({ key, quantity: 'length', isIn: (value) => value > 0 && value <= MOST_MM }))
/** Play and preload, a gap and an overlap: on either side of nothing. */
const signedMm = (...keys: readonly string[]): MateFigure[] =>
  keys.map((key) => ({ key, quantity: 'length', isIn: (value) => Math.abs(value) <= MOST_MM }))

const ofSides = { figures: [], choices: {}, made: ({ sides }: MateGiven) => sides } as const
const inBearing =
  (besides: Readonly<Record<string, null>> = {}): MateKind['made'] =>
  ({ sides, figures, choices }) => ({ ...sides, bearing: { ...figures, ...choices }, ...besides })

const band = (leastMm: number | undefined, greatestMm: number | undefined) => ({ leastMm, greatestMm })

/** As many sizes as a person adds up by hand; a longer chain is written in the book. */
const LINKS = [1, 2, 3, 4] as const

/** The kinds of fit that can be added where they are missed. */
export const mateKinds: readonly MateKind[] = [
  {
    kind: 'shaftInBore',
    sides: [
      { key: 'bore', takes: ['boreDiameter'] },
      { key: 'journal', takes: ['outsideDiameter'] },
      perhaps('strip', ['plasticStrip']),
    ],
    ...ofSides,
  },
  {
    kind: 'bearingOnShaft',
    sides: [{ key: 'seat', takes: ['outsideDiameter'] }],
    figures: mm('boreMm'),
    choices: { tolerance: bearingClasses },
    made: inBearing(),
  },
  {
    kind: 'bearingInHousing',
    sides: [{ key: 'seat', takes: ['boreDiameter'] }],
    figures: mm('outsideMm'),
    choices: { tolerance: bearingClasses },
    made: inBearing(),
  },
  {
    kind: 'bearingClearance',
    sides: [{ key: 'shaft', takes: ['outsideDiameter'] }, perhaps('housing', ['boreDiameter'])],
    figures: mm('boreMm', 'outsideMm'),
    choices: { tolerance: bearingClasses, type: clearanceTypes, group: clearanceGroups },
    made: inBearing({ shares: null }),
  },
  {
    kind: 'driveUp',
    sides: [any('drive'), perhaps('before')],
    figures: mm('boreMm'),
    choices: { type: clearanceTypes, group: clearanceGroups },
    made: inBearing({ share: null }),
  },
  {
    kind: 'axialSetting',
    sides: [any('depth'), any('spigot'), perhaps('gasket')],
    figures: [
      ...signedMm('leastMm', 'greatestMm'),
      { key: 'left', quantity: 'percent', isIn: (value) => value > 0 && value <= 100, optional: true },
    ],
    choices: {},
    made: ({ sides: { gasket = null, ...sides }, figures: { left = 100, leastMm, greatestMm } }) => ({
      ...sides,
      gasket: gasket === null ? null : { thickness: gasket, left: left / 100 },
      wanted: band(leastMm, greatestMm),
    }),
  },
  { kind: 'keyInKeyway', sides: [any('keyway'), any('key')], ...ofSides },
  { kind: 'ringInGroove', sides: [any('groove'), any('ring')], ...ofSides },
  {
    kind: 'ringInBore',
    sides: [
      { key: 'ring', takes: ['ringEndGap'] },
      { key: 'runsIn', takes: ['boreDiameter', 'outsideDiameter'] },
    ],
    figures: mm('referenceMm'),
    choices: {},
    made: ({ sides, figures }) => ({ ...sides, ...figures }),
  },
  {
    kind: 'float',
    sides: [any('housing'), any('part')],
    figures: [],
    choices: {},
    made: ({ sides }) => ({ ...sides, growth: null }),
  },
  {
    kind: 'shrinkFit',
    sides: [
      { key: 'bore', takes: ['boreDiameter'] },
      { key: 'shaft', takes: ['outsideDiameter'] },
    ],
    figures: [],
    choices: {},
    made: ({ sides }) => ({ ...sides, heating: null }),
  },
  {
    kind: 'shimPair',
    sides: [any('opens'), any('closes')],
    figures: signedMm('opensLeastMm', 'opensGreatestMm', 'closesLeastMm', 'closesGreatestMm'),
    choices: {},
    made: ({ sides, figures }) => ({
      ...sides,
      opensTo: band(figures.opensLeastMm, figures.opensGreatestMm),
      closesTo: band(figures.closesLeastMm, figures.closesGreatestMm),
      stock: [],
    }),
  },
  {
    kind: 'groundPad',
    sides: [any('gap'), any('pad')],
    figures: [...signedMm('leastMm', 'greatestMm'), ...mm('thinnestMm')],
    choices: { thickerPad: ['closes', 'opens'] },
    made: ({ sides, figures: { leastMm, greatestMm, thinnestMm }, choices }) => ({
      ...sides,
      ...choices,
      wanted: band(leastMm, greatestMm),
      thinnestMm,
    }),
  },
  {
    kind: 'chain',
    sides: [...LINKS.map((n) => (n === 1 ? any('opens1') : perhaps(`opens${n}`))), ...LINKS.map((n) => perhaps(`closes${n}`))],
    figures: [],
    choices: {},
    made: ({ sides }) => ({
      links: Object.entries(sides).flatMap(([key, characteristic]) =>
        characteristic === null ? [] : [{ characteristic, does: key.startsWith('opens') ? 'opens' : 'closes', times: 1 }],
      ),
      stated: [],
    }),
  },
]

export const mateKindOf = (kind: string): MateKind | undefined => mateKinds.find((one) => one.kind === kind)
