import type { Step } from '../job/orderOfWork'
import type { ReductionName } from '../method/reduction'
import type { Verdict } from '../policy/disposition'
import type { Stage } from '../record/stage'
import type { Trend } from '../trend/forecast'
import type { Shown } from '../verdict/shown'

/** Names of the values a method reduces its readings to. */
export const valueName: Readonly<Record<ReductionName, string>> = {
  maximum: 'Largest',
  minimum: 'Smallest',
  mean: 'Mean',
  median: 'Median',
  range: 'Range of repeats',
  outOfRound: 'Out-of-round',
  taper: 'Taper',
  barrel: 'Barrel (+) or waist (−)',
  wear: 'Wear from new',
  total: 'Total gap',
  gapAtWornDiameter: 'Gap where it runs',
  stripTaper: 'Taper along',
  tilt: 'Tilt along',
  sideDifference: 'Difference of the sides',
  parallelism: 'Parallelism',
  variation: 'Variation',
  oppositeDifference: 'Difference of opposite places',
  totalIndicated: 'Total indicated reading',
  eccentricity: 'Eccentricity',
  eccentricityAngle: 'High point at',
  secondHarmonic: 'Oval part',
  bow: 'Bow',
  offset: 'Offset',
  offsetAngle: 'Offset towards',
  angularity: 'Angle between axes',
  angularityAngle: 'Opens towards',
  contactPercent: 'Contact',
  contactEnds: 'Difference of the ends',
  contactSides: 'Difference of the sides, contact',
  springRate: 'Rate',
  loadAtWorking: 'Load at working length',
  loadLoss: 'Load lost',
  freeLength: 'Free length',
  lean: 'Lean',
  drips: 'Drips',
  pressureFall: 'Fall of pressure',
  adjustment: 'To be adjusted by',
  lowestOfTarget: 'Lowest, of the target',
  highestOfTarget: 'Highest, of the target',
  largestAngle: 'Farthest from its mark',
  damaged: 'Damaged elements',
  adjacentDamaged: 'Damaged neighbours',
  worstWorn: 'Most worn element',
  broken: 'Broken elements',
  worstOfRest: 'Most worn of the rest',
  failedPoints: 'Points failed',
  notAsWanted: 'Not as required',
  result: 'Result',
}

/** A value by its name in a book, which may have none of ours. */
export const valueNameOf = (name: string): string => (valueName as Readonly<Record<string, string>>)[name] ?? name

/** Where the band of a forecast comes from. */
export const spreadWords: Readonly<Record<NonNullable<Trend['spread']>['from'], string>> = {
  own: 'readings about their line',
  sisters: 'readings of sister positions about their lines',
  gauge: 'what the readings are known to',
  few: 'the uncertainty of the readings alone: too few points to show how they scatter about their line',
}

export const stepName: Readonly<Record<Step, string>> = {
  receive: 'Receive',
  makeSafe: 'Make safe',
  asFound: 'As found',
  strip: 'Strip',
  gate: 'Gate',
  look: 'Look',
  measure: 'Measure',
  fits: 'Fits',
  decide: 'Decide',
  order: 'Order',
  rebuild: 'Rebuild',
  prove: 'Prove',
  sign: 'Sign',
}

export const stageName: Readonly<Record<Stage, string>> = { asFound: 'As found', afterWork: 'After work', asLeft: 'As left' }

export const verdictName: Readonly<Record<Verdict, string>> = {
  reuse: 'Reuse',
  adjust: 'Adjust',
  recondition: 'Recondition',
  replace: 'Replace',
  hold: 'Hold',
}

export const shownName: Readonly<Record<Shown, string>> = { ...verdictName, nothing: 'Information only' }
