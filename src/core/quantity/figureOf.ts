import type { QuantityKind } from './kind'

/**
 * What a figure of a book is of: always one kind of quantity; or of what is measured there: a reading (`read`), a difference of
 * readings (`spread`), the value that a limit judges (`judged`), its change, what a table goes by (`reach`), what a cross-check knows.
 */
export type FigureOf = QuantityKind | 'read' | 'spread' | 'judged' | 'change' | 'reach' | 'known'
