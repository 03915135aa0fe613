/** `npm run compose -- ASSEMBLY[=NAME,NAME…] … [--inch]`: prints a limit book composed of assemblies of the kit, as JSON. */

import { assemblies } from '../src/core/kit/assemblies'
import { compose } from '../src/core/kit/compose'
import { emptyComposition } from '../src/core/kit/composition'
import { composeFaultWords } from '../src/labels/compose'

const BROKEN_INPUT = 2

function refuse(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`)
  process.exit(BROKEN_INPUT)
}

const words = process.argv.slice(2)
const system = words.includes('--inch') ? 'inch' : 'metric'
const wanted = words.filter((word) => word !== '--inch')
if (wanted.length === 0)
  refuse([
    'usage: npm run compose -- ASSEMBLY[=NAME,NAME...] ... [--inch]',
    ...assemblies.map(({ id, name }) => `  ${id.padEnd(22)} ${name}`),
  ])

let book = emptyComposition('composed', 'Composed machine')
const count = new Map<string, number>()
for (const word of wanted) {
  const [assembly = '', named] = word.split('=')
  const known = assemblies.find(({ id }) => id.toLowerCase() === assembly.toLowerCase())
  const number = (count.get(assembly) ?? 0) + 1
  count.set(assembly, number)
  const names = named?.split(',') ?? [number === 1 ? (known?.one ?? assembly) : `${known?.one ?? assembly} ${number}`]
  const made = compose(book, { assembly: known?.id ?? assembly, names, into: null, answers: {} }, system)
  if (!made.ok) refuse([composeFaultWords(made.fault)])
  book = made.value
}
process.stdout.write(`${JSON.stringify(book, null, 2)}\n`)
