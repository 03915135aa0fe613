/** Cells of a row of limits that are typed, in the order they stand. */
export const CELLS = ['new', 'plan', 'wear', 'whenPassed', 'document', 'page'] as const
export type Cell = (typeof CELLS)[number]
export type Texts = Readonly<Record<Cell, string>>

/** A block of cells as a spreadsheet puts it on the clipboard. */
export const cellsIn = (text: string): readonly (readonly string[])[] =>
  text
    .replace(/\r/g, '')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))

/** Cells with a block laid over them from one of them on; what says nothing of mending or replacing leaves that as it is. */
export function overlaid<T extends Partial<Texts>>(texts: T, from: Cell, line: readonly string[], takesNew: boolean): T {
  const laid: Partial<Record<Cell, string>> = {}
  line.forEach((text, place) => {
    const cell = CELLS[CELLS.indexOf(from) + place]
    if (cell === undefined || !(cell in texts) || (cell === 'new' && !takesNew)) return
    if (cell !== 'whenPassed') laid[cell] = text
    else if (/^(mend|replace)$/i.test(text)) laid[cell] = text.toLowerCase()
  })
  return { ...texts, ...laid }
}
