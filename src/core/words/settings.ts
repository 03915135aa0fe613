import type { SettingMeans, valueNatures } from '../setting/settingMeans'
import type { SetBy, Vote } from '../verdict/vote'
import { afterFigure } from './plain'
import { figuresFor, type Speaker } from './speaker'

/** What a value tells of. */
export const natureName: Readonly<Record<(typeof valueNatures)[number], string>> = {
  wear: 'wear',
  setting: 'a setting',
  both: 'wear and setting',
}

/** What sets a value. */
export const meansName: Readonly<Record<SettingMeans, string>> = {
  shims: 'Shims',
  pad: 'Pad ground to size',
  selectedPiece: 'Selected piece',
  gasket: 'Gasket',
  screw: 'Screw',
  nut: 'Nut',
  alignment: 'Alignment',
  position: 'Position',
  cleaning: 'Cleaning',
  retightening: 'Retightening',
}

const means: Readonly<Record<SettingMeans, string>> = {
  shims: 'set by shims',
  pad: 'set by a pad ground to size',
  selectedPiece: 'set by a selected piece',
  gasket: 'set by its gasket',
  screw: 'set by screw',
  nut: 'set by its nut',
  alignment: 'set by aligning',
  position: 'set by position',
  cleaning: 'brought back by cleaning',
  retightening: 'brought back by retightening, once it is known why it came loose',
}

export const setByWords = ({ by }: Pick<SetBy, 'by'>): string => means[by]

/** Grinding one pad moves what the next one must be ground by. */
const afterEach = (by: SettingMeans): string => (by === 'pad' ? '; one pad at a time, and read again before the next' : '')

/** What is set of a fit, and by how much. */
export function setWords(
  { by, changeMm }: { readonly by: SettingMeans; readonly changeMm: number },
  figure: (mm: number) => string,
): string {
  const amount = figure(Math.abs(changeMm))
  if (changeMm === 0) return `${meansName[by]}: as they are`
  if (by === 'shims') return changeMm > 0 ? `Add ${amount} of shims` : `Take out ${amount} of shims`
  return `${meansName[by]}: ${changeMm > 0 ? 'thicker' : 'thinner'} by ${amount}${afterEach(by)}`
}

/** How a value that is out is brought back, with the amount where a sum knows it. */
export function toSetWords(speaker: Speaker, vote: Vote, setting: SetBy): string {
  const { by, change, ofPiece } = setting
  const quantity = 'quantity' in vote.facts ? vote.facts.quantity : null
  if (change === null || change === 0 || quantity === null) return setByWords(setting)
  const { extent, unit } = figuresFor(speaker, vote.subject, quantity)
  const size = Math.abs(change)
  const amount = `${extent({ value: size, interval: null })}${afterFigure(unit)}`
  if (!ofPiece) return `${setByWords(setting)}, ${change > 0 ? 'up' : 'down'} by at least ${amount}`
  if (by === 'shims') return `${setByWords(setting)}: ${change > 0 ? 'add' : 'take out'} ${amount}`
  return `${setByWords(setting)}: ${change > 0 ? 'thicker' : 'thinner'} by ${amount}${afterEach(by)}`
}
