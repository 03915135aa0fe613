/** The core speaks in codes and facts: what a person reads is made in this room alone. What the kit brings into a book is content. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { expect, test } from 'vitest'

/** Texts with a space in them that no person reads: units as they are typed, keys made of parts, the last row of a typed table, the source that is none, words looked for in names. */
const KEYS: ReadonlySet<string> = new Set([
  'kn m',
  'lbf ft',
  'ft lb',
  'lb ft',
  'lbf in',
  'in lb',
  'lb in',
  'spread at …',
  'as found',
  'no document',
  'drive side',
  'free side',
  'above: …',
])

function textsIn(file: string): string[] {
  const found: string[] = []
  const walk = (node: ts.Node): void => {
    // What is thrown is for who mends the program.
    if (ts.isImportDeclaration(node) || ts.isThrowStatement(node) || ts.isLiteralTypeNode(node)) return
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text)
    if (ts.isTemplateExpression(node))
      found.push([node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…'))
    ts.forEachChild(node, walk)
  }
  walk(ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest))
  return found
}

test('no sentence stands in the core outside its words', () => {
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.ts$/.test(file) && !/\.(test|fixture)\.ts$|^words\/|^kit\/assemblies\//.test(file))
    .map((file) => join('src/core', file))
  expect(files.length).toBeGreaterThan(150)
  const english = files.flatMap((file) =>
    textsIn(file)
      .filter((text) => /[A-Za-z]{2,}[,:]? [A-Za-z…]|[…] [a-z]{2,}/.test(text) && !KEYS.has(text))
      .map((text) => `${file}: ${text}`),
  )
  expect(english).toEqual([])
})
