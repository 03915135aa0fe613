import type { PatternCount, PatternLimits, PatternState } from '../condition/damagePattern'
import { counted } from './plain'

const percent = (fraction: number): string => `${Math.round(fraction * 1000) / 10} %`

/** How a damage pattern stands, in one line. */
export function patternWords(standing: PatternState, count: PatternCount, limits: PatternLimits): string {
  const { worst } = count
  switch (standing) {
    case 'beyond':
      return [
        ...(count.broken > limits.brokenAtMost
          ? [`${count.broken} of ${count.elements} broken, at most ${limits.brokenAtMost} allowed`]
          : []),
        ...(count.longestRun > limits.adjacentAtMost
          ? [`${count.longestRun} neighbours broken, at most ${limits.adjacentAtMost} next to each other allowed`]
          : []),
        ...(worst !== null && limits.wornFractionAtMost !== null && worst.fraction > limits.wornFractionAtMost
          ? [
              `element ${worst.element} is worn by ${percent(worst.fraction)}, at most ${percent(limits.wornFractionAtMost)} allowed`,
            ]
          : []),
      ].join('; ')
    case 'open':
      return `${count.seen} of ${count.elements} elements inspected`
    case 'inside':
      return `${count.broken} of ${count.elements} broken, ${counted(count.adjacentPairs, 'adjacent pair', 'adjacent pairs')}${worst === null ? '' : `, worst worn by ${percent(worst.fraction)}`}`
  }
}
