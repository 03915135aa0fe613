import { type Answers, LETTERS } from './answers'

/** Points read one after the other, as they were answered. */
export const pointsOf = (a: Answers) => ({
  points: a.places('points'),
  repeatsAtLeast: a.count('repeats', 12),
  repeatabilityLimit: a.figureOrNull('repeatability'),
})

/** Stations and directions of diameters, as they were answered. */
export const diametersOf = (a: Answers) => ({
  stations: a.places('stations', LETTERS),
  directions: a.places('directions'),
  walk: a.choice<'stationFirst' | 'directionFirst'>('walk'),
})
