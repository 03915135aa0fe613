/**
 * A limit as it is typed, cell by cell: in a job, in the limits sheet, at a fit that is added. All of them read it here, so that
 * the same words mean the same limit, and are refused for the same reason at the same cell.
 */
import type { Bare, Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import type { Limit, LimitBy, Source } from '../limit/limit'
import { isTable, readTable, type TableFault, tableOf, type WrittenTable } from '../limit/limitTable'
import { comesFirst } from '../limit/planFirst'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { readFigureText, type TextFaults } from './figureText'
import { isOwnDocument, OWN_DOCUMENT, OWN_PAGE } from './ownDocument'

/** The cells of a limit, all of it text. */
export interface LimitCells {
  readonly side: Limit['side']
  /** Empty: none is given. */
  readonly plan: string
  /** Empty: no limit is typed; “none”: its page gives none; a table, “≤ 50: 0.10; ≤ 80: 0.15”, goes by the new size or the hours. */
  readonly wear: string
  readonly whenPassed: Limit['whenPassed']
  readonly instruction: string
  readonly document: string
  readonly page: string
}

export type LimitCell = 'plan' | 'wear' | 'page'

/** Why a cell cannot be used. */
export interface CellFaults extends TextFaults {
  table: { readonly why: TableFault }
  planAfterWear: Bare
  /** A plan limit without a wear limit judges nothing. */
  planAlone: Bare
  /** Something is said of a value that the maker gives no limit for. */
  noneAndMore: Bare
  noPage: Bare
  /** A limit of the shop’s own on what is safety-marked. */
  ownOnSafety: Bare
}
export interface CellFault {
  readonly at: LimitCell
  readonly why: Coded<CellFaults>
}

/** What the cells are read by. */
export interface ReadLimitBy {
  readonly quantity: QuantityKind
  readonly system: UnitSystem
  /** Sizes may be written with a class; a clearance has none. */
  readonly hasClass: boolean
  /** What a table by size goes by; null where nothing here has a size. */
  readonly sizeOf: string | null
  /** Somebody may be hurt by what it judges: no limit of the shop's own will do. */
  readonly isSafety: boolean
  /** The row brings a new size, which stands on a page as well. */
  readonly hasNew: boolean
}

type Figures =
  | { readonly is: 'nothing' | 'none' }
  | { readonly is: 'figures'; readonly plan: number | null; readonly wear: number }
  | { readonly is: 'depends'; readonly depends: LimitBy['depends'] }

/** What the cells say, with the page they stand on. */
export type ReadLimit = Figures & Pick<LimitCells, 'side' | 'whenPassed' | 'instruction'> & { readonly source: Source }

/** Its page gives no limit: the value stays information only, and that is held against the page as a figure is. */
const NONE = 'none'
export const isNone = (wear: string): boolean => wear.trim().toLowerCase() === NONE

/** What the cells say, or everything that is wrong with them. */
export function readLimit(cells: LimitCells, by: ReadLimitBy): Result<ReadLimit, readonly CellFault[]> {
  const faults: CellFault[] = []
  const says = figuresOf(cells, by, faults)
  const source = sourceOf(cells, says, by, faults)
  const { side, whenPassed, instruction } = cells
  return faults.length > 0 ? err(faults) : ok({ ...says, side, whenPassed, instruction: instruction.trim(), source })
}

function figuresOf({ side, plan, wear }: LimitCells, by: ReadLimitBy, faults: CellFault[]): Figures {
  const refuse = (at: LimitCell, why: Coded<CellFaults>): Figures => {
    faults.push({ at, why })
    return { is: 'nothing' }
  }
  if (isNone(wear)) return plan.trim() === '' ? { is: 'none' } : refuse('plan', { code: 'noneAndMore' })
  const { quantity, system, hasClass, sizeOf } = by
  const read = (at: 'plan' | 'wear', text: string): number | WrittenTable | null => {
    if (text.trim() === '') return null
    if (isTable(text)) {
      const table = readTable(text, quantity, system)
      if (table.ok) return table.value
      refuse(at, { code: 'table', why: table.fault })
      return null
    }
    const figure = readFigureText(text, { quantity, system, classOf: hasClass ? side : null })
    if (figure.ok) return figure.value
    refuse(at, figure.fault)
    return null
  }
  const before = faults.length
  const [most, early] = [read('wear', wear), read('plan', plan)]
  if (faults.length > before) return { is: 'nothing' }
  if (most === null) return early === null ? { is: 'nothing' } : refuse('wear', { code: 'planAlone' })
  const isAfter = (own: number | null, limit: number): boolean => !comesFirst(side, own, limit)
  if (typeof most === 'number') {
    if (early !== null && typeof early !== 'number') return refuse('plan', { code: 'table', why: { code: 'otherSteps' } })
    return isAfter(early, most) ? refuse('plan', { code: 'planAfterWear' }) : { is: 'figures', plan: early, wear: most }
  }
  const table = tableOf(most, early, sizeOf)
  if (!table.ok) return refuse(table.fault.code === 'otherSteps' ? 'plan' : 'wear', { code: 'table', why: table.fault })
  if (table.value.rows.some((one) => isAfter(one.plan, one.wear))) return refuse('plan', { code: 'planAfterWear' })
  return { is: 'depends', depends: table.value }
}

/** Where it stands. That there is none stands on a page as well, and the shop's own word is no page. */
function sourceOf(
  { wear, document, page }: LimitCells,
  { is }: Figures,
  { isSafety, hasNew }: ReadLimitBy,
  faults: CellFault[],
): Source {
  const [named, on] = [document.trim(), page.trim()]
  const isOwn = isOwnDocument(named)
  const isSaid = wear.trim() !== '' || hasNew
  if (isOwn && isSafety && isSaid) faults.push({ at: 'wear', why: { code: 'ownOnSafety' } })
  const lacks = is === 'none' || isNone(wear) ? isOwn || named === '' || on === '' : named === '' || (on === '' && !isOwn)
  if (isSaid && lacks) faults.push({ at: 'page', why: { code: 'noPage' } })
  return isOwn ? { document: OWN_DOCUMENT, page: OWN_PAGE } : { document: named, page: on }
}

type Typed = Limit['typed']

/** What a row makes of a book: a limit, one that depends, or that there is none. */
export interface MadeLimit extends Pick<Limit, 'judges' | 'side'> {
  readonly limit: Limit | null
  readonly limitBy: LimitBy | null
  readonly none: { readonly source: Source; readonly typed?: Typed } | null
}

/**
 * The limit that was typed.
 *
 * @param typed who typed it, where it waits for a second person by itself
 */
export function limitMade(read: ReadLimit, own: Pick<Limit, 'id' | 'judges'>, typed?: NonNullable<Typed>): MadeLimit {
  const { side, whenPassed, instruction, source } = read
  const by = typed ? { typed } : {}
  const about = { ...own, side, whenPassed, instruction, source, ...by }
  return {
    judges: own.judges,
    side,
    limit: read.is === 'figures' ? { ...about, plan: read.plan, wear: read.wear } : null,
    limitBy: read.is === 'depends' ? { ...about, depends: read.depends } : null,
    none: read.is === 'none' ? { source, ...by } : null,
  }
}

/** What several rows make of the measurement or the fit that they are typed of; what they do not say is left out. */
export function limitedBy(rows: readonly MadeLimit[]) {
  const limitsBy = rows.flatMap(({ limitBy }) => limitBy ?? [])
  const wants = rows.flatMap(({ judges, side, none }) => (none ? [{ judges, side, none }] : []))
  return {
    limits: rows.flatMap(({ limit }) => limit ?? []),
    ...(limitsBy.length > 0 ? { limitsBy } : {}),
    ...(wants.length > 0 ? { wants } : {}),
  }
}
