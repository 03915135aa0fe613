import type { ErrorKind, SourceShare } from '../core/gauge/errors'

const sourceLabel: Record<ErrorKind, string> = {
  gauge: 'Gauge',
  resolution: 'Resolution',
  repeats: 'Spread of repeats',
  master: 'Master',
  stripScale: 'Scale of the strip',
  partTemperature: 'Part temperature',
  scaleTemperature: 'Gauge temperature',
}

/** A source of error by its name; a gauge with its code, where the record has it. */
export function sayErrorSource(
  { kind, of }: SourceShare,
  gauges: readonly { readonly id: string; readonly code: string }[],
): string {
  const gauge = gauges.find(({ id }) => id === of)
  return gauge ? `${sourceLabel[kind]} ${gauge.code}` : sourceLabel[kind]
}
