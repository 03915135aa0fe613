/**
 * Of every value that any assembly of the kit wants judged: wear, setting or both, by what it is set and what it rests on. The
 * table stands in docs/settings.md; `NATURES=write npx vitest run src/core/kit/natures.test.ts` writes it anew.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { noBook } from '../book/noBook'
import { sidesOf } from '../fit/kinds'
import { settingOfFit } from '../fit/settingOfFit'
import { isNeverSet, type Setting, settingOf } from '../setting/setting'
import { valueName } from '../words/labels'
import { meansName } from '../words/settings'
import { assemblies } from './assemblies'
import { compose } from './compose'
import { figuresOf } from './everyAssembly.fixture'

const FILE = new URL('../../../docs/settings.md', import.meta.url)

/** Every assembly by every answer of each of its questions, one at a time. */
const composed = assemblies.flatMap((assembly) => {
  const figures = figuresOf(assembly)
  const each = assembly.questions.flatMap(({ id, answers }) =>
    typeof answers === 'string' ? [] : answers.map((answer) => ({ ...figures, [id]: answer })),
  )
  return [figures, ...each].map((answers) => {
    const made = compose(noBook('m', 'Machine'), { assembly: assembly.id, names: [assembly.one], into: null, answers }, 'metric')
    if (!made.ok) throw new Error(`${assembly.id}: ${JSON.stringify(made.fault)}`)
    return { assembly, book: made.value }
  })
})

interface Row {
  readonly assembly: string
  readonly name: string
  readonly value: string
  readonly setting: Setting | null
  readonly rests: string
}

const rows = composed.flatMap(({ assembly, book }): Row[] => {
  const short = (name: string): string => {
    const text = name.replace(`${assembly.one}: `, '')
    return text.charAt(0).toUpperCase() + text.slice(1)
  }
  const nameOf = (id: string): string => short(book.parts.find((part) => part.id === id)?.name ?? id)
  const row = (name: string, value: string, setting: Setting | null): Row => ({
    assembly: assembly.name,
    name: short(name),
    value,
    setting,
    rests: setting ? setting.chain.map(nameOf).join('; ') : '',
  })
  return [
    ...book.characteristics.flatMap((of) =>
      [...new Set((of.wants ?? []).map(({ judges }) => judges))].map((judges) =>
        row(of.name, valueName[judges], settingOf(of, { judges, whenPassed: 'mend' })),
      ),
    ),
    ...book.fits.map((fit) => {
      const parts = sidesOf(fit).flatMap((id) => book.characteristics.find((of) => of.id === id)?.part ?? [])
      return row(fit.name, 'Clearance', settingOfFit(fit, [fit.mendOn, ...parts], { whenPassed: 'mend' }))
    }),
  ]
})

const line = ({ assembly, name, value, setting, rests }: Row): string =>
  `| ${assembly} | ${name} | ${value} | ${setting ? (setting.is === 'both' ? 'wear and setting' : 'setting') : 'wear'} | ${setting ? meansName[setting.by] : ''} | ${rests} |`

test('the table of every value is the one that is written down', () => {
  const table = [...new Set(rows.map(line))]
  const text = [
    '# Wear or setting',
    '',
    'What the kit answers of every value it wants a limit for, until a book says otherwise. A setting that is out asks for',
    '**Adjust**: it counts only where the parts it rests on are measured inside their own limits and inspected.',
    '',
    '| Assembly | Measurement | Value | Tells of | Set by | Rests on |',
    '| --- | --- | --- | --- | --- | --- |',
    ...table,
    '',
  ].join('\n')
  if (process.env.NATURES === 'write') writeFileSync(FILE, text)
  expect(readFileSync(FILE, 'utf8')).toBe(text)
})

test('every setting rests on parts that are there; a ring gap is never set', () => {
  expect(rows.filter(({ setting }) => setting && setting.chain.length === 0)).toEqual([])
  const rings = composed.flatMap(({ book }) => book.characteristics.filter(({ method }) => isNeverSet(method.kind)))
  expect(rings.length).toBeGreaterThan(0)
  expect(rings.flatMap((of) => (of.wants ?? []).flatMap((limit) => settingOf(of, limit) ?? []))).toEqual([])
})

test('what is adjustable in the trade is so in the kit', () => {
  const isSet = (wanted: RegExp): boolean[] => [
    ...new Set(rows.filter(({ name, value }) => wanted.test(name) && value !== 'Range').map(({ setting }) => setting !== null)),
  ]
  for (const name of [
    /^Rim and face$/,
    /^Cap pinch$/,
    /^End play as (set|closed)$/,
    /^(Front|Back) gap at the vanes$/,
    /^Mounting distance$/,
  ])
    expect(isSet(name), String(name)).toEqual([true])
  for (const name of [/Bore Ø/, /Journal Ø/, /[Rr]ing gap/, /Crush/]) expect(isSet(name), String(name)).toEqual([false])
})
