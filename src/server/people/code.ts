import { createHash, randomBytes } from 'node:crypto'

/** Letters and figures of which none is mistaken for another when it is read out. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'

/** A one-time code that is read out and typed: 20 letters in four groups. */
export function newCode(): string {
  const drawn = [...randomBytes(20)].map((byte) => LETTERS[byte % LETTERS.length] ?? 'a')
  return [0, 5, 10, 15].map((at) => drawn.slice(at, at + 5).join('')).join('-')
}

/** What is kept of a code. Capitals and white space around it say nothing. */
export const codeHash = (code: string): string => createHash('sha256').update(code.trim().toLowerCase(), 'utf8').digest('hex')
