/** What a schema finds wrong beyond the shape of a thing. The code stands as the message of its issue; `core/words` says it. */
export type SchemaFault =
  | 'noId'
  | 'noDayOfOurTime'
  | 'noTimeOfOurTime'
  | 'newSizeSwapped'
  | 'limitsSameId'
  | 'changesSameId'
  | 'placesSameId'
  | 'crossChecksSameId'
  | 'stationsSameId'
  | 'placesSameAngle'
  | 'scaleSameWidth'
  | 'scaleNotFalling'
  | 'changeUnbounded'
  | 'changeEndsSwapped'
  | 'changeBackwards'
  | 'rangeSwapped'
  | 'planAfterWear'
  | 'rowsNotRising'
  | 'sayWhy'
  | 'nameWhatItMends'
  | 'sayHowProved'
  | 'typeASize'
  | 'typeAFigure'
  | 'nameThePage'

/** A code as what a schema takes for its message. */
export const asIssue = (fault: SchemaFault): SchemaFault => fault
