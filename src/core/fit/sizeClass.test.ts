/** ISO 286: the tables against the formulae they were once made by, the identities of the system, and what is refused. */
import { describe, expect, test } from 'vitest'
import { fitOfClasses, limitsOfSize, sizeClass, standardToleranceUm } from './sizeClass'
import { writtenClass } from './writtenClass'

const deviations = (nominal: number, written: string): readonly [number, number] | string => {
  const found = sizeClass(nominal, written)
  return found.ok ? [found.value.lowerUm, found.value.upperUm] : found.fault.code
}

test.each([
  [63, 'H7', [0, 30]],
  [220, 'js6', [-14.5, 14.5]],
  [280, 'M6', [-41, -9]],
  [280, 'M7', [-52, 0]],
  [2, 'N9', [-29, -4]],
  [40, 'N9', [-62, 0]],
  [2, 'K9', [-25, 0]],
  [40, 'K9', 'gradeNotHere'],
  [40, 'K8', [-27, 12]],
  [40, 'J7', [-11, 14]],
  [40, 'J9', 'gradeNotHere'],
  [40, 'j6', [-5, 11]],
  [40, 'k8', [0, 39]],
  [120, 'P9', [-124, -37]],
  [120, 'P7', [-59, -24]],
  [600, 'P7', [-148, -78]],
  [900, 'k6', [0, 56]],
  [3150, 'd9', [-1060, -520]],
  [3150, 'T6', [-2235, -2100]],
  [12, 'v6', 'letterNotHere'],
  [18, 'v6', [39, 50]],
  [24, 't6', 'letterNotHere'],
  [12, 'CD8', 'letterNotHere'],
  [8, 'CD8', [56, 78]],
  [0.8, 'h14', 'gradeNotHere'],
  [600, 'h01', 'gradeNotHere'],
  [40, 'H19', 'gradeNotHere'],
  [40, 'Hs7', 'notAClass'],
  [40, 'q7', 'letterNotHere'],
  [40, '7H', 'notAClass'],
  [0, 'H7', 'sizeNotInTable'],
  [3150.1, 'H7', 'sizeNotInTable'],
  [Number.NaN, 'H7', 'sizeNotInTable'],
] as const)('%s %s', (nominal, written, expected) => {
  expect(deviations(nominal, written)).toEqual(expected)
})

test.each([
  ['63 H7', 'metric', [63, 63, 63.03]],
  ['Ø63H7', 'metric', [63, 63, 63.03]],
  ['40k6', 'metric', [40, 40.002, 40.018]],
  ['2 in js6', 'inch', [50.8, 50.7905, 50.8095]],
  ['2 js6', 'inch', [50.8, 50.7905, 50.8095]],
  ['63 Q7', 'metric', 'letterNotHere'],
  ['many H7', 'metric', 'noSize'],
  ['63.02', 'metric', null],
  ['63 mm', 'metric', null],
  ['2-1/2"', 'inch', null],
] as const)('written as %s', (text, system, expected) => {
  const read = writtenClass(text, system)
  expect(read && (read.ok ? [read.value.nominal, read.value.lower, read.value.upper] : read.fault.code)).toEqual(expected)
})

test('limits of size are the nominal size and its deviations', () => {
  expect(limitsOfSize(63, 'h6')).toEqual({ ok: true, value: { lowerMm: 62.981, upperMm: 63 } })
})

const BOUNDS = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150]
/** Geometric mean of the row in which a size lies, mm. */
const meanOf = (upTo: number): number => {
  const before = BOUNDS[BOUNDS.indexOf(upTo) - 1]
  return before === undefined ? Math.sqrt(upTo) : Math.sqrt(before * upTo)
}

/** How far a table may lie from its formula, in parts: its first row was rounded most. */
const roughly = (upTo: number): number => (upTo <= 3 ? 0.35 : 0.11)

describe('standard tolerances follow their tolerance units within what the rounding of the tables does', () => {
  const MULTIPLES = {
    5: 7,
    6: 10,
    7: 16,
    8: 25,
    9: 40,
    10: 64,
    11: 100,
    12: 160,
    13: 250,
    14: 400,
    15: 640,
    16: 1000,
    17: 1600,
    18: 2500,
  }
  test.each(Object.entries(MULTIPLES))('IT%s', (grade, multiple) => {
    for (const upTo of BOUNDS) {
      const mean = meanOf(upTo)
      const unit = upTo <= 500 ? 0.45 * Math.cbrt(mean) + 0.001 * mean : 0.004 * mean + 2.1
      const table = standardToleranceUm(grade, upTo) ?? 0
      expect([upTo, Math.abs(table / (multiple * unit) - 1) < roughly(upTo) || Math.abs(table - multiple * unit) <= 1]).toEqual([
        upTo,
        true,
      ])
    }
  })
  test('each grade is wider than the one before, and each size wider than the smaller one', () => {
    const grades = ['01', '0', ...Array.from({ length: 18 }, (_, at) => String(at + 1))]
    for (const [at, upTo] of BOUNDS.entries()) {
      const row = grades.flatMap((grade) => standardToleranceUm(grade, upTo) ?? [])
      expect(row.every((value, place) => place === 0 || value > (row[place - 1] ?? 0))).toBe(true)
      const smaller = BOUNDS[at - 1]
      if (smaller !== undefined)
        for (const grade of grades.slice(2))
          expect(standardToleranceUm(grade, upTo) ?? 0).toBeGreaterThanOrEqual(standardToleranceUm(grade, smaller) ?? 0)
    }
  })
})

