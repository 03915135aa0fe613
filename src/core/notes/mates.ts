import { bearingClasses, clearanceGroups, clearanceTypes } from '../fit/bearingTolerance'
import type { FitKindName } from '../fit/kinds'
import type { MethodKind } from '../method/kinds'

/** A measured size of a fit that a person names. */
export interface MateSide {
  readonly key: string
  /** Methods that measure such a size; null where any length does. */
  readonly takes: readonly MethodKind[] | null
  readonly optional?: true
}

/** What a person says of a fit that is in no book: its measured sides, sizes of a rolling bearing, and its classes. */
export interface MateKind {
  readonly kind: FitKindName
  readonly sides: readonly MateSide[]
  /** Sizes typed from the marking or the catalogue, mm. */
  readonly figures: readonly string[]
  readonly choices: Readonly<Record<string, readonly string[]>>
  /** Where figures and choices stand in the fit: within this, or beside the sides. */
  readonly within: string | null
  /** What the kind has besides, that nobody is asked for here. */
  readonly besides: Readonly<Record<string, null>>
}

const JOURNAL: MateSide = { key: 'journal', takes: ['outsideDiameter'] }
const inBearing = { within: 'bearing', besides: {} } as const
const ofSides = { figures: [], choices: {}, within: null, besides: {} } as const

/** The kinds of fit that can be added where they are missed. Shims, pads, chains and drive-up are written in a book. */
export const mateKinds: readonly MateKind[] = [
  {
    kind: 'shaftInBore',
    sides: [{ key: 'bore', takes: ['boreDiameter'] }, JOURNAL, { key: 'strip', takes: ['plasticStrip'], optional: true }],
    ...ofSides,
  },
  {
    kind: 'bearingOnShaft',
    sides: [{ key: 'seat', takes: ['outsideDiameter'] }],
    figures: ['boreMm'],
    choices: { tolerance: bearingClasses },
    ...inBearing,
  },
  {
    kind: 'bearingInHousing',
    sides: [{ key: 'seat', takes: ['boreDiameter'] }],
    figures: ['outsideMm'],
    choices: { tolerance: bearingClasses },
    ...inBearing,
  },
  {
    kind: 'bearingClearance',
    sides: [
      { key: 'shaft', takes: ['outsideDiameter'] },
      { key: 'housing', takes: ['boreDiameter'], optional: true },
    ],
    figures: ['boreMm', 'outsideMm'],
    choices: { tolerance: bearingClasses, type: clearanceTypes, group: clearanceGroups },
    within: 'bearing',
    besides: { shares: null },
  },
  {
    kind: 'keyInKeyway',
    sides: [
      { key: 'keyway', takes: null },
      { key: 'key', takes: null },
    ],
    ...ofSides,
  },
  {
    kind: 'ringInGroove',
    sides: [
      { key: 'groove', takes: null },
      { key: 'ring', takes: null },
    ],
    ...ofSides,
  },
  {
    kind: 'ringInBore',
    sides: [
      { key: 'ring', takes: ['ringEndGap'] },
      { key: 'runsIn', takes: ['boreDiameter', 'outsideDiameter'] },
    ],
    figures: ['referenceMm'],
    choices: {},
    within: null,
    besides: {},
  },
  {
    kind: 'float',
    sides: [
      { key: 'housing', takes: null },
      { key: 'part', takes: null },
    ],
    figures: [],
    choices: {},
    within: null,
    besides: { growth: null },
  },
]

export const mateKindOf = (kind: string): MateKind | undefined => mateKinds.find((one) => one.kind === kind)
