import type { Trend } from './forecast'

/** Where the band of a forecast comes from. */
export const spreadWord: Readonly<Record<NonNullable<Trend['spread']>['from'], string>> = {
  own: 'readings about their line',
  sisters: 'readings of sister positions about their lines',
  gauge: 'what the readings are known to',
  few: 'the doubt of the readings alone: too few points to tell how they scatter about their line',
}
