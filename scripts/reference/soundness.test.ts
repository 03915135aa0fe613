/** Records in which a plausible sum misleads: what must follow from each, and what must not. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { z } from 'zod'
import { evaluate } from '../../src/core/evaluate/evaluate'
import type { Results } from '../../src/core/evaluate/results'
import { recordFaults } from '../../src/core/record/recordFaults'
import { recordSchema } from '../../src/core/record/recordSchema'
import { upgradeRecord } from '../../src/core/record/upgrade'

const FOLDERS = ['reference/soundness', 'reference/soundness2'] as const

const valueRefSchema = { characteristic: z.string().optional(), fit: z.string().optional(), value: z.string().optional() }
const plainSchema = z.strictObject({
  ...valueRefSchema,
  part: z.string().optional(),
  stage: z.string().optional(),
  verdict: z.string().optional(),
  notVerdict: z.string().optional(),
  verdictIn: z.array(z.string()).optional(),
  equals: z.number().optional(),
  within: z.number().optional(),
  uncertaintyAtLeast: z.number().optional(),
  uncertaintyAtMost: z.number().optional(),
  sameUncertainty: z.array(z.strictObject(valueRefSchema)).optional(),
  exit: z.number().optional(),
  gate: z.string().optional(),
  closing: z.string().optional(),
  firstSuspect: z.string().optional(),
  settledIn: z.string().optional(),
  openOnlyWithReason: z.boolean().optional(),
  orRefused: z.boolean().optional(),
  notGate: z.string().optional(),
  sameVerdictIn: z.string().optional(),
  orAbsent: z.boolean().optional(),
})
const itemSchema = plainSchema.extend({ anyOf: z.array(plainSchema).optional() })
type Item = z.infer<typeof itemSchema>
const caseSchema = z.strictObject({ file: z.string(), says: z.string(), expect: z.array(itemSchema) })
/** Files by their path; what an item holds one against lies in the same folder. */
const cases = FOLDERS.flatMap((folder) =>
  z
    .array(caseSchema)
    .parse(JSON.parse(readFileSync(join(folder, 'expect.json'), 'utf8')))
    .map(({ file, says, expect: items }) => ({
      file: join(folder, file),
      says,
      expect: items.map(({ settledIn, sameVerdictIn, ...item }) => ({
        ...item,
        ...(settledIn === undefined ? {} : { settledIn: join(folder, settledIn) }),
        ...(sameVerdictIn === undefined ? {} : { sameVerdictIn: join(folder, sameVerdictIn) }),
      })),
    })),
)

/** What `npm run evaluate` does with a file: its results, or null where it refuses the record. */
function evaluated(file: string): Results | null {
  const parsed = recordSchema.safeParse(upgradeRecord(JSON.parse(readFileSync(file, 'utf8'))))
  return parsed.success && recordFaults(parsed.data).length === 0 ? evaluate(parsed.data) : null
}

/** What was found instead; null where the item holds. */
function found(item: Item, results: Results | null): string | null {
  if (item.exit !== undefined) return results === null ? null : 'not refused'
  if (item.anyOf) {
    const all = item.anyOf.map((one) => found(one, results))
    return all.includes(null) ? null : all.join(' and ')
  }
  if (results === null) return item.orRefused ? null : 'refused'
  if (item.sameUncertainty) {
    const [a, b] = item.sameUncertainty.map((ref) => valueAt(results, ref)?.uncertainty ?? Number.NaN)
    return Math.abs((a ?? Number.NaN) - (b ?? Number.NaN)) <= (item.within ?? 0) ? null : `${a} and ${b}`
  }
  if (item.gate !== undefined) return results.scope.gate?.kind === item.gate ? null : `gate ${results.scope.gate?.kind}`
  if (item.notGate !== undefined) return results.scope.gate?.kind !== item.notGate ? null : `gate ${item.notGate}`
  if (item.closing !== undefined) {
    const first = results.crossChecks.find(({ id }) => id === item.closing)?.suspects[0]
    return first?.characteristic === item.firstSuspect ? null : `first ${first?.characteristic}`
  }
  return item.value === undefined ? verdictFault(item, results) : figureFault(item, results)
}

function figureFault(item: Item, results: Results): string | null {
  const value = valueAt(results, item)
  if (!value) return `no ${item.value}`
  const off = item.equals !== undefined && !(Math.abs((value.value ?? Number.NaN) - item.equals) <= (item.within ?? 0))
  if (off) return `${value.value}`
  const { uncertaintyAtLeast: least = 0, uncertaintyAtMost: most = Number.POSITIVE_INFINITY } = item
  return value.uncertainty >= least && value.uncertainty <= most ? null : `± ${value.uncertainty}`
}

function verdictFault(item: Item, results: Results): string | null {
  const named = item.part ?? item.fit ?? item.characteristic
  const list: readonly { id: string; verdict: string; stages: readonly { stage: string; verdict: string }[] }[] =
    item.part !== undefined ? results.parts : item.fit !== undefined ? results.fits : results.characteristics
  const whole = list.find(({ id }) => id === named)
  const verdict = item.stage === undefined ? whole?.verdict : whole?.stages.find(({ stage }) => stage === item.stage)?.verdict
  if (verdict === undefined) return item.orAbsent && whole ? null : `nothing for ${named}`
  if (item.sameVerdictIn !== undefined) {
    const other = evaluated(item.sameVerdictIn)?.parts.find(({ id }) => id === named)?.verdict
    return other === verdict ? null : `${named} ${verdict}, and ${other} in ${item.sameVerdictIn}`
  }
  if (item.settledIn !== undefined) {
    const before = evaluated(item.settledIn)?.parts.find(({ id }) => id === named)?.verdict
    return before === 'hold' || before === verdict ? null : `${before}, then ${verdict}`
  }
  if (item.openOnlyWithReason) {
    const votes = results.parts.find(({ id }) => id === named)?.votes ?? []
    return verdict !== 'hold' || votes.some(({ mild, strong }) => mild !== strong) ? null : 'hold without a vote'
  }
  const holds =
    (item.verdict === undefined || verdict === item.verdict) &&
    (item.notVerdict === undefined || verdict !== item.notVerdict) &&
    (item.verdictIn === undefined || item.verdictIn.includes(verdict))
  return holds ? null : `${named} ${verdict}`
}

function valueAt(results: Results, { characteristic, fit, value = '' }: Pick<Item, 'characteristic' | 'fit' | 'value'>) {
  if (fit !== undefined) {
    const of = results.fits.find(({ id }) => id === fit)
    return (value === 'minimum' ? of?.minimum : of?.maximum) ?? undefined
  }
  const values = results.characteristics.find(({ id }) => id === characteristic)?.reductions.values
  return Object.entries(values ?? {}).find(([name]) => name === value)?.[1]
}

test.each(cases)('$file: $says', ({ file, expect: items }) => {
  const results = evaluated(file)
  expect(items.flatMap((item) => found(item, results) ?? [])).toEqual([])
})
