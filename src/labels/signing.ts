export const say = {
  onlyPracticeEnds: 'Only a practice job is ended so. This one is sent to the reviewer.',
  practiceGoesNoFurther: 'This is a practice job: nothing in it counts, and it is never sent to a reviewer.',
  thereNoSigned: (id: string): string => `There is no signed report “${id}”. Open one from the shop floor.`,
  jobLiesReviewer: 'This job is with the reviewer already.',
  notEverythingDone: (exceptions: string): string => `Not everything is done: ${exceptions}. Do it, or say why not.`,
  sayWhyNot: 'say why this is not done',
  jobDoesNot: 'This job is not with the reviewer, so it cannot be returned.',
  reviewedAcceptedFigures:
    'Reviewed and accepted: figures, limits, verdicts and reasons as recorded. The maker’s instructions, local codes and licensed practice come first.',
  tooManyWrong: (minutes: number): string => `Too many wrong passwords. Wait ${minutes} minutes, then sign again.`,
  notYourPassword: 'That is not your password. Nothing was signed; type it again.',
  jobHasNot: 'This job has not been sent to the reviewer, so it cannot be signed.',
  recordHasChanged: 'The record has changed since you opened this page. Reload, read it again, then sign.',
  youMeasuredNoted: 'You measured, noted or decided in this job. Someone else must sign it.',
  leftBeyondLimits: (leftBeyond: string): string => `Left beyond its limits: ${leftBeyond} Say why you accept it.`,
  sayWhyYou: 'say why you accept it',
  anotherStepId: 'Another step with this id is stored already. Reload the page and do it again.',
} as const
