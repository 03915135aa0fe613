import { z } from 'zod'

/**
 * Reads what a report said from results of any version: its figures and its verdicts, by name. Results before version 3
 * held no contributions by source and judged what was found alone; how their core explained itself is printed as it was
 * signed and compared with nothing.
 */
const endsSchema = z.object({ low: z.number().nullable(), high: z.number().nullable() }).nullable().optional()
const valueSchema = z.object({ value: z.number().nullable(), interval: endsSchema })
const spanSchema = z.object({ mild: z.string(), strong: z.string() })
const signedSchema = z.object({
  scope: z.object({ gate: z.object({ kind: z.string() }).nullable() }).optional(),
  characteristics: z.array(
    spanSchema.extend({ id: z.string(), reductions: z.object({ values: z.record(z.string(), valueSchema) }) }),
  ),
  fits: z.array(
    z.object({ id: z.string(), verdict: z.string(), minimum: valueSchema.nullable(), maximum: valueSchema.nullable() }),
  ),
  parts: z.array(spanSchema.extend({ id: z.string() })),
})

type Said = ReadonlyMap<string, string>

const figure = ({ value, interval }: z.infer<typeof valueSchema>): string =>
  value === null ? `${interval?.low ?? 'unbounded'} … ${interval?.high ?? 'unbounded'}` : String(value)
const verdict = ({ mild, strong }: z.infer<typeof spanSchema>): string => (mild === strong ? mild : `${mild}…${strong}`)

/** Figures and verdicts of results of any version, by name. Throws when they are no results. */
function figuresAndVerdicts(results: unknown): Said {
  const { scope, characteristics, fits, parts } = signedSchema.parse(results)
  const said = new Map<string, string>()
  if (scope?.gate) said.set('gate', scope.gate.kind)
  for (const { id, reductions, ...span } of characteristics) {
    for (const [name, value] of Object.entries(reductions.values)) said.set(`${id}.${name}`, figure(value))
    said.set(`${id}.verdict`, verdict(span))
  }
  for (const { id, minimum, maximum, verdict: says } of fits) {
    if (minimum) said.set(`${id}.minimum`, figure(minimum))
    if (maximum) said.set(`${id}.maximum`, figure(maximum))
    said.set(`${id}.verdict`, says)
  }
  for (const { id, ...span } of parts) said.set(`${id}.verdict`, verdict(span))
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
