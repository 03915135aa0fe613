/** Identification by measurement: designations from published boundary dimensions and thread standards. */
import { describe, expect, test } from 'vitest'
import { identifyBearing } from './rollingBearing'
import { identifySeal } from './shaftSeal'
import { identifyThread, threadsPerInch } from './thread'

const bearings: { name: string; size: [number, number, number]; designation: string }[] = [
  { name: 'deep groove, series 02', size: [40, 80, 18], designation: '6208' },
  { name: 'deep groove, series 03, measured a little off', size: [24.99, 61.97, 17.06], designation: '6305' },
  { name: 'series 10', size: [60, 95, 18], designation: '6012' },
  { name: 'bore code below 20 mm', size: [17, 40, 12], designation: '6203' },
  { name: 'below 10 mm', size: [8, 22, 7], designation: '608' },
  { name: 'below 10 mm, thin', size: [5, 11, 3], designation: '618/5' },
  { name: 'tapered', size: [40, 80, 19.75], designation: '30208' },
  { name: 'tapered, series 320', size: [50, 80, 20.1], designation: '32010 X' },
  { name: 'bore code 00', size: [10, 26, 8], designation: '6000' },
  { name: 'spherical roller, series 22', size: [100, 180, 46], designation: '22220' },
  { name: 'spherical roller, series 23', size: [80, 170, 58], designation: '22316' },
  { name: 'cylindrical roller, series 03', size: [70, 150, 35], designation: 'NU 314' },
  { name: 'thin section 619', size: [45, 68, 12], designation: '61909' },
  { name: 'thin section 618', size: [50, 65, 7], designation: '61810' },
  { name: 'heavy series 04', size: [35, 100, 25], designation: '6407' },
]
test.each(bearings)('bearing: $name is $designation', ({ size: [boreMm, outsideMm, widthMm], designation }) => {
  const identity = identifyBearing({ boreMm, outsideMm, widthMm })
  expect(identity.kind).toBe('standard')
  const names =
    identity.kind === 'standard' ? identity.bearings.flatMap(({ designations }) => designations.map((d) => d.designation)) : []
  expect(names).toContain(designation)
})

test.each([
  { name: 'between two widths', size: [40, 80, 21.2], nearest: [40, 80, 19.75] },
  { name: 'an inch bearing', size: [25.4, 57.15, 15.875], nearest: [25, 52, 16.25] },
])('bearing: $name has no standard size, and the nearest says how far', ({ size, nearest }) => {
  const identity = identifyBearing({ boreMm: size[0] ?? 0, outsideMm: size[1] ?? 0, widthMm: size[2] ?? 0 })
  expect(identity.kind).toBe('none')
  if (identity.kind !== 'none') return
  expect([identity.nearest.boreMm, identity.nearest.outsideMm, identity.nearest.widthMm]).toEqual(nearest)
  expect(identity.offBy.boreMm).toBeCloseTo((size[0] ?? 0) - (nearest[0] ?? 0), 6)
})

const threads: { name: string; diameter: number; pitch: number; flank: 60 | 55 | null; first: string; also?: string }[] = [
  { name: 'coarse, crests flattened', diameter: 23.8, pitch: 3, flank: null, first: 'M24' },
  { name: 'fine', diameter: 19.85, pitch: 1.5, flank: null, first: 'M20×1.5' },
  { name: 'half inch, 13 per inch', diameter: 12.6, pitch: 25.4 / 13, flank: null, first: '1/2"-13 UNC' },
  { name: 'half inch, 12 per inch, Whitworth', diameter: 12.6, pitch: 25.4 / 12, flank: 55, first: '1/2"-12 BSW' },
  {
    name: 'three quarters: UNC or BSW until the flank is gauged',
    diameter: 19,
    pitch: 2.54,
    flank: null,
    first: '3/4"-10 UNC',
    also: '3/4"-10 BSW',
  },
  { name: 'the flank decides', diameter: 19, pitch: 2.54, flank: 55, first: '3/4"-10 BSW' },
]
test.each(threads)('thread: $name', ({ diameter, pitch, flank, first, also }) => {
  const identity = identifyThread({ diameterMm: diameter, pitchMm: pitch, flankDegrees: flank })
  expect(identity.kind).toBe('standard')
  const names = identity.kind === 'standard' ? identity.threads.map(({ designation }) => designation) : []
  expect(names[0] === first || (also !== undefined && names.slice(0, 2).includes(first))).toBe(true)
  if (also) expect(names).toContain(also)
})

describe('threads that are none', () => {
  test.each([
    { name: 'a pitch between two', diameter: 24, pitch: 2.7 },
    { name: 'larger than its nominal', diameter: 24.4, pitch: 3 },
    { name: 'worn far below', diameter: 22.9, pitch: 3 },
  ])('$name', ({ diameter, pitch }) => {
    expect(identifyThread({ diameterMm: diameter, pitchMm: pitch, flankDegrees: null }).kind).toBe('none')
  })
  test('threads per inch as typed', () => {
    expect(threadsPerInch('10 tpi')).toBeCloseTo(2.54, 9)
    expect(threadsPerInch('4,5 tpi')).toBeCloseTo(5.6444444, 6)
    for (const text of ['0 tpi', '10', 'tpi', '-3 tpi']) expect(threadsPerInch(text)).toBeNull()
  })
})

test('seals by the shaft they run on and their outside; none when neither fits', () => {
  expect(identifySeal(40, 62)).toEqual({ kind: 'standard', seals: [{ shaftMm: 40, housingMm: 62 }] })
  expect(identifySeal(40.2, 54.8)).toEqual({ kind: 'standard', seals: [{ shaftMm: 40, housingMm: 55 }] })
  expect(identifySeal(44, 66)).toMatchObject({ kind: 'none', nearest: { shaftMm: 45, housingMm: 65 } })
})
