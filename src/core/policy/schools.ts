/**
 * Questions on which practitioners differ and which no sum decides here. A job states its choice, and the report names
 * it; where none is made, the limit book and its maker speak.
 */
export const schools = {
  inDoubt: {
    question: 'In doubt',
    answers: { replace: 'replace when in any doubt', keep: 'keep what measures well and looks clean, look again sooner' },
  },
  repeats: {
    question: 'Repeats',
    answers: { one: 'one careful reading', few: 'the mean of a few', agreeing: 'more, which must agree before the mean counts' },
  },
  wornInMates: {
    question: 'Worn-in mates',
    answers: { ownPlace: 'always back in their own place', repaired: 're-paired for even clearances' },
  },
  disturbed: {
    question: 'Disturbed seals, locking parts, bearings',
    answers: { alwaysNew: 'always new', afterInspection: 'reused after inspection' },
  },
  tightening: {
    question: 'Tightening',
    answers: {
      dry: 'dry figure',
      oiled: 'oiled figure',
      paste: 'paste figure',
      angle: 'angle or mark after snug',
      tension: 'hydraulic tension',
    },
  },
  turning: {
    question: 'Turning by hand at the end',
    answers: { always: 'always', withPump: 'only with the oil pump running' },
  },
  band: {
    question: 'Where inside the maker’s band',
    answers: { anywhere: 'anywhere', narrower: 'the workshop’s own narrower band' },
  },
} as const satisfies Record<string, { readonly question: string; readonly answers: Readonly<Record<string, string>> }>

export type School = keyof typeof schools
export const schoolIds = Object.keys(schools) as School[]
export type ChosenSchools = { readonly [S in School]?: keyof (typeof schools)[S]['answers'] }

/** The choices in words, in the order above. */
export const schoolWords = (chosen: ChosenSchools): string[] =>
  schoolIds.flatMap((school) => {
    const answer = chosen[school]
    const answers: Readonly<Record<string, string>> = schools[school].answers
    const words = answer === undefined ? undefined : answers[answer]
    return words === undefined ? [] : [`${schools[school].question.toLowerCase()}: ${words}`]
  })
