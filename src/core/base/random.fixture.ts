/** Small generator of uniform numbers (mulberry32, public domain), and what tests make of them: the same on every run. */
export function randomFrom(seed: number) {
  let state = seed
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
  const integer = (below: number): number => Math.floor(uniform() * below)
  return {
    uniform,
    integer,
    normal: (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    chance: (of: number): boolean => uniform() < of,
    pick: <T>(items: readonly T[]): T => items[integer(items.length)] as T,
  }
}
export type Random = ReturnType<typeof randomFrom>

/** The first few of so many seeds for which something does not hold, each with its sentence. */
export function brokenFrom(seed: number, count: number, sentenceOf: (seed: number) => string | null | undefined): string[] {
  const broken: string[] = []
  for (let at = seed; at < seed + count && broken.length < MOST_TOLD; at += 1) {
    const sentence = sentenceOf(at)
    if (sentence) broken.push(sentence)
  }
  return broken
}
const MOST_TOLD = 5
