import { type ChosenSchools, type School, schoolIds, type schools } from '../policy/schools'

/** Each question on which practitioners differ, with its answers. */
export const schoolWords: {
  readonly [S in School]: { readonly question: string; readonly answers: Readonly<Record<(typeof schools)[S][number], string>> }
} = {
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
}

/** The choices of a job in words, question by question. */
export const chosenWords = (chosen: ChosenSchools): string[] =>
  schoolIds.flatMap((school) => {
    const { question, answers } = schoolWords[school]
    const answer = chosen[school]
    const words = answer === undefined ? undefined : (answers as Readonly<Record<string, string>>)[answer]
    return words === undefined ? [] : [`${question.toLowerCase()}: ${words}`]
  })
