/**
 * Books, records and results of version 1 as version 2 has them. Version 1 knew lengths only and named every value in
 * millimetres; from version 2 on a value is in the fixed unit of its quantity. Nothing else of it changed, so its keys are
 * renamed and no figure is touched.
 */
const RENAMED: Readonly<Record<string, string>> = {
  valueMm: 'value',
  uncertaintyMm: 'uncertainty',
  planMm: 'plan',
  wearMm: 'wear',
  nominalMm: 'nominal',
  lowerMm: 'lower',
  upperMm: 'upper',
  showToMm: 'showTo',
  guardMm: 'guard',
  perThousandHoursMm: 'perThousandHours',
  resolutionMm: 'resolution',
  maximumPermissibleErrorMm: 'maximumPermissibleError',
  repeatabilityLimitMm: 'repeatabilityLimit',
  rangeMm: 'range',
  limitMm: 'limitValue',
}

function renamed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(renamed)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [RENAMED[key] ?? key, renamed(inner)]))
}

export const bookFromVersion1 = (stored: object): object => ({ ...(renamed(stored) as object), version: 2 })

export function recordFromVersion1(stored: object): object {
  const record = renamed(stored) as { readonly book?: object }
  return { ...record, version: 2, ...(record.book ? { book: { ...record.book, version: 2 } } : {}) }
}

/** Results signed with a record of version 1, with what was true of every value then said out loud. */
export const resultsFromVersion1 = (results: unknown): unknown => spelledOut(renamed(results))

function spelledOut(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(spelledOut)
  if (value === null || typeof value !== 'object') return value
  const inner = Object.fromEntries(Object.entries(value).map(([key, of]) => [key, spelledOut(of)]))
  if ('value' in inner && ('uncertainty' in inner || 'label' in inner)) return { ...inner, quantity: 'length', interval: null }
  if ('value' in inner && 'text' in inner && 'repeat' in inner)
    return { ...inner, kind: 'point', low: null, high: null, correction: 0 }
  return inner
}
