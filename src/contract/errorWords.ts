import type { ErrorKind, SourceShare } from '../core/gauge/errors'
import { say } from '../labels/shell'

const sourceLabel: Record<ErrorKind, string> = {
  gauge: say.gauge,
  resolution: say.resolution,
  repeats: say.spreadRepeats,
  master: say.master,
  stripScale: say.scaleStrip,
  partTemperature: say.partTemperature,
  scaleTemperature: say.gaugeTemperature,
}

/** A source of error by its name; a gauge with its code, where the record has it. */
export function sayErrorSource(
  { kind, of }: SourceShare,
  gauges: readonly { readonly id: string; readonly code: string }[],
): string {
  const gauge = gauges.find(({ id }) => id === of)
  return gauge ? `${sourceLabel[kind]} ${gauge.code}` : sourceLabel[kind]
}
