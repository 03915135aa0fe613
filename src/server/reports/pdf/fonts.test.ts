import { readdirSync, readFileSync, statSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { fonts, SYMBOLS } from './fonts'

/** fontkit comes with pdfmake, which draws with it. */
const fontkit = createRequire(createRequire(import.meta.url).resolve('pdfmake'))('fontkit') as {
  create(file: Buffer): { hasGlyphForCodePoint(point: number): boolean }
}

const filesBelow = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? filesBelow(path) : [path]
  })

/** Every sign beyond ASCII that the interface, the reports, the books and the core's sentences use. */
const signs = new Set(
  ['src', 'demo']
    .flatMap(filesBelow)
    .filter((path) => /\.(ts|tsx|astro|json)$/.test(path) && !/\.test\.tsx?$/.test(path))
    .flatMap((path) => [...readFileSync(path, 'utf8').replaceAll(/^\s*(\/\/|\*|\/\*\*).*$/gm, '')])
    .filter((sign) => (sign.codePointAt(0) ?? 0) > 0x7f),
)

test.each(Object.entries(fonts).filter(([name]) => name !== 'Symbols'))(
  '%s and Symbols have a glyph for every sign used',
  (_, faces) => {
    for (const file of new Set([faces.normal, faces.bold])) {
      const own = fontkit.create(readFileSync(file))
      const symbols = fontkit.create(readFileSync(fonts.Symbols.normal))
      const missing = [...signs].filter((sign) => {
        const point = sign.codePointAt(0) ?? 0
        return sign.match(SYMBOLS) ? !symbols.hasGlyphForCodePoint(point) : !own.hasGlyphForCodePoint(point)
      })
      expect({ file, missing }).toEqual({ file, missing: [] })
    }
  },
)

test('the page takes the same signs from the symbol font as the PDF', () => {
  const [, ranges = ''] = /unicode-range: ([^;]+);/.exec(readFileSync('src/ui/fonts.css', 'utf8')) ?? []
  const onPage = ranges.split(', ').map((range) =>
    range
      .replace('U+', '')
      .split('-')
      .map((hex) => Number.parseInt(hex, 16)),
  )
  const isOnPage = (point: number): boolean => onPage.some(([from = 0, to = from]) => from <= point && point <= to)
  for (const sign of signs)
    expect({ sign, onPage: isOnPage(sign.codePointAt(0) ?? 0) }).toEqual({ sign, onPage: sign.match(SYMBOLS) !== null })
})
