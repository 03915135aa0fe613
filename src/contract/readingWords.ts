import { stepOf } from '../core/method/gives'
import { formAt, quantityAt } from '../core/method/layout'
import type { Method } from '../core/method/method'
import { figuresOf } from '../core/quantity/figures'
import type { UnitSystem } from '../core/quantity/unitSystem'
import type { Reading } from '../core/record/recordSchema'
import { say } from '../labels/shell'

type Value = Pick<Reading, 'value' | 'low' | 'high' | 'station'>

/** What was read at a place as figures or as a word: the figure, its bounds, the answer, the kind of contact. */
export function valueWords({ value, low, high, station }: Value, method: Method, units: UnitSystem, showTo: number): string {
  switch (formAt(method, { station }).kind) {
    case 'answer':
      return value === 1 ? 'yes' : 'no'
    case 'cell':
      return value === 100 ? 'full' : value === 0 ? 'none' : 'part'
    case 'element':
      return value === 0 ? 'sound' : value === 100 ? 'broken' : `${value} %`
    case 'quantity': {
      const kind = quantityAt(method, { station })
      return figuresOf(kind, units, stepOf(method, showTo, kind)).extent({
        value,
        interval: value === null ? { low, high } : null,
      })
    }
  }
}

/** A standing reading as a report shows it: its value, or why there is none. */
export function readingWords(reading: Reading, method: Method, units: UnitSystem, showTo: number): string {
  switch (reading.kind) {
    case 'point':
    case 'interval':
      return valueWords(reading, method, units, showTo)
    case 'notApplicable':
      return say.notApplicable
    case 'cannot':
      return say.cannotMeasured(reading.reason ?? '')
    case 'withdrawn':
      return '–'
  }
}
