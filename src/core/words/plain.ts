/** So many of something: “1 reading”, “3 readings”. */
export const counted = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`

/** Names one after the other; of many the first few, and how many more. */
const MOST_LISTED = 4
export function listed(names: readonly string[]): string {
  const shown = names.slice(0, MOST_LISTED).join('; ')
  return names.length > MOST_LISTED ? `${shown} and ${names.length - MOST_LISTED} more` : shown
}

/** A unit as it stands after a figure; what is counted has none. */
export const afterFigure = (unit: string): string => (unit === '' ? '' : ` ${unit}`)

/** 1st, 2nd, 3rd, 11th. */
export function ordinal(count: number): string {
  const last = count % 100
  if (last >= 11 && last <= 13) return `${count}th`
  return `${count}${({ 1: 'st', 2: 'nd', 3: 'rd' } as Readonly<Record<number, string>>)[count % 10] ?? 'th'}`
}
