/** Tables of standards: what a slip of a digit would break is held row by row. */
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import asmeB1_1 from './asmeB1_1.json' with { type: 'json' }
import bs84 from './bs84.json' with { type: 'json' }
import din580 from './din580.json' with { type: 'json' }
import iso15 from './iso15.json' with { type: 'json' }
import iso261 from './iso261.json' with { type: 'json' }
import iso286Holes from './iso286Holes.json' with { type: 'json' }
import iso286Shafts from './iso286Shafts.json' with { type: 'json' }
import iso286Tolerances from './iso286Tolerances.json' with { type: 'json' }
import iso355 from './iso355.json' with { type: 'json' }
import iso492 from './iso492.json' with { type: 'json' }
import iso578 from './iso578.json' with { type: 'json' }
import iso5753 from './iso5753.json' with { type: 'json' }
import iso6194 from './iso6194.json' with { type: 'json' }

const positive = z.number().gt(0)
const headed = <R extends z.ZodType>(rows: R) =>
  z.strictObject({
    standard: z.string().regex(/^(ISO|DIN|BS|ASME) [A-Z]?[\d.]+(-\d+)?$/),
    edition: z.string().regex(/^(19|20)\d\d$/),
    clause: z.string().min(10),
    unit: z.enum(['mm', 'in', 'kg', 'µm']),
    columns: z.array(z.string().min(1)).min(2),
    rows,
  })
const triple = z.tuple([positive, positive, positive])
const inchRow = z.tuple([z.string(), positive, positive])
const micrometres = z.number().nullable()
const byLetter = z.record(z.string().regex(/^[a-z]{1,2}\d?$/i), z.array(z.tuple([positive, micrometres])).min(1))
const bothEnds = z.record(z.string(), z.array(z.tuple([positive, z.number(), z.number()])).min(3))
const widening = z.tuple([positive, positive], positive)

const tables = [
  ['ISO 15', iso15, headed(z.record(z.string().regex(/^\d\d$/), z.array(triple).min(10)))],
  ['ISO 355', iso355, headed(z.record(z.string().regex(/^3\d\d$/), z.array(triple).min(8)))],
  ['ISO 261', iso261, headed(z.array(widening).min(20))],
  ['ASME B1.1', asmeB1_1, headed(z.strictObject({ UNC: z.array(inchRow), UNF: z.array(inchRow) }))],
  ['BS 84', bs84, headed(z.strictObject({ BSW: z.array(inchRow), BSF: z.array(inchRow) }))],
  ['ISO 6194-1', iso6194, headed(z.array(widening).min(30))],
  ['ISO 286-1', iso286Tolerances, headed(z.array(z.array(micrometres).length(21)).length(21))],
  ['ISO 286-1', iso286Shafts, headed(byLetter)],
  ['ISO 286-1', iso286Holes, headed(byLetter)],
  ['ISO 492', iso492, headed(bothEnds)],
  ['ISO 578', iso578, headed(bothEnds)],
  ['ISO 5753-1', iso5753, headed(z.record(z.string(), z.array(z.array(micrometres).length(11)).min(10)))],
  ['DIN 580', din580, headed(z.array(triple).min(10))],
] as const
test.each(tables)('%s says where it stands, and each row has its columns', (standard, table, schema) => {
  expect(schema.safeParse(table).error?.issues ?? []).toEqual([])
  expect(table.standard).toBe(standard)
})

const rises = (values: readonly number[]): boolean => values.every((value, at) => at === 0 || value > (values[at - 1] ?? 0))

describe.each(
  [iso15, iso355].flatMap(({ standard, rows }) =>
    Object.entries(rows as Record<string, number[][]>).map(([series, of]) => [standard, series, of] as const),
  ),
)('%s, series %s', (_standard, _series, rows) => {
  test('bores and outside diameters rise, widths never fall, and a ring has room for its rolling elements', () => {
    expect(rises(rows.map(([bore = 0]) => bore))).toBe(true)
    expect(rises(rows.map(([, outside = 0]) => outside))).toBe(true)
    for (const [at, [bore = 0, outside = 0, width = 0]] of rows.entries()) {
      expect(width).toBeGreaterThanOrEqual(rows[at - 1]?.[2] ?? 0)
      expect(outside - bore).toBeGreaterThan(width * 0.6)
    }
  })
})
test('ISO 15: of two diameter series the heavier one is larger at each bore', () => {
  const rows = iso15.rows as Record<string, number[][]>
  const outside = (series: string, bore: number): number | undefined => rows[series]?.find(([of]) => of === bore)?.[1]
  for (const [light, heavy] of [
    ['18', '19'],
    ['19', '10'],
    ['10', '02'],
    ['02', '03'],
    ['03', '04'],
  ] as const)
    for (const [bore = 0, of = 0] of rows[light] ?? [])
      expect(outside(heavy, bore) ?? Number.POSITIVE_INFINITY).toBeGreaterThan(of)
})

