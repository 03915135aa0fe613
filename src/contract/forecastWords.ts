import type { Characteristic } from '../core/book/bookSchema'
import type { Meter } from '../core/quantity/meter'
import type { UnitSystem } from '../core/quantity/unitSystem'
import type { Forecast, Lasts, Trend } from '../core/trend/forecast'
import { ranAtWords, ranWords } from '../core/words/meter'
import { say } from '../labels/shell'
import { figuresAt } from './figuresAt'

export const lastsWord: Record<Lasts, string> = {
  yes: 'lasts',
  no: say.willNotLast,
  unsure: say.notSureLast,
}

export interface ForecastLine {
  readonly judges: Trend['judges']
  readonly limit: string
  /** Expected value and the ends it may have, with their unit. */
  readonly expected: string
  readonly atHours: string
  readonly lasts: Lasts
  readonly hoursToPlan: string | null
  readonly hoursToWear: string
  readonly earliest: string
}

/** Every forecast of a characteristic with its doubt, by figures. */
export function forecastLines(
  characteristic: Characteristic,
  trends: readonly Trend[],
  system: UnitSystem,
  meter: Meter,
): readonly ForecastLine[] {
  return trends.flatMap(({ judges, forecasts }) => {
    const { figure, bound, unit } = figuresAt({ characteristic, system }, judges)
    return forecasts.flatMap((forecast): ForecastLine[] => {
      const limit = characteristic.limits.find(({ id }) => id === forecast.limit)
      if (!limit) return []
      const sign = limit.side === 'upper' ? '≤' : '≥'
      return [
        {
          judges,
          limit: `${sign} ${bound(limit.wear)}`,
          expected: `${figure(forecast.value)} (${figure(forecast.low)} … ${figure(forecast.high)}) ${unit}`.trim(),
          atHours: ranAtWords(forecast.atHours, meter),
          lasts: forecast.lasts,
          hoursToPlan: limit.plan === null ? null : ran(forecast.hoursToPlan, meter),
          hoursToWear: ran(forecast.hoursToWear, meter),
          earliest: ran(forecast.earliestHoursToWear, meter),
        },
      ]
    })
  })
}

const ran = (value: Forecast['hoursToWear'], meter: Meter): string => (value === null ? say.notRate : ranWords(value, meter))
