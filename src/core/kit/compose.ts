import { err, ok, type Result } from '../base/result'
import { slug } from '../base/slug'
import type { Characteristic, FitSpec, LimitBook, Part } from '../book/bookSchema'
import { KIT_DOCUMENT } from '../book/kitDocument'
import { neverGiven } from '../book/neverGiven'
import { plainPosition } from '../book/plainPosition'
import type { BookPosition, BookStep, FindingRule } from '../book/procedureSchema'
import { withOneMoreAlike } from '../fit/alike'
import type { EqualParts } from '../fit/equalPartsSchema'
import type { MethodKind } from '../method/kinds'
import { setUpMethod, usualGaugeOf } from '../method/setUp/setUp'
import type { SetUpFault } from '../method/setUp/setUpFault'
import type { UnitSystem } from '../quantity/unitSystem'
import { assemblies } from './assemblies'
import { everyMachine } from './assemblies/everyMachine'
import type { Assembly, KitMate, KitMeasure } from './assembly'
import { bookStep, FULL, withBeginning, withGaugesFor, withSteps } from './composition'
import { type AnswerFault, answersOf, figureOf, filledIn, isThere, isTyped, type KitAnswers, shaped } from './shape'

/** An assembly to be added: how its instances are called, where they sit, and what shapes them. */
export interface Addition {
  readonly assembly: string
  readonly names: readonly string[]
  /** Position that holds them; null: the machine itself. */
  readonly into: string | null
  readonly answers: KitAnswers
}

export type ComposeFault =
  | AnswerFault
  | { readonly code: 'noAssembly'; readonly assembly: string }
  | { readonly code: 'noPosition'; readonly position: string }
  | { readonly code: 'noMeasurement'; readonly id: string }
  | { readonly code: 'intoItself' }
  | { readonly code: 'noName' }
  | { readonly code: 'nameTaken'; readonly name: string }
  /** Figures that are right one by one and make no measurement together: a longer test length below the shorter one. */
  | { readonly code: 'noMethod'; readonly measurement: string; readonly by: MethodKind; readonly why: readonly SetUpFault[] }

/**
 * The book with an assembly added: its positions, parts, measurements, fits, checks, rules and steps, once for each name.
 * No limit comes with it; what wants one says so. The book that is given stays as it is.
 */
export function compose(book: LimitBook, addition: Addition, system: UnitSystem): Result<LimitBook, ComposeFault> {
  const assembly = assemblies.find(({ id }) => id === addition.assembly)
  if (!assembly) return err({ code: 'noAssembly', assembly: addition.assembly })
  const { into } = addition
  const holder = book.positions.find(({ id }) => id === into)
  if (into !== null && !holder) return err({ code: 'noPosition', position: into })
  const answers = answersOf(assembly, addition.answers, system)
  if (!answers.ok) return answers
  const names = addition.names.map((name) => name.trim())
  if (names.length === 0 || names.some((name) => name === '')) return err({ code: 'noName' })
  const taken = new Set(book.positions.map(({ name }) => name.toLowerCase()))
  let made = withBeginning(book)
  const first = made.characteristics.length
  for (const name of names) {
    if (taken.has(name.toLowerCase())) return err({ code: 'nameTaken', name })
    taken.add(name.toLowerCase())
    const added = new Instance(made, shaped(assembly, answers.value), answers.value, system, name, into).added()
    if (!added.ok) return added
    made = added.value
  }
  return ok(withEqualPlaces(made, first, names.length))
}

/** The same assembly added several times at once stands at equal places: what is measured of one is measured of all. */
function withEqualPlaces(book: LimitBook, first: number, times: number): LimitBook {
  const added = book.characteristics.slice(first)
  const each = added.length / times
  const equalParts = added
    .slice(each)
    .reduce<EqualParts[]>(
      (sets, { id }, at) => withOneMoreAlike(sets, added[at % each] as Characteristic, id),
      [...(book.equalParts ?? [])],
    )
  return equalParts.length === 0 ? book : { ...book, equalParts }
}

/** Least lengths shown: as a workshop reads them in its units. */
const SHOWN: Readonly<Record<UnitSystem, { readonly usual: number; readonly fine: number }>> = {
  metric: { usual: 0.01, fine: 0.001 },
  inch: { usual: 0.0254, fine: 0.00254 },
}
const lowered = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text)

/** One instance of an assembly on its way into a book. */
class Instance {
  private readonly prefix: string
  private readonly source: { readonly document: string; readonly page: string }
  constructor(
    private readonly book: LimitBook,
    private readonly assembly: Assembly,
    private readonly answers: KitAnswers,
    private readonly system: UnitSystem,
    private readonly name: string,
    private readonly into: string | null,
  ) {
    this.source = { document: KIT_DOCUMENT, page: assembly.name.slice(0, 40) }
    this.prefix = freePrefix(book, slug(name) || slug(assembly.one))
  }

