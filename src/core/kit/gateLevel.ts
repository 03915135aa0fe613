import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import { KIT_DOCUMENT } from '../book/kitDocument'
import type { BookStep } from '../book/procedureSchema'
import { everyMachine } from './assemblies/everyMachine'
import type { ComposeFault } from './compose'
import { bookStep, FULL, withGaugesFor, withSteps } from './composition'

/** The level of a composed machine that ends at its gate where everything holds. */
const GATE = 'gate-inspection'
const GATE_STEP = `${GATE}-step`

/** What decides the gate of a composed machine; empty where it has none. */
export const gateMeasures = ({ levels }: Pick<LimitBook, 'levels'>): readonly string[] =>
  levels.find(({ id }) => id === GATE)?.gate?.measures ?? []

/**
 * The book with a gate inspection that is decided by these measurements, or without one. It makes the machine safe, takes
 * what it measures, and hands the machine back; the overhaul follows where one of them does not hold.
 */
export function withGate(book: LimitBook, measures: readonly string[]): Result<LimitBook, ComposeFault> {
  const unknown = measures.find((id) => !book.characteristics.some((own) => own.id === id))
  if (unknown !== undefined) return err({ code: 'noMeasurement', id: unknown })
  const levels = book.levels.filter(({ id }) => id !== GATE)
  const full = levels.find(({ id }) => id === FULL)
  const procedure = book.procedure.filter(({ id }) => id !== GATE_STEP)
  const decides = new Set(measures)
  const without = { ...book, levels, procedure: procedure.map((step) => ({ ...step, levels: only(step, levels) })) }
  if (!full || decides.size === 0) return ok(without)
  const chosen = book.characteristics.filter(({ id }) => decides.has(id))
  const needs = { ...full.needs, gauges: [], tools: [], consumables: [] }
  const step = bookStep(
    { phase: 'gate', ...everyMachine.gate.step, measures: [...decides] },
    {
      id: GATE_STEP,
      ...everyMachine.gate.step,
      source: { document: KIT_DOCUMENT, page: 'every' },
      idOf: (id) => id,
    },
  )
  return ok({
    ...without,
    levels: [
      {
        id: GATE,
        ...everyMachine.gate.level,
        measures: [...decides],
        renews: false,
        gate: { measures: [...decides], grows: FULL },
        needs: withGaugesFor(needs, chosen),
      },
      ...levels,
    ],
    procedure: withSteps(
      without.procedure.map((own) => (isOfGate(own, decides) ? { ...own, levels: [GATE, ...own.levels] } : own)),
      [{ ...step, levels: [GATE] }],
    ),
  })
}

/** Whatever else changed, the gate takes what stands now. */
export function withGateAgain(book: LimitBook): LimitBook {
  if (!book.levels.some(({ id }) => id === GATE)) return book
  const made = withGate(book, gateMeasures(book))
  return made.ok ? made.value : book
}

const only = ({ levels }: BookStep, left: LimitBook['levels']): string[] =>
  levels.filter((id) => left.some((level) => level.id === id))

/** Made safe and handed back as for an overhaul; between them, only what takes one of its measurements. */
const isOfGate = ({ id, phase, measures }: BookStep, decides: ReadonlySet<string>): boolean =>
  phase === 'makeSafe' ||
  (id.startsWith('every-') && (phase === 'asFound' || phase === 'rebuild' || phase === 'prove')) ||
  (phase === 'asFound' && measures.some((of) => decides.has(of)))
