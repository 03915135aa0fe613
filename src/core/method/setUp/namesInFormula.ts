import { parseFormula } from '../formula'

/** Names a formula uses, in the order they are met: words that are no function, and no unit after a figure. Empty while it cannot be read. */
export function namesInFormula(text: string): readonly string[] {
  const names = [...text.matchAll(/(\d\s*)?([A-Za-z]\w*)/g)].flatMap(([, figure, word = '']) =>
    figure === undefined && !NO_NAME.has(word) ? [word] : [],
  )
  const parsed = parseFormula(text, names)
  return parsed.ok ? [...new Set(names)] : []
}
const NO_NAME: ReadonlySet<string> = new Set(['min', 'max', 'mean', 'abs', 'sqrt', 'pi'])
