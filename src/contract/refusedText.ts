import type { EntryBody } from '../core/notes/entrySchema'

/** Keys that hold ids and kinds, not what somebody typed. */
const NO_WORDS: ReadonlySet<string> = new Set([
  'kind',
  'id',
  'sha256',
  'judges',
  'side',
  'whenPassed',
  'severity',
  'since',
  'wears',
  'gaugeKind',
])

/** Everything a person typed in something noted, after the words that say what it was: to be read, copied and typed elsewhere. */
export function refusedText(body: EntryBody, words: string): string {
  const typed: string[] = []
  const look = (value: unknown): void => {
    if (typeof value === 'string') {
      if (value.trim() !== '' && !words.includes(value) && !typed.includes(value)) typed.push(value)
    } else if (typeof value === 'object' && value !== null)
      for (const [key, item] of Object.entries(value)) if (!NO_WORDS.has(key)) look(item)
  }
  look(body)
  return [words, ...typed].join('\n')
}
