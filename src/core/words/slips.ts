import { formatQuantity, unitOf } from '../quantity/format'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import type { ExpectedFrom, SlipKind, SlipQuestion } from '../slip/slip'
import { gaugeKindName } from './gauges'
import { BEFORE_REPEATS } from './methodFaults'
import { afterFigure } from './plain'
import { quantityName } from './quantities'

/** What went wrong with a slip of each kind. */
export const slipWords: Record<SlipKind, string> = {
  decimalPlace: 'Decimal point one place off.',
  thimbleTurn: 'One turn of the thimble is 0.5 mm, or 0.025 in.',
  wholeFrame: 'One frame of the gauge is 25 mm, or 1 in.',
  inchForMm: 'Inches and millimetres mixed.',
  comparatorSign: 'The sign of the comparator.',
  signForgotten: 'Read from the master, without its sign.',
  digitsSwapped: 'Two digits swapped.',
}

const fromWords: Record<ExpectedFrom, string> = {
  limits: 'the range expected from the new size and limits',
  neighbours: 'the other readings of this set',
  lastTime: 'the same place last time and what has worn since',
  sisters: 'its sister positions',
}

/** How the figures of a question are written. */
export interface SlipFigures {
  readonly quantity: QuantityKind
  readonly system: UnitSystem
  readonly step: number
}

/** The warning in one to three sentences. */
export function slipQuestionWords(slip: SlipQuestion, { quantity, system, step }: SlipFigures): string {
  const figure = (value: number): string => formatQuantity(value, quantity, system, step)
  const difference = (value: number): string => formatQuantity(value, differenceOf(quantity), system, step)
  const unit = unitOf(quantity, system)
  switch (slip.code) {
    case 'wrongSideOfNew':
    case 'farOff': {
      if (slip.code === 'wrongSideOfNew' && slip.likely === null)
        return `${figure(slip.value)} is on the wrong side of new. Usually master, temperature or dirt; sometimes plating, picked-up metal or a closed-in shell.`
      const [from, to] = slip.expected
      const far = `${figure(slip.value)} is far from ${fromWords[slip.from]}, ${figure(from)} … ${figure(to)}.`
      return slip.likely ? `${far} ${slipWords[slip.likely.kind]} Did you mean ${slip.likely.text}?` : far
    }
    case 'copiedDown':
      return `“${slip.text}” repeats what was read before it, ${slip.times} times running; this gauge would hardly show that. Was this measured, or copied?`
    case 'finerThanGauge':
      return `“${slip.text}” is finer than ${slip.gauge} can show, ${difference(slip.resolution)}${afterFigure(unit)}.`
    case 'outsideRange':
      return `${figure(slip.value)} is outside the range of ${slip.gauge}, ${figure(slip.range[0])} … ${figure(slip.range[1])}${afterFigure(unit)}. Another gauge, or a misread figure?`
    case 'calibrationLapsed':
      return `The calibration of ${slip.gauge} lapsed on ${slip.due}. Use another one, or keep the reading and have the gauge checked.`
    case 'notOfClass':
      return `${slip.gauge} may err by ${difference(slip.error)}${afterFigure(unit)}; ${difference(slip.asked)} is asked for here. Use a better one, or keep the reading.`
    case 'clockOff':
      return `The clock of this device says ${slip.device.slice(0, 16).replace('T', ' ')} UTC; the job was opened on ${slip.openedOn}, and the server has another time. Set the clock, or keep the reading: the server’s time is stored beside it.`
    case 'noGauge':
      return `No gauge is in hand, and this is measured with: ${gaugeKindName[slip.wanted]}. If kept, the reading is stored but decides nothing.`
    case 'otherKindOfGauge':
      return slip.settles
        ? `This is measured with: ${gaugeKindName[slip.wanted]}; ${slip.gauge} is another kind. If kept, the reading counts with the uncertainty of ${slip.gauge}.`
        : `${slip.gauge} does not measure ${quantityName[slip.quantity]}; this is measured with: ${gaugeKindName[slip.wanted]}. If kept, the reading is stored but decides nothing.`
    case 'repeatsSpread':
      return `With this one the repeats spread over ${difference(slip.range)}${afterFigure(unit)}, more than the ${difference(slip.limitValue)} allowed. ${slip.first ?? BEFORE_REPEATS} and read again, or keep it.`
  }
}
