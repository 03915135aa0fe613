import type { Part } from '../book/bookSchema'
import { ordinal } from './plain'

type Rule = NonNullable<Part['service']>[number]
/** A rule by what it says, wherever it stands. */
type Said = Rule extends infer R ? (R extends Rule ? Omit<R, 'source' | 'added'> : never) : never

/** When a part is renewed whatever it measures, after its name. */
export function serviceRuleWords(rule: Said, nameOf: (part: string) => string): string {
  switch (rule.kind) {
    case 'always':
      return 'renewed always'
    case 'whenDisturbed':
      return 'renewed when disturbed'
    case 'everyNth':
      return `renewed at every ${ordinal(rule.nth)} overhaul`
    case 'afterHours':
      return `renewed after ${rule.hours} h`
    case 'afterStarts':
      return `renewed after ${rule.starts} starts`
    case 'withMate':
      return `renewed with ${rule.parts.map(nameOf).join(', ')}`
    case 'set':
      return `one verdict with ${rule.parts.map(nameOf).join(', ')}`
  }
}
