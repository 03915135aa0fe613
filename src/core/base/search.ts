/** Search as people type it: every word, wherever it stands, in capitals or not. Nothing typed finds everything. */
export function hasWords(text: string, typed: string): boolean {
  const within = text.toLowerCase()
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => within.includes(word))
}
