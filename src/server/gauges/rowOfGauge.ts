import type { Gauge } from '../../core/gauge/gauge'
import type { storeGaugeRow } from '../../db/queries/gauges'

type GaugeRow = Omit<Parameters<typeof storeGaugeRow>[1], 'id'>

const decimal = (value: number | null | undefined): string | null =>
  value === null || value === undefined ? null : String(value)

/** A gauge as the store keeps it, but for its id and place. */
export const rowOfGauge = ({
  code,
  name,
  kind,
  calibrationDue,
  resolution,
  maximumPermissibleError,
  repeatability,
  expansionPerK,
  calibration,
  corrections,
  range,
}: Omit<Gauge, 'id'>): GaugeRow => ({
  code,
  name,
  kind,
  calibrationDue,
  resolution: String(resolution),
  maximumPermissibleError: String(maximumPermissibleError),
  repeatability: decimal(repeatability),
  expansionPerK: decimal(expansionPerK),
  calibration,
  corrections,
  least: decimal(range?.least),
  greatest: decimal(range?.greatest),
})
