/**
 * Questions on which practitioners differ and which no sum decides here. A job states its choice, and the report names
 * it; where none is made, the limit book and its maker speak.
 */
export const schools = {
  inDoubt: ['replace', 'keep'],
  repeats: ['one', 'few', 'agreeing'],
  wornInMates: ['ownPlace', 'repaired'],
  disturbed: ['alwaysNew', 'afterInspection'],
  tightening: ['dry', 'oiled', 'paste', 'angle', 'tension'],
  turning: ['always', 'withPump'],
  band: ['anywhere', 'narrower'],
} as const satisfies Readonly<Record<string, readonly string[]>>

export type School = keyof typeof schools
export const schoolIds = Object.keys(schools) as School[]
export type ChosenSchools = { readonly [S in School]?: (typeof schools)[S][number] }
