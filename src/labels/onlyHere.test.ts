/** What a view says stands in its table: components lay it out. */
import { readdirSync, readFileSync } from 'node:fs'
import { basename, join } from 'node:path'
import ts from 'typescript'
import { expect, test } from 'vitest'

const filesIn = (folder: string, ending: RegExp): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => ending.test(file) && !/\.test\./.test(file))
    .map((file) => join(folder, file))

/** Attributes whose text a person reads or hears. */
const SPOKEN = /^(label|hint|title|alt|placeholder|aria-label)$/

function textsIn(file: string): string[] {
  const found: string[] = []
  const walk = (node: ts.Node): void => {
    if (ts.isJsxText(node)) found.push(node.text)
    if (ts.isJsxAttribute(node) && SPOKEN.test(node.name.getText()) && node.initializer && ts.isStringLiteral(node.initializer))
      found.push(node.initializer.text)
    if (ts.isPropertyAssignment(node) && SPOKEN.test(node.name.getText()) && ts.isStringLiteral(node.initializer))
      found.push(node.initializer.text)
    ts.forEachChild(node, walk)
  }
  walk(ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX))
  return found
}

test('no component holds a label or a sentence of its own', () => {
  const files = ['src/islands', 'src/ui', 'src/layouts'].flatMap((folder) => filesIn(folder, /\.tsx$/))
  expect(files.length).toBeGreaterThan(60)
  // A unit, a sign of mathematics and the name of a key are the same in every language.
  const words = files.flatMap((file) =>
    textsIn(file)
      .filter((text) => /[A-Za-z]{3,}/.test(text) && !text.startsWith('var('))
      .map((text) => `${file}: ${text.trim()}`),
  )
  expect(words).toEqual([])
})

test('every label of a table is used', () => {
  const source = [
    'src/islands',
    'src/ui',
    'src/layouts',
    'src/pages',
    'src/report',
    'src/contract',
    'src/server',
    'src/sync',
    'src/drawing',
  ]
    .flatMap((folder) => filesIn(folder, /\.(tsx?|astro)$/))
    .concat('src/middleware.ts')
    .map((file) => readFileSync(file, 'utf8'))
  for (const file of filesIn('src/labels', /\.ts$/)) {
    const table = basename(file, '.ts')
    const users = source.filter((text) => text.includes(`labels/${table}'`)).join('\n')
    const keys = [...readFileSync(file, 'utf8').matchAll(/^ {2}(\w+):/gm)].map(([, key]) => key)
    expect(keys.length, table).toBeGreaterThan(0)
    expect(
      keys.filter((key) => !new RegExp(`say\\.${key}\\b`).test(users)),
      table,
    ).toEqual([])
  }
})
