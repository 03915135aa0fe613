import { isPlainObject } from '../base/plainObject'
import { err, ok, type Result } from '../base/result'
import { figureText, readFigure } from '../quantity/figureText'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { type CellContext, type CellFault, type Codec, textOf } from './codec'

const partsOf = (cell: string | number | boolean): string[] =>
  textOf(cell)
    .split(';')
    .map((one) => one.trim())
    .filter((one) => one !== '')

/** Ids or short texts, one after the other: `bore; journal`. */
export const list = (empty: readonly [] | undefined): Codec => ({
  empty,
  encode: (value) =>
    Array.isArray(value) && value.length > 0 && value.every((one) => typeof one === 'string') ? value.join('; ') : null,
  decode: (cell) => ok(partsOf(cell)),
})

/** One word that stands for all, or a list. */
export const listOr = (word: string): Codec => ({
  empty: [],
  encode: (value) => (value === word ? word : list([]).encode(value, NO_CONTEXT)),
  decode: (cell) => (textOf(cell).toLowerCase() === word ? ok(word) : ok(partsOf(cell))),
})
const NO_CONTEXT: CellContext = { system: 'metric', quantity: null, classOf: null }

/** Entries of an id and what it is called: `F = front; M = middle`; the id alone where both are the same. */
export const named = (called: 'label' | 'name', empty: readonly [] | undefined): Codec => ({
  empty,
  encode: (value) => {
    if (!Array.isArray(value) || value.length === 0) return null
    return value.map(({ id, [called]: name }) => (name === id ? String(id) : `${id} = ${name}`)).join('; ')
  },
  decode: (cell) => {
    const entries = partsOf(cell).map((one) => {
      const [id = '', ...rest] = one.split('=').map((half) => half.trim())
      return { id, [called]: rest.length === 0 ? id : rest.join('=') }
    })
    return entries.every(({ id }) => id !== '') ? ok(entries) : err({ code: 'notAList', text: textOf(cell) })
  },
})

/** Values that want a limit, by the side it stands on: `maximum upper; minimum lower`. */
export const wanted: Codec = {
  empty: undefined,
  encode: (value) =>
    Array.isArray(value) && value.length > 0 ? value.map(({ judges, side }) => `${judges} ${side}`).join('; ') : null,
  decode: (cell) => {
    const wants = partsOf(cell).map((one) => one.split(/\s+/))
    if (wants.some(({ length }) => length !== 2)) return err({ code: 'notAList', text: textOf(cell) })
    return ok(wants.map(([judges, side]) => ({ judges, side })))
  },
}

/** A field of an entry of a list, as it stands between the slashes. */
interface Piece {
  readonly key: string
  /** Null: a text as it is; else a figure, or several with blanks between. */
  readonly of: QuantityKind | 'number' | 'figures' | null
}
const pieceText = ({ of }: Piece, value: unknown, system: UnitSystem): string => {
  if (value === null || value === undefined) return ''
  if (of === 'figures')
    return Array.isArray(value) ? value.map((one) => figureText(one, 'length', system).replaceAll(' ', '_')).join(' ') : ''
  return of === null ? String(value) : figureText(value, of === 'number' ? null : of, system)
}
function pieceOf({ of }: Piece, text: string, system: UnitSystem): Result<unknown, CellFault> {
  if (of === 'figures') {
    const read = text
      .split(/\s+/)
      .filter((one) => one !== '')
      .map((one) => readFigure(one.replaceAll('_', ' '), 'length', system))
    const wrong = read.find((one) => !one.ok)
    return wrong && !wrong.ok ? err({ code: 'figure', why: wrong.fault }) : ok(read.flatMap((one) => (one.ok ? [one.value] : [])))
  }
  if (of === null) return ok(text === '' ? null : text)
  if (text === '') return ok(null)
  const read = readFigure(text, of === 'number' ? null : of, system)
  return read.ok ? read : err({ code: 'figure', why: read.fault })
}

/**
 * Entries of an id, what it is called, and more of them behind slashes: `1 = up / 90; 2 = level / 0`. What is empty at the end is
 * left out.
 */
export const entries = (called: 'label' | 'name', empty: readonly [] | undefined, ...pieces: readonly Piece[]): Codec => ({
  empty,
  encode: (value, { system }) => {
    if (!Array.isArray(value) || value.length === 0) return null
    return value
      .map((one) => {
        const name = one[called] === one.id ? String(one.id) : `${one.id} = ${one[called]}`
        const rest = pieces.map((piece) => pieceText(piece, one[piece.key], system))
        while (rest.at(-1) === '') rest.pop()
        return [name, ...rest].join(' / ')
      })
      .join('; ')
  },
  decode: (cell, { system }) => {
    const made: unknown[] = []
    for (const part of partsOf(cell)) {
      const [head = '', ...rest] = part.split(' / ').map((one) => one.trim())
      const [id = '', ...name] = head.split('=').map((half) => half.trim())
      if (id === '' || rest.length > pieces.length) return err({ code: 'notAList', text: textOf(cell) })
      const entry: Record<string, unknown> = { id, [called]: name.length === 0 ? id : name.join('=') }
      for (const [at, piece] of pieces.entries()) {
        const read = pieceOf(piece, rest[at] ?? '', system)
        if (!read.ok) return read
        // What nothing is said of may be null, or may not be there at all: the schema knows.
        if (read.value !== null) entry[piece.key] = read.value
      }
      made.push(entry)
    }
    return ok(made)
  },
})
export const piece = (key: string, of: Piece['of'] = null): Piece => ({ key, of })

/** Pairs of sizes: `0.5 = 0.10; 0.6 = 0.08`. */
export const pairs = (first: string, second: string): Codec => ({
  empty: undefined,
  encode: (value, { system }) =>
    Array.isArray(value) && value.length > 0
      ? value
          .map((one) => `${figureText(one[first], 'length', system)} = ${figureText(one[second], 'length', system)}`)
          .join('; ')
      : null,
  decode: (cell, { system }) => {
    const made: unknown[] = []
    for (const part of partsOf(cell)) {
      const read = part.split('=').map((half) => readFigure(half, 'length', system))
      const [one, other] = read
      if (!one || !other || read.length !== 2) return err({ code: 'notAList', text: textOf(cell) })
      if (!one.ok) return err({ code: 'figure', why: one.fault })
      if (!other.ok) return err({ code: 'figure', why: other.fault })
      made.push({ [first]: one.value, [second]: other.value })
    }
    return ok(made)
  },
})

/** What the names of a formula stand for: `a = journal: minimum; b = bore: maximum`. */
export const formulaNames: Codec = {
  empty: undefined,
  encode: (value) =>
    isPlainObject(value) && Object.keys(value).length > 0
      ? Object.entries(value)
          .map(([name, of]) => (isPlainObject(of) ? `${name} = ${of.characteristic}: ${of.value}` : ''))
          .join('; ')
      : null,
  decode: (cell) => {
    const named = partsOf(cell).map((part) => /^(\S+)\s*=\s*(\S+):\s*(\S+)$/.exec(part))
    if (named.some((one) => one === null)) return err({ code: 'notAList', text: textOf(cell) })
    return ok(Object.fromEntries(named.map((one) => [one?.[1], { characteristic: one?.[2], value: one?.[3] }])))
  },
}
