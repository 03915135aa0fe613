import { z } from 'zod'

/**
 * Reads what a report said from results of any version: its figures and its verdicts, by name. Results before version 3
 * held no contributions by source and judged what was found alone; how their core explained itself is printed as it was
 * signed and compared with nothing.
 */
const endsSchema = z.object({ low: z.number().nullable(), high: z.number().nullable() }).nullable().optional()
const valueSchema = z.object({ value: z.number().nullable(), interval: endsSchema })
const spanSchema = z.object({ mild: z.string(), strong: z.string() })
const reducedSchema = z.object({ reductions: z.object({ values: z.record(z.string(), valueSchema) }) })
const fitSchema = z.object({ verdict: z.string(), minimum: valueSchema.nullable(), maximum: valueSchema.nullable() })
/** What followed at the stages after it was found; results before version 3 have none. */
const staged = <S extends z.ZodRawShape>(shape: z.ZodObject<S>) => z.array(shape.extend({ stage: z.string() })).default([])
const signedSchema = z.object({
  scope: z.object({ gate: z.object({ kind: z.string() }).nullable() }).optional(),
  characteristics: z.array(
    spanSchema.extend(reducedSchema.shape).extend({ id: z.string(), stages: staged(spanSchema.extend(reducedSchema.shape)) }),
  ),
  fits: z.array(fitSchema.extend({ id: z.string(), stages: staged(fitSchema) })),
  parts: z.array(spanSchema.extend({ id: z.string(), stages: staged(spanSchema) })),
  crossChecks: z.array(z.object({ id: z.string(), standing: z.string() })).default([]),
})

type Spanned = z.infer<typeof spanSchema>
type Said = ReadonlyMap<string, string>

const figure = ({ value, interval }: z.infer<typeof valueSchema>): string =>
  value === null ? `${interval?.low ?? 'unbounded'} … ${interval?.high ?? 'unbounded'}` : String(value)
const verdict = ({ mild, strong }: Spanned): string => (mild === strong ? mild : `${mild}…${strong}`)

/** Figures and verdicts of results of any version, by name. Throws when they are no results. */
function figuresAndVerdicts(results: unknown): Said {
  const { scope, characteristics, fits, parts, crossChecks } = signedSchema.parse(results)
  const said = new Map<string, string>()
  if (scope?.gate) said.set('gate', scope.gate.kind)
  const sayMeasured = (at: string, { reductions, ...span }: Spanned & z.infer<typeof reducedSchema>): void => {
    for (const [name, value] of Object.entries(reductions.values)) said.set(`${at}.${name}`, figure(value))
    said.set(`${at}.verdict`, verdict(span))
  }
  const sayFit = (at: string, { minimum, maximum, verdict: says }: z.infer<typeof fitSchema>): void => {
    if (minimum) said.set(`${at}.minimum`, figure(minimum))
    if (maximum) said.set(`${at}.maximum`, figure(maximum))
    said.set(`${at}.verdict`, says)
  }
  for (const { id, stages, ...found } of characteristics) {
    sayMeasured(id, found)
    for (const { stage, ...later } of stages) sayMeasured(`${id}.${stage}`, later)
  }
  for (const { id, stages, ...found } of fits) {
    sayFit(id, found)
    for (const { stage, ...later } of stages) sayFit(`${id}.${stage}`, later)
  }
  for (const { id, stages, ...span } of parts) {
    said.set(`${id}.verdict`, verdict(span))
    for (const { stage, ...later } of stages) said.set(`${id}.${stage}.verdict`, verdict(later))
  }
  for (const { id, standing } of crossChecks) said.set(`${id}.standing`, standing)
  return said
}

/** A figure or a verdict that is another one today; null when it is not there at all. */
export interface Changed {
  readonly at: string
  readonly was: string
  readonly now: string | null
}

/** Every figure and verdict of signed results that today’s core does not give; what it says besides was not signed. */
export function changedSince(signed: unknown, today: unknown): Changed[] {
  const now = figuresAndVerdicts(today)
  return [...figuresAndVerdicts(signed)]
    .filter(([name, was]) => now.get(name) !== was)
    .map(([at, was]) => ({ at, was, now: now.get(at) ?? null }))
}