test('ISO 261: diameters rise, the coarse pitch never falls, and fine pitches are finer', () => {
  const rows = iso261.rows as number[][]
  expect(rises(rows.map(([diameter = 0]) => diameter))).toBe(true)
  for (const [at, [diameter = 0, coarse = 0, ...fine]] of rows.entries()) {
    expect(coarse).toBeGreaterThanOrEqual(rows[at - 1]?.[1] ?? 0)
    expect(coarse).toBeLessThan(diameter / 4)
    expect(rises([...fine].reverse())).toBe(true)
    for (const pitch of fine) expect(pitch).toBeLessThan(coarse)
  }
})

const inches = (name: string): number => {
  const parts = name.split('-')
  const fraction = (part: string): number => {
    const [top = '0', bottom = '1'] = part.split('/')
    return Number(top) / Number(bottom)
  }
  return parts.reduce((sum, part) => sum + fraction(part), 0)
}
test.each(Object.entries({ ...asmeB1_1.rows, ...bs84.rows }))(
  '%s: the name is the diameter, and larger threads are no finer',
  (_name, rows) => {
    for (const [at, [name, diameter, perInch]] of (rows as [string, number, number][]).entries()) {
      expect(inches(name)).toBeCloseTo(diameter, 4)
      expect(perInch).toBeLessThanOrEqual(Number(rows[at - 1]?.[2] ?? Number.POSITIVE_INFINITY))
    }
  },
)
test('UNF is finer than UNC, BSF than BSW', () => {
  for (const [coarse, fine] of [
    [asmeB1_1.rows.UNC, asmeB1_1.rows.UNF],
    [bs84.rows.BSW, bs84.rows.BSF],
  ] as const)
    for (const [name, , perInch] of fine as [string, number, number][]) {
      const other = (coarse as [string, number, number][]).find(([of]) => of === name)
      if (other) expect(perInch).toBeGreaterThan(other[2])
    }
})

test('ISO 6194-1: shafts rise, and housings are larger than their shafts', () => {
  const rows = iso6194.rows as number[][]
  expect(rises(rows.map(([shaft = 0]) => shaft))).toBe(true)
  for (const [shaft = 0, ...housings] of rows) expect(rises([shaft, ...housings])).toBe(true)
})

test.each(Object.entries({ ...iso492.rows, ...iso578.rows }))(
  'bearing tolerances, %s: wider with the size, to one side of the nominal',
  (_of, rows) => {
    expect(rises(rows.map(([upTo = 0]) => upTo))).toBe(true)
    for (const [at, [, lower = 0, upper = 0]] of rows.entries()) {
      expect(Math.min(Math.abs(lower), Math.abs(upper))).toBe(0)
      const [, before = 0, above = 0] = rows[at - 1] ?? []
      expect(upper - lower).toBeGreaterThanOrEqual(above - before)
      expect(upper - lower).toBeGreaterThan(0)
    }
  },
)
test('ISO 492: a finer class is no wider', () => {
  const { rows } = iso492
  for (const [coarse, fine] of [
    [rows['bore normal'], rows['bore class6']],
    [rows['bore class6'], rows['bore class5']],
    [rows['outside normal'], rows['outside class6']],
    [rows['outside class6'], rows['outside class5']],
  ] as [number[][], number[][]][])
    for (const [at, [upTo, lower = 0]] of fine.entries()) {
      expect(coarse[at]?.[0]).toBe(upTo)
      expect(lower).toBeGreaterThanOrEqual(coarse[at]?.[1] ?? 0)
    }
})

test.each(Object.entries(iso5753.rows as Record<string, (number | null)[][]>))(
  'ISO 5753-1, %s: each group lies above the one before and meets it, and grows with the bore',
  (_kind, rows) => {
    expect(rises(rows.map(([bore]) => bore ?? 0))).toBe(true)
    for (const [at, [, ...ends]] of rows.entries()) {
      for (let group = 0; group < 5; group++) {
        const [least, greatest] = [ends[2 * group], ends[2 * group + 1]]
        if (least == null || greatest == null) continue
        expect(greatest).toBeGreaterThan(least)
        const [below, belowTop] = [ends[2 * group - 2], ends[2 * group - 1]]
        if (below != null && belowTop != null) {
          expect(least).toBeGreaterThan(below)
          // The widest group of the rollers stands apart.
          if (group < 4) expect(least).toBeLessThanOrEqual(belowTop)
        }
        const before = rows[at - 1]?.[2 + 2 * group]
        if (before != null) expect(greatest).toBeGreaterThanOrEqual(before)
      }
    }
  },
)

test('DIN 580: loads rise with the thread, and a slanted pull carries about seven tenths', () => {
  const rows = din580.rows as number[][]
  for (const column of [0, 1, 2]) expect(rises(rows.map((row) => row[column] ?? 0))).toBe(true)
  for (const [, straight = 0, slanted = 0] of rows) {
    expect(slanted / straight).toBeGreaterThan(0.68)
    expect(slanted / straight).toBeLessThan(0.75)
  }
})
