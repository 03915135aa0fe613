import { type LiftFault, STEEPEST_EYE_DEGREES, STEEPEST_LEG_DEGREES } from '../lifting/lifting'

const liftFigure = { load: 'load', slingRating: 'sling rating', mark: 'mark on the eye' } as const

/** One sentence for a lift that has no sum. */
export function liftFaultWords(fault: LiftFault): string {
  switch (fault.code) {
    case 'noMark':
      return 'The eye carries no mark: it has no rating. A thread size alone gives none. Use a marked and rated eye.'
    case 'legTooFlat':
      return `At ${fault.angleDegrees}° from the vertical the legs pull themselves apart. Use longer legs: at most ${STEEPEST_LEG_DEGREES}°.`
    case 'eyeTooFlat':
      return `An eye bolt may not be pulled at ${fault.angleDegrees}°. Use longer legs (at most ${STEEPEST_EYE_DEGREES}°) or swivelling points rated for it.`
    case 'notPositive':
      return `Type the ${liftFigure[fault.what]} in kg, more than zero.`
  }
}