  private readonly id = (local: string): string => `${this.prefix}-${local}`
  private readonly named = (text: string): string => `${this.name}: ${lowered(this.filled(text))}`.slice(0, 200)
  private readonly filled = (text: string): string => filledIn(text, this.answers)

  added(): Result<LimitBook, ComposeFault> {
    const { book, assembly } = this
    const measured: Characteristic[] = []
    for (const measure of assembly.measures) {
      const made = this.characteristic(measure)
      if (!made.ok) return made
      measured.push(made.value)
    }
    const characteristics = [...book.characteristics, ...measured]
    return ok({
      ...book,
      parts: [...book.parts, ...assembly.parts.map((part) => this.part(part))],
      positions: [...book.positions, this.root(), ...assembly.parts.map((part) => this.position(part))],
      characteristics,
      fits: [...book.fits, ...(assembly.mates ?? []).map((mate) => this.fit(mate))],
      crossChecks: [...(book.crossChecks ?? []), ...this.checks()],
      findingRules: [...book.findingRules, ...this.rules()],
      handTests: [...book.handTests, ...this.handTests()],
      procedure: withSteps(book.procedure, this.steps()),
      levels: book.levels.map((level) =>
        level.id === FULL ? { ...level, needs: withGaugesFor(this.needs(level.needs), characteristics) } : level,
      ),
    })
  }

  private root(): BookPosition {
    return { ...plainPosition, id: this.prefix, name: this.name, parent: this.into }
  }

  private position(part: Assembly['parts'][number]): BookPosition {
    const { count = 1, faces = [], keptWith = [], clock, loose, special, asks, form } = part
    return {
      ...plainPosition,
      id: this.id(part.id),
      name: this.named(part.name),
      parent: part.in === undefined ? this.prefix : this.id(part.in),
      part: this.id(part.id),
      count: typeof count === 'number' ? count : Number(this.filled(count)) || 1,
      faces: [...faces],
      keptWith: keptWith.map(this.id),
      clock: clock ?? null,
      loose: loose ?? null,
      special: special ?? null,
      asks: asks ?? 'nothing',
      form: form ?? 'round',
    }
  }

  private part({ id, name, renewed, set, routes = [] }: Assembly['parts'][number]): Part {
    const { source } = this
    const service = [
      ...(renewed === 'disturbed' ? [{ kind: 'whenDisturbed' as const, source }] : []),
      ...(set && set.length > 0 ? [{ kind: 'set' as const, parts: set.map(this.id), source }] : []),
    ]
    return {
      id: this.id(id),
      name: this.named(name),
      assembly: this.name,
      position: this.holderName(),
      renewedAlways: renewed === 'always',
      ...(service.length > 0 ? { service } : {}),
      replacement: null,
      routes: routes.map((route) => ({
        id: slug(route.name),
        name: route.name,
        mends: route.mends.map(this.id),
        effect: route.effect,
        sizeAfter: null,
        ...(route.restores ? { restores: [...route.restores] } : {}),
        cost: null,
        days: null,
        source,
      })),
    }
  }

  private holderName(): string {
    return this.book.positions.find(({ id }) => id === this.into)?.name ?? everyMachine.onIt
  }

  private characteristic(measure: KitMeasure): Result<Characteristic, ComposeFault> {
    const { by, gauge, fine, wants } = measure
    const answers = Object.fromEntries(
      Object.entries(measure.set ?? {}).map(([key, text]) => [
        key,
        this.filled(text).replace(/^@(\w+)$/, (_, local: string) => this.id(local)),
      ]),
    )
    const method = setUpMethod(by, answers, this.system)
    if (!method.ok)
      return err({ code: 'noMethod', measurement: this.filled(measure.name), by, why: method.fault.map(({ fault }) => fault) })
    const made: Characteristic = {
      id: this.id(measure.id),
      part: this.id(measure.of),
      name: this.named(measure.name),
      how: measure.how ?? '',
      pose: measure.pose ?? '',
      trap: measure.trap ?? '',
      method: method.value as Characteristic['method'],
      gaugeKind: gauge ?? usualGaugeOf(by),
      showTo: SHOWN[this.system][fine ? 'fine' : 'usual'],
      new: null,
      limits: [],
      safety: measure.safety ?? false,
      ...(measure.asLeftOnly ? { asLeftOnly: true as const } : {}),
      ...this.setting(measure),
    }
    // What only a figure that nobody typed would give wants no limit.
    const given = wants.filter(([judges]) => neverGiven(made, judges) === null)
    return ok({ ...made, wants: given.map(([judges, side]) => ({ judges, side })) })
  }

  /** What the kit says of a value: how it is set, and what it rests on. */
  private setting({ setting }: Pick<KitMeasure, 'setting'>): Pick<Characteristic, 'setting'> {
    if (!setting) return {}
    const { is, by, chain, values, proving, protective } = setting
    return {
      setting: {
        is,
        by,
        chain: chain.map(this.id),
        ...(values ? { values: [...values] } : {}),
        ...(proving ? { proving } : {}),
        ...(protective && isThere({ when: protective }, this.answers) ? { protective: true } : {}),
      },
    }
  }

