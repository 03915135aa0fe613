import type { DemoGauge } from './types'

/** A gauge in metric figures. */
export const gauge = (
  code: string,
  name: string,
  kind: string,
  resolution: number,
  maximumPermissibleError: number,
  range: readonly [number, number] | null,
  over: Partial<DemoGauge> = {},
): DemoGauge => ({
  id: code.toLowerCase(),
  code,
  name,
  kind,
  resolution,
  maximumPermissibleError,
  range: range && { least: range[0], greatest: range[1] },
  calibrationDue: '2027-06-30',
  ...over,
})
