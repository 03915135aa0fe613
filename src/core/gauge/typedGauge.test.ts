import { expect, test } from 'vitest'
import { readTypedGauge, type TypedGauge } from './typedGauge'

const micrometer: TypedGauge = {
  code: 'OM-40',
  name: 'Outside micrometer 50 to 75',
  kind: 'outsideMicrometer',
  resolution: '1 µm',
  maximumPermissibleError: '0,003',
  expanded: '',
  coverage: '',
  repeatability: '',
  corrections: '',
  expansion: '',
  least: '50',
  greatest: '2.952756 in',
  calibrationDue: '2027-05-01',
}

test('a gauge is read from its certificate as it is typed', () => {
  expect(readTypedGauge(micrometer)).toEqual({
    ok: true,
    value: {
      code: 'OM-40',
      name: 'Outside micrometer 50 to 75',
      kind: 'outsideMicrometer',
      resolution: 0.001,
      maximumPermissibleError: 0.003,
      calibration: null,
      corrections: [],
      expansionPerK: null,
      range: { least: 50, greatest: expect.closeTo(75, 4) },
      calibrationDue: '2027-05-01',
    },
  })
  expect(
    readTypedGauge({ ...micrometer, expanded: '2 µm', coverage: '', corrections: '75 = -0.001; 50 = +1 µm', expansion: '11,5' }),
  ).toMatchObject({
    value: {
      calibration: { expanded: 0.002, coverage: 2 },
      corrections: [
        { at: 50, error: 0.001 },
        { at: 75, error: -0.001 },
      ],
      expansionPerK: 11.5e-6,
    },
  })
})

const faults: [over: Partial<TypedGauge>, at: keyof TypedGauge][] = [
  [{ code: ' ' }, 'code'],
  [{ name: '' }, 'name'],
  [{ kind: 'eye' }, 'kind'],
  [{ resolution: '0' }, 'resolution'],
  [{ resolution: '1 bar' }, 'resolution'],
  [{ maximumPermissibleError: '-0.003' }, 'maximumPermissibleError'],
  [{ expanded: '0.002', coverage: '7' }, 'coverage'],
  [{ corrections: '25' }, 'corrections'],
  [{ corrections: '25 = 0.001; 25 = 0.002' }, 'corrections'],
  [{ expansion: 'steel' }, 'expansion'],
  [{ least: '' }, 'least'],
  [{ least: '80' }, 'greatest'],
]
test.each(faults)('%j is refused at its field', (over, at) => {
  expect(readTypedGauge({ ...micrometer, ...over })).toMatchObject({ ok: false, fault: [{ at }] })
})

test('every field that cannot be used is told, not the first alone', () => {
  const read = readTypedGauge({ ...micrometer, code: ' ', resolution: 'fine', expanded: '0', least: '25', greatest: '' })
  expect(read.ok ? [] : read.fault.map(({ at }) => at)).toEqual(['code', 'resolution', 'expanded', 'greatest'])
})