describe('fundamental deviations follow their formulae', () => {
  const it = (grade: string, upTo: number): number => standardToleranceUm(grade, upTo) ?? 0
  const FORMULAE: Readonly<Record<string, (mean: number, upTo: number) => number | null>> = {
    d: (mean) => 16 * mean ** 0.44,
    e: (mean) => 11 * mean ** 0.41,
    f: (mean) => 5.5 * mean ** 0.41,
    g: (mean) => 2.5 * mean ** 0.34,
    m: (mean, upTo) => (upTo <= 500 ? 2.8 * Math.cbrt(mean) : 0.024 * mean + 12.6),
    n: (mean, upTo) => (upTo <= 500 ? 5 * mean ** 0.34 : 0.04 * mean + 21),
    p: (mean, upTo) => (upTo <= 500 ? null : 0.072 * mean + 37.8),
    // A size at the end of its row stands for the last of its narrower rows.
    s: (_, upTo) => (upTo <= 50 ? null : it('7', upTo) + 0.4 * upTo * 0.95),
    u: (_, upTo) => (upTo <= 30 ? null : it('7', upTo) + upTo * 0.95),
    x: (_, upTo) => (upTo <= 18 || upTo > 500 ? null : it('7', upTo) + 1.6 * upTo * 0.94),
    z: (_, upTo) => (upTo <= 18 || upTo > 500 ? null : it('7', upTo) + 2.5 * upTo * 0.94),
    za: (_, upTo) => (upTo <= 18 || upTo > 500 ? null : it('8', upTo) + 3.15 * upTo * 0.94),
    zb: (_, upTo) => (upTo <= 18 || upTo > 500 ? null : it('9', upTo) + 4 * upTo * 0.94),
    zc: (_, upTo) => (upTo <= 18 || upTo > 500 ? null : it('10', upTo) + 5 * upTo * 0.94),
  }
  test.each(Object.entries(FORMULAE))('%s', (letter, formula) => {
    for (const upTo of BOUNDS) {
      const expected = formula(meanOf(upTo), upTo)
      if (expected === null) continue
      const found = sizeClass(upTo, `${letter}7`)
      const got = Math.abs(letter <= 'h' ? (found.value?.upperUm ?? 0) : (found.value?.lowerUm ?? 0))
      expect([upTo, Math.abs(got / expected - 1) < roughly(upTo) || Math.abs(got - expected) <= 1.5, got, expected]).toEqual([
        upTo,
        true,
        got,
        expected,
      ])
    }
  })
  test('a letter further on lies further out, row by row', () => {
    const letters = ['k', 'm', 'n', 'p', 'r', 's', 'u', 'x', 'z', 'za', 'zb', 'zc']
    const fine = [2, 5, 8, 14, 17, 22, 28, 35, 45, 60, 70, 90, 110, 130, 150, 170, 190, 210, 240, 260, 300, 330, 370, 420, 480]
    for (const size of fine) {
      const row = letters.map((letter) => sizeClass(size, `${letter}6`).value?.lowerUm ?? Number.NaN)
      expect([size, row.every((value, at) => at === 0 || value > (row[at - 1] ?? 0))]).toEqual([size, true])
    }
    const clear = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']
    for (const size of fine) {
      const row = clear.map((letter) => sizeClass(size, `${letter}9`).value?.upperUm ?? Number.NaN)
      // Up to 10 mm the table has one b for two rows, and a next to it: they never turn round.
      expect([size, row.every((value, at) => at === 0 || value > (row[at - 1] ?? 0))]).toEqual([size, true])
    }
  })
})

test.each(['p', 'r', 's', 'u', 'x'])(
  'a hole %s7 in which h6 runs has the same greatest interference as H7 with its shaft',
  (letter) => {
    for (const size of [8, 28, 60, 110, 240, 450]) {
      const byHole = fitOfClasses(size, `${letter.toUpperCase()}7`, 'h6')
      const byShaft = fitOfClasses(size, 'H7', `${letter}6`)
      expect(byHole.value?.leastClearanceUm).toBe(byShaft.value?.leastClearanceUm)
      expect(byHole.value?.kind).toBe('interference')
    }
  },
)
