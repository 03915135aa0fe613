import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import type { gaugeSchema } from './gaugeSchema'

/** A measuring instrument as the store knows it, in the fixed unit of its kind's quantity. */
export type Gauge = Frozen<z.infer<typeof gaugeSchema>>

/** One line of a calibration certificate: what the gauge shows too much (+) or too little (−) at an indicated value. */
export type CalibrationPoint = Gauge['corrections'][number]

/** What is looked at is judged without an instrument. */
export const BY_EYE: Gauge = {
  id: 'eye',
  code: 'eye',
  name: '',
  kind: 'eye',
  resolution: 0,
  maximumPermissibleError: 0,
  calibration: null,
  corrections: [],
  expansionPerK: null,
  range: null,
  calibrationDue: '9999-12-31',
}
