/** `npm run words`: every sentence and label that a person can see, view by view, to be read from top to bottom. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** Views in the order in which an inspector meets them; what is not named here comes after. */
const ORDER = [
  'signIn',
  'shopFloor',
  'openJob',
  'job',
  'plan',
  'steps',
  'strip',
  'look',
  'bench',
  'benchDialogs',
  'limits',
  'fits',
  'verdicts',
  'report',
  'signing',
  'verify',
  'trends',
  'history',
  'gauges',
  'picture',
  'notes',
  'offline',
  'drawings',
  'shell',
  'refusals',
  'bodies',
]
const rank = (name: string): number => (ORDER.includes(name) ? ORDER.indexOf(name) : ORDER.length)

/** A template with its facts in braces: “{name} is not measured yet”. */
const templateText = ({ head, templateSpans }: ts.TemplateExpression): string =>
  head.text + templateSpans.map(({ expression, literal }) => `{${factOf(expression)}}${literal.text}`).join('')

function factOf(expression: ts.Expression): string {
  if (ts.isIdentifier(expression)) return expression.text
  if (ts.isPropertyAccessExpression(expression)) return expression.name.text
  if (ts.isElementAccessExpression(expression)) return factOf(expression.expression)
  if (ts.isCallExpression(expression)) return factOf(expression.arguments[0] ?? expression.expression)
  return '…'
}

const isText = (text: string): boolean =>
  /[A-Za-z]{2}/.test(text) && (/[ ’…]/.test(text) || /^[A-Z+✓!“(·;,]/.test(text) || text.length > 3)

/** Every text of a file in the order in which it stands, once each. */
function textsIn(path: string, keep: (node: ts.Node, text: string) => boolean): string[] {
  const texts = new Set<string>()
  const walk = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || (ts.isCaseClause(node.parent) && node === node.parent.expression))
      return
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (keep(node, node.text)) texts.add(node.text)
    } else if (ts.isTemplateExpression(node)) {
      const text = templateText(node)
      if (keep(node, text)) texts.add(text)
    }
    ts.forEachChild(node, walk)
  }
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true)
  ts.forEachChild(source, walk)
  return [...texts]
}

/** A code stands where a sentence could: in a comparison, or as one word in lower case. */
const isSentence = (node: ts.Node, text: string): boolean =>
  isText(text) && !ts.isBinaryExpression(node.parent) && !/^[a-z]+([A-Z][a-z]*)*$/.test(text)

const filesOf = (folder: string): string[] =>
  readdirSync(folder)
    .filter((file) => /\.ts$/.test(file) && !/\.test\.ts$/.test(file))
    .map((file) => file.replace(/\.ts$/, ''))
    .sort((a, b) => rank(a) - rank(b) || a.localeCompare(b))

function print(folder: string, title: string, keep: (node: ts.Node, text: string) => boolean): void {
  process.stdout.write(`${title}\n${'='.repeat(title.length)}\n`)
  for (const name of filesOf(folder)) {
    const texts = textsIn(join(folder, `${name}.ts`), keep)
    if (texts.length > 0) process.stdout.write(`\n${name}\n${texts.map((text) => `  ${text}`).join('\n')}\n`)
  }
  process.stdout.write('\n')
}

print('src/labels', 'Labels, view by view', (_, text) => /\p{L}/u.test(text))
print('src/core/words', 'Sentences of the core', isSentence)
