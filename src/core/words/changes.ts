import type { ChangeLimit, Characteristic } from '../book/bookSchema'
import type { ChangeOutcome } from '../evaluate/changes'
import { quantityOfValue, stepOf } from '../method/gives'
import { figuresOf } from '../quantity/figures'
import { withSign } from '../quantity/format'
import { differenceOf } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { stageName, valueName } from './labels'
import { afterFigure } from './plain'

const stageWord = (stage: ChangeLimit['from'] | ChangeLimit['to']): string =>
  stage === 'lastOverhaul' ? 'the last overhaul' : stageName[stage].toLowerCase()

const standingWord: Readonly<Record<ChangeOutcome['standing'], string>> = {
  inside: 'within the permitted change',
  outside: '! exceeds the permitted change',
  undecided: '! too close to the permitted change to say',
  open: 'not measured at both stages yet',
}

/** A change against what may change, in one line: “Mean, as found to as left: +0.02 mm, may be −0.05 … +0.05: as it may be.” */
export function changeWords(
  { limit, change, standing }: ChangeOutcome,
  { method, showTo }: Characteristic,
  system: UnitSystem,
): string {
  const kind = differenceOf(quantityOfValue(method, limit.judges))
  const { figure, unit } = figuresOf(kind, system, stepOf(method, showTo, kind))
  const signed = (value: number): string => withSign(figure(value))
  const ends = (low: number | null, high: number | null): string =>
    low === null
      ? `≤ ${high === null ? '' : signed(high)}`
      : high === null
        ? `≥ ${signed(low)}`
        : low === high
          ? signed(low)
          : `${signed(low)} … ${signed(high)}`
  const moved =
    change === null
      ? ''
      : `${ends(change.value ?? change.interval?.low ?? null, change.value ?? change.interval?.high ?? null)}${afterFigure(unit)}, `
  return `${valueName[limit.judges]}, ${stageWord(limit.from)} to ${stageWord(limit.to)}: ${moved}permitted ${ends(limit.least, limit.greatest)}${change === null ? afterFigure(unit) : ''}: ${standingWord[standing]}.`
}
