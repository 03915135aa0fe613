import { createRequire } from 'node:module'

const require = createRequire(import.meta.url)
const file = (name: string): string => require.resolve(`@fontsource/${name}`)
const upright = (regular: string, bold: string) => ({
  normal: file(regular),
  bold: file(bold),
  italics: file(regular),
  bolditalics: file(bold),
})

/** The faces of the page, for the PDF; Symbols has the signs the others lack. */
export const fonts = {
  Text: upright('barlow/files/barlow-latin-400-normal.woff', 'barlow/files/barlow-latin-600-normal.woff'),
  Figure: upright(
    'spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff',
    'spline-sans-mono/files/spline-sans-mono-latin-600-normal.woff',
  ),
  Symbols: upright('dejavu-sans/files/dejavu-sans-latin-400-normal.woff', 'dejavu-sans/files/dejavu-sans-latin-700-normal.woff'),
} as const

/** Signs that Text and Figure lack; they are set in Symbols. The same list stands in the page's font file. */
export const SYMBOLS = /[≤≥→←↑↓ΔΩπ√✓]+/gu
