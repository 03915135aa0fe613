import { expect, test } from 'vitest'
import type { GaugeKind } from './gaugeKinds'
import { ownUnits } from './ownUnits'

test.each<[kind: GaugeKind, resolution: number, units: 'metric' | 'inch']>([
  ['outsideMicrometer', 0.01, 'metric'],
  ['outsideMicrometer', 0.001, 'metric'],
  ['outsideMicrometer', 0.0025, 'metric'],
  ['outsideMicrometer', 0.0254, 'inch'],
  ['outsideMicrometer', 0.00254, 'inch'],
  ['dial', 0.0127, 'inch'],
  ['caliper', 0.02, 'metric'],
  ['caliper', 25.4 / 128, 'inch'],
  ['torqueWrench', 1, 'metric'],
  ['thermometer', 0.1, 'metric'],
  ['eye', 0, 'metric'],
])('%s to %s is divided in %s units', (kind, resolution, units) => {
  expect(ownUnits({ kind, resolution })).toBe(units)
})