  private fit(mate: KitMate): FitSpec {
    const sides = Object.fromEntries(Object.entries(mate.sides).map(([key, id]) => [key, id === null ? null : this.id(id)]))
    return {
      id: this.id(mate.id),
      kind: mate.kind,
      name: this.named(mate.name),
      ...sides,
      ...this.withFigures(mate.with ?? {}),
      ...(mate.direct === undefined ? {} : { direct: this.id(mate.direct) }),
      new: null,
      limits: [],
      wants: mate.wants.map((judges) => ({ judges, side: judges === 'maximum' ? 'upper' : 'lower' })),
      mendOn: this.id(mate.mendOn),
      ...this.setting(mate),
      showTo: SHOWN[this.system].fine,
      // That its sides are those of its kind, the book’s own schema says.
    } as unknown as FitSpec
  }

  /** What a kind of fit wants besides its sides: a figure that was typed stands where its question is named. */
  private withFigures(value: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> {
    return Object.fromEntries(
      Object.entries(value).map(([key, of]) => {
        const asked = typeof of === 'string' ? /^\{(\w+)\}$/.exec(of)?.[1] : undefined
        if (asked !== undefined) {
          const question = this.assembly.questions.find(({ id }) => id === asked)
          const figure = question && isTyped(question)
          return [key, figure ? figureOf(this.assembly, this.answers, asked, this.system) : this.answers[asked]]
        }
        return [key, of !== null && typeof of === 'object' && !Array.isArray(of) ? this.withFigures(of as never) : of]
      }),
    )
  }

  private checks() {
    return (this.assembly.checks ?? []).map(({ id, name, known, also, names }) => ({
      id: this.id(id),
      name: this.named(name),
      known,
      also,
      names: Object.fromEntries(
        Object.entries(names).map(([key, [characteristic, value]]) => [key, { characteristic: this.id(characteristic), value }]),
      ),
      quantity: 'length' as const,
      within: FORM_MM,
      showTo: SHOWN[this.system].usual,
      source: this.source,
    }))
  }

  private rules(): FindingRule[] {
    return this.assembly.looks.map(({ of, foundOn, kinds, from, asks, text }, at) => ({
      id: this.id(`look-${at + 1}`),
      part: this.id(of),
      ...(foundOn === undefined ? {} : { foundOn: this.id(foundOn) }),
      kinds: [...kinds],
      severityAtLeast: from,
      asks,
      route: null,
      text: this.filled(text),
      confirm: [],
      source: this.source,
    }))
  }

  private handTests() {
    return (this.assembly.feels ?? []).map(({ of, kind, name, how }, at) => ({
      id: this.id(`feel-${at + 1}`),
      part: this.id(of),
      kind,
      name: this.named(name),
      how,
    }))
  }

  private steps(): BookStep[] {
    return this.assembly.steps.map((step, at) =>
      bookStep(step, {
        id: this.id(`step-${at + 1}`),
        name: this.named(step.name),
        text: this.filled(step.text),
        source: this.source,
        idOf: this.id,
      }),
    )
  }

  private needs(needs: LimitBook['levels'][number]['needs']): LimitBook['levels'][number]['needs'] {
    const { tools = [], consumables = [], safety = [], people = [] } = this.assembly.lay ?? {}
    const more = (list: readonly { readonly id: string }[], names: readonly string[]) =>
      names.map((name) => ({ id: slug(name), name })).filter(({ id }) => !list.some((one) => one.id === id))
    return {
      ...needs,
      tools: [...needs.tools, ...more(needs.tools, tools)],
      consumables: [
        ...needs.consumables,
        ...more(needs.consumables, consumables).map((item) => ({ ...item, quantity: everyMachine.asNeeded })),
      ],
      safety: [...needs.safety, ...more(needs.safety, safety)],
      people: [
        ...needs.people,
        ...people
          .filter(({ name }) => !needs.people.some((one) => one.name === name))
          .map((one) => ({ ...one, id: slug(one.name) })),
      ],
    }
  }
}

/** What form and deposits may make two ways of knowing one size differ, mm. */
const FORM_MM = 0.03

/** Steps in the order of work; those of one stage in the order they were added. */
/** A beginning that no id of the book has yet. */
function freePrefix({ positions, parts, characteristics }: LimitBook, wanted: string): string {
  const used = [...positions, ...parts, ...characteristics].map(({ id }) => id)
  const isFree = (prefix: string): boolean => !used.some((id) => id === prefix || id.startsWith(`${prefix}-`))
  for (let number = 1; ; number += 1) {
    const prefix = number === 1 ? wanted : `${wanted}-n${number}`
    if (isFree(prefix)) return prefix
  }
}
