import type { LimitBook } from '../../core/book/bookSchema'

/** Values that want a limit and have none. */
export const limitsWanted = ({ characteristics, fits }: Pick<LimitBook, 'characteristics' | 'fits'>): number =>
  [...characteristics, ...fits].reduce(
    (sum, { wants = [], limits }) =>
      sum +
      wants.filter(({ judges, side, none }) => !none && !limits.some((limit) => limit.judges === judges && limit.side === side))
        .length,
    0,
  )
