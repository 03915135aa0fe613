import type { Characteristic, LimitBook } from '../book/bookSchema'
import { KIT_DOCUMENT } from '../book/kitDocument'
import { noBook } from '../book/noBook'
import { phases } from '../book/phases'
import type { BookStep, InspectionLevel } from '../book/procedureSchema'
import { gaugeKindName } from '../words/gauges'
import { everyMachine } from './assemblies/everyMachine'
import type { KitStep } from './assembly'

/** The level a composed machine is opened at: all of it. */
export const FULL = 'full'

const KIT_SOURCE = { document: KIT_DOCUMENT, page: 'every' }

const kitDocument = { id: KIT_DOCUMENT, title: everyMachine.document, revision: '' }

const everyStep = (): BookStep[] =>
  everyMachine.steps.map((step, at) =>
    bookStep(step, { id: `every-${at + 1}`, name: step.name, text: step.text, source: KIT_SOURCE, idOf: (local) => local }),
  )

const fullLevel = (): InspectionLevel => ({
  id: FULL,
  ...everyMachine.level,
  measures: 'all',
  renews: true,
  gate: null,
  needs: { gauges: [], tools: [], consumables: [], safety: [], people: [] },
})

const LAST = new Set(everyMachine.steps.flatMap(({ last }, at) => (last ? [`every-${at + 1}`] : [])))

/**
 * A procedure with more steps, phase by phase: before what comes last of its phase on every machine, and going back in
 * the reverse order of what was added.
 */
export const withSteps = (procedure: readonly BookStep[], more: readonly BookStep[]): BookStep[] =>
  phases.flatMap((phase) => {
    const own = procedure.filter((step) => step.phase === phase)
    const later = own.findIndex(({ id }) => (phase === 'rebuild' ? !id.startsWith('every-') : LAST.has(id)))
    const at = later < 0 ? own.length : later
    return [...own.slice(0, at), ...more.filter((step) => step.phase === phase), ...own.slice(at)]
  })

/** A machine nothing has been added to yet: what every machine is made safe by, and nothing else. */
export const emptyComposition = (machineId: string, title: string): LimitBook =>
  withBeginning({ ...noBook(machineId, title), id: `book-${machineId}`.slice(0, 80) })

/** A book that was not composed so far, as one that can be: with its level, and what every machine is made safe by. */
export function withBeginning(book: LimitBook): LimitBook {
  const hasLevel = book.levels.some(({ id }) => id === FULL)
  const hasDocument = book.documents.some(({ id }) => id === KIT_DOCUMENT)
  return {
    ...book,
    documents: hasDocument ? book.documents : [...book.documents, kitDocument],
    levels: hasLevel ? book.levels : [...book.levels, fullLevel()],
    procedure: hasLevel ? book.procedure : [...everyStep(), ...book.procedure],
  }
}

interface Placed {
  readonly id: string
  readonly name: string
  readonly text: string
  readonly source: NonNullable<BookStep['source']>
  readonly idOf: (local: string) => string
}

/** A step of the kit as a book has it. */
export const bookStep = (step: KitStep, { id, name, text, source, idOf }: Placed): BookStep => ({
  id,
  levels: [FULL],
  phase: step.phase,
  name,
  text,
  cautions: [...(step.cautions ?? [])],
  holdPoint: step.holdPoint ?? false,
  wait: step.wait ?? null,
  removes: (step.removes ?? []).map(idOf),
  destroys: (step.destroys ?? []).map(idOf),
  measures: (step.measures ?? []).map(idOf),
  source,
})

type Needs = InspectionLevel['needs']

/** What is laid out, with a gauge of each kind that something is measured with. */
export function withGaugesFor(needs: Needs, characteristics: readonly Characteristic[]): Needs {
  const asked = new Set(needs.gauges.map(({ kind }) => kind))
  const kinds = characteristics.flatMap(({ gaugeKind, otherGauges = {} }) => [gaugeKind, ...Object.values(otherGauges)])
  const more = [...new Set(kinds)].filter((kind) => kind !== 'eye' && !asked.has(kind))
  return {
    ...needs,
    gauges: [
      ...needs.gauges,
      ...more.map((kind) => ({
        id: `gauge-${kind}`,
        kind,
        name: gaugeKindName[kind],
        maximumPermissibleError: null,
        sizesMm: [],
      })),
    ],
  }
}
