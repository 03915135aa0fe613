/**
 * Older records read by today's schema. Version 1 knew lengths only and named every value in millimetres; from version 2
 * on a value is in the fixed unit of its quantity. Nothing else of it changed, so its keys are renamed and no figure is touched.
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

const isVersion1 = (value: unknown): value is { readonly version: 1 } =>
  value !== null && typeof value === 'object' && 'version' in value && value.version === 1

/** A limit book as stored, in today's version; one of no version we know is left for the schema to refuse. */
export const upgradeBook = (stored: unknown): unknown =>
  isVersion1(stored) ? { ...(renamed(stored) as object), version: 2 } : stored

/** A record as stored, with the book in it, in today's version. */
export function upgradeRecord(stored: unknown): unknown {
  if (!isVersion1(stored)) return stored
  const record = renamed(stored) as { readonly book?: unknown }
  return { ...record, version: 2, book: upgradeBook(record.book) }
}

/** Results signed with a record of version 1, with today's names, and what was true of every value then said out loud. */
export const upgradeResults = (results: unknown, record: unknown): unknown =>
  isVersion1(record) ? spelledOut(renamed(results)) : results

function spelledOut(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(spelledOut)
  if (value === null || typeof value !== 'object') return value
  const inner = Object.fromEntries(Object.entries(value).map(([key, of]) => [key, spelledOut(of)]))
  if ('value' in inner && ('uncertainty' in inner || 'label' in inner)) return { ...inner, quantity: 'length', interval: null }
  if ('value' in inner && 'text' in inner && 'repeat' in inner)
    return { ...inner, kind: 'point', low: null, high: null, correction: 0 }
  return inner
}
