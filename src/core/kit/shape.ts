import { err, ok, type Result } from '../base/result'
import { unitOf } from '../quantity/format'
import { parseQuantity } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Assembly, KitSetting, Question, When } from './assembly'

export type KitAnswers = Readonly<Record<string, string>>

/** Why an answer cannot be used. */
export type AnswerFault = { readonly code: 'notAnAnswer' | 'notAFigure'; readonly question: string; readonly text: string }

/** Every question answered: as chosen, or by its first answer; a figure left out is empty, a typed one carries its unit. */
export function answersOf(assembly: Assembly, given: KitAnswers, system: UnitSystem): Result<KitAnswers, AnswerFault> {
  const all: Record<string, string> = {}
  for (const { id, answers } of assembly.questions) {
    const text = (given[id] ?? '').trim()
    if (typeof answers !== 'string') {
      if (text !== '' && !answers.includes(text)) return err({ code: 'notAnAnswer', question: id, text })
      all[id] = text === '' ? (answers[0] ?? '') : text
      continue
    }
    const parsed = text === '' ? null : parseQuantity(text, answers, unitOf(answers, system))
    if (parsed && (!parsed.ok || parsed.value.value <= 0)) return err({ code: 'notAFigure', question: id, text })
    all[id] = text
  }
  return ok(all)
}

/** A typed figure in the fixed unit of its kind; null where none was. */
export function figureOf({ questions }: Assembly, answers: KitAnswers, id: string, system: UnitSystem): number | null {
  const question = questions.find((one) => one.id === id)
  const text = answers[id] ?? ''
  if (!question || typeof question.answers !== 'string' || text === '') return null
  const parsed = parseQuantity(text, question.answers, unitOf(question.answers, system))
  return parsed.ok ? parsed.value.value : null
}

/** The answers ask for this piece. */
export const isThere = ({ when }: { readonly when?: When }, answers: KitAnswers): boolean =>
  Object.entries(when ?? {}).every(([id, wanted]) =>
    wanted === 'typed' ? (answers[id] ?? '') !== '' : wanted.includes(answers[id] ?? ''),
  )

/** An assembly as its answers shape it: only the pieces that are there, and of what they name only what is there too. */
export function shaped(assembly: Assembly, answers: KitAnswers): Assembly {
  const here = <T extends { readonly when?: When }>(pieces: readonly T[] | undefined): T[] =>
    (pieces ?? []).filter((piece) => isThere(piece, answers))
  const partIds = new Set(here(assembly.parts).map(({ id }) => id))
  // A part that is gone takes along what is measured of it, and a measurement what is set up on it.
  const setHere = <T extends { readonly setting?: KitSetting }>({ setting, ...piece }: T) => ({
    ...piece,
    ...(setting && isThere(setting, answers)
      ? { setting: { ...setting, chain: setting.chain.filter((id) => partIds.has(id)) } }
      : {}),
  })
  const measures = here(assembly.measures)
    .filter(({ of }) => partIds.has(of))
    .map(setHere)
  const measureIds = new Set(measures.map(({ id }) => id))
  const known = (ids: readonly string[] | undefined, of: ReadonlySet<string>): string[] => (ids ?? []).filter((id) => of.has(id))
  return {
    ...assembly,
    parts: here(assembly.parts).map((part) => ({
      ...part,
      ...(part.set ? { set: known(part.set, partIds) } : {}),
      ...(part.keptWith ? { keptWith: known(part.keptWith, partIds) } : {}),
      routes: (part.routes ?? [])
        .map((route) => ({ ...route, mends: known(route.mends, measureIds) }))
        .filter(({ mends }) => mends.length > 0),
    })),
    measures,
    mates: here(assembly.mates)
      .filter(({ sides }) => Object.values(sides).every((id) => id === null || measureIds.has(id)))
      .map(setHere)
      .map(({ direct, ...mate }) => (direct !== undefined && measureIds.has(direct) ? { ...mate, direct } : mate)),
    checks: here(assembly.checks).filter(({ names }) => Object.values(names).every(([id]) => measureIds.has(id))),
    looks: here(assembly.looks).filter(({ of, foundOn = of }) => partIds.has(of) && partIds.has(foundOn)),
    feels: here(assembly.feels).filter(({ of }) => partIds.has(of)),
    steps: here(assembly.steps).map((step) => ({
      ...step,
      removes: known(step.removes, partIds),
      destroys: known(step.destroys, partIds),
      measures: known(step.measures, measureIds),
    })),
  }
}

/** `{question}` in a text stands for its answer. */
export const filledIn = (text: string, answers: KitAnswers): string =>
  text.replace(/\{(\w+)\}/g, (_, id: string) => answers[id] ?? '')

/** What a question takes, in words a person can answer by. */
export const isTyped = ({ answers }: Question): boolean => typeof answers === 'string'
