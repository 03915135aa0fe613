import { forRecordMm } from '../decimal'
import { findingVotes } from '../decision/findingVote'
import { listed } from '../decision/limitVote'
import { partVerdict } from '../decision/partVerdict'
import type { Gauge } from '../gauge/uncertainty'
import { slotLabel } from '../method/method'
import { reduceReadings } from '../method/reduce'
import type { Reduced, Reductions } from '../method/reduction'
import { formatLength, unitLabel } from '../quantity/format'
import type { LinePoint } from '../trend/wearLine'
import { CORE_VERSION } from '../version'
import { foldWork } from '../work/fold'
import { type GateMeasurement, gateOutcome } from '../work/gate'
import { levelOf, needOf, type Scope, scopeOf } from '../work/need'
import type { Characteristic, LimitBook, Part } from './bookSchema'
import { evaluateCharacteristic } from './evaluateCharacteristic'
import { evaluateFit } from './evaluateFit'
import type { InspectionRecord, Overhaul, Stage } from './recordSchema'
import type { CharacteristicResult, PartResult, Results, Vote } from './results'
import { takenByCharacteristic } from './standing'

/**
 * Everything that follows from a record: reductions, limits, fits, wear lines, the gate and what it leaves out, verdicts
 * and their traces, for the as-found stage. The record must have passed its schema. The same record always gives the same results, to the byte.
 */
export function evaluate(record: InspectionRecord): Results {
  const { book, job, machine } = record
  const gauges = new Map<string, Gauge>(record.gauges.map((gauge) => [gauge.id, gauge]))
  const characteristics = new Map(book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  const characteristicOf = (id: string): Characteristic => found(characteristics, id)
  const partOf = (id: string): Part => found(parts, id)
  const isBore = (id: string): boolean => characteristicOf(id).method.kind === 'boreDiameter'

  const taken = takenByCharacteristic(job, 'asFound', gauges)
  const reductions = reduceOverhaul(book.characteristics, job, 'asFound', gauges)
  const reductionsOf = (id: string): Reductions | undefined => reductions.get(id)
  const lines = earlierLines(record, gauges)

  const measured = book.characteristics.map((characteristic) =>
    evaluateCharacteristic({
      characteristic,
      part: partOf(characteristic.part),
      taken: taken.get(characteristic.id) ?? [],
      reductionsOf,
      isBore,
      earlier: lines.get(characteristic.id) ?? [],
      now: job,
      policy: job.policy,
      system: machine.units,
    }),
  )
  const work = foldWork(book, job.entries)
  const scope = scopeOf(book, job.level, gateOutcome(levelOf(book, job.level), measured.map(asGateMeasurement(characteristicOf))))
  const planned = new Set(work.planned.keys())
  const characteristicResults = measured.map(
    (result): CharacteristicResult => ({ ...result, need: needOf(book, scope, planned, result.id) }),
  )
  const needs = new Map(characteristicResults.map(({ id, need }) => [id, need]))
  const fitResults = book.fits.map((fit) =>
    evaluateFit({
      fit,
      part: partOf(fit.mendOn),
      characteristic: characteristicOf,
      takenOf: (id) => taken.get(id) ?? [],
      reductionsOf,
      policy: job.policy,
      figures: (valueMm) => formatLength(valueMm, machine.units, fit.showToMm),
      unit: unitLabel(machine.units),
    }),
  )
  const isNeeded = (fit: LimitBook['fits'][number]): boolean =>
    needs.get(fit.bore) === 'required' && needs.get(fit.journal) === 'required'
  const partResults = book.parts.map((part): PartResult => {
    const own = characteristicResults.filter((result) => result.part === part.id)
    // What the level leaves out and nobody has measured says nothing about the part.
    const votes = own.filter(({ need, readings }) => need === 'required' || readings.length > 0).flatMap((result) => result.votes)
    const fits = book.fits.flatMap((fit, index) =>
      fit.mendOn === part.id && isNeeded(fit) ? (fitResults[index]?.votes ?? []) : [],
    )
    const findings = findingVotes(book, part, work)
    const service = serviceVotes(book, part, scope)
    const left = own.filter(({ need, readings }) => need !== 'required' && readings.length === 0)
    const pending = scope.gate?.kind === 'open' && (left.length > 0 || own.length === 0)
    const renewed = service.some(({ mild }) => mild === 'replace')
    const isNeededPart = scope.leftOut === null || renewed || [...votes, ...fits, ...findings].length > 0
    const need = isNeededPart ? 'required' : pending ? 'ifGateFails' : 'notRequired'
    const leftOut = left.length > 0 || !isNeededPart ? [leftOutVote(scope, pending)] : []
    return { ...partVerdict(part, [...votes, ...fits, ...findings, ...service, ...leftOut]), need }
  })
  return roundForRecord({
    core: CORE_VERSION,
    scope,
    characteristics: characteristicResults,
    fits: fitResults,
    parts: partResults,
  })
}

/** What the gate looks at: the strongest reason, and the one reading that a failing value was taken from. */
const asGateMeasurement =
  (characteristicOf: (id: string) => Characteristic) =>
  (result: Omit<CharacteristicResult, 'need'>): GateMeasurement => {
    const [vote] = result.votes
    const { name, method } = characteristicOf(result.id)
    const failing = result.limits.find(({ grade }) => grade.mild > 0)?.value ?? null
    const at = result.readings.filter((reading) => failing?.where.includes(slotLabel(method, reading)))
    const reading = at.length === 1 ? at[0] : undefined
    return {
      id: result.id,
      name,
      mild: result.mild,
      strong: result.strong,
      reason: vote ? `${name}: ${vote.reason}` : name,
      reading: reading ? `“${reading.text}” at ${slotLabel(method, reading)}` : null,
    }
  }

function leftOutVote(scope: Scope, pending: boolean): Vote {
  const gate = scope.gate
  return {
    rule: 'leftOut',
    subject: null,
    mild: 'reuse',
    strong: pending ? 'replace' : 'reuse',
    reason: scope.leftOut ?? 'Not required',
    settledBy: pending && gate?.kind === 'open' ? `Take the gate measurements: ${listed(gate.missing)}.` : null,
    source: null,
    route: null,
    trace: [],
  }
}

function found<T>(map: ReadonlyMap<string, T>, id: string): T {
  const value = map.get(id)
  if (value === undefined) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return value
}

/** Reductions of one overhaul, by characteristic; rings after the diameters they run in. */
function reduceOverhaul(
  characteristics: readonly Characteristic[],
  overhaul: Pick<Overhaul, 'readings'>,
  stage: Stage,
  gauges: ReadonlyMap<string, Gauge>,
): Map<string, Reductions> {
  const taken = takenByCharacteristic(overhaul, stage, gauges)
  const reductions = new Map<string, Reductions>()
  const isRing = (characteristic: Characteristic): boolean => characteristic.method.kind === 'ringEndGap'
  for (const characteristic of [...characteristics.filter((c) => !isRing(c)), ...characteristics.filter(isRing)]) {
    const context = { nominalMm: characteristic.new.nominalMm, runsIn: wornDiameter(characteristic, reductions) }
    reductions.set(characteristic.id, reduceReadings(characteristic.method, taken.get(characteristic.id) ?? [], context))
  }
  return reductions
}

function wornDiameter({ method }: Characteristic, reductions: ReadonlyMap<string, Reductions>): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = reductions.get(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}

/**
 * Judged values of the earlier overhauls by characteristic, for the part that is installed now: a replaced part starts
 * a new line, and an as-left value after work is a new base.
 */
function earlierLines(record: InspectionRecord, gauges: ReadonlyMap<string, Gauge>): Map<string, LinePoint[]> {
  const lines = new Map<string, LinePoint[]>(record.book.characteristics.map(({ id }) => [id, []]))
  const overhauls = [...record.history].sort((a, b) => a.runningHours - b.runningHours)
  for (const overhaul of overhauls) {
    const asFound = reduceOverhaul(record.book.characteristics, overhaul, 'asFound', gauges)
    const asLeft = reduceOverhaul(record.book.characteristics, overhaul, 'asLeft', gauges)
    for (const characteristic of record.book.characteristics) {
      const line = lines.get(characteristic.id)
      const judges = characteristic.limits[0]?.judges
      if (!line || !judges) continue
      const point = (value: Reduced | undefined): LinePoint[] =>
        value?.open === 'complete'
          ? [{ overhaul: overhaul.overhaul, date: overhaul.date, runningHours: overhaul.runningHours, valueMm: value.valueMm }]
          : []
      const sameFound = overhaul.installed[characteristic.part] === record.job.installed[characteristic.part]
      const left = point(asLeft.get(characteristic.id)?.values[judges])
      if (left.length > 0) line.splice(0, line.length, ...left)
      else if (sameFound) line.push(...point(asFound.get(characteristic.id)?.values[judges]))
      else line.length = 0
    }
  }
  return lines
}

/** Parts renewed always; at a level that does not disturb them they stay, and while its gate is open that is open too. */
function serviceVotes(book: LimitBook, part: Part, scope: Scope): Vote[] {
  if (!part.renewedAlways) return []
  const renews = levelOf(book, scope.counts)?.renews ?? true
  const pending = !renews && scope.gate?.kind === 'open'
  return [
    {
      rule: 'service',
      subject: null,
      mild: renews ? 'replace' : 'reuse',
      strong: renews || pending ? 'replace' : 'reuse',
      reason: renews ? 'Always renewed at an overhaul' : 'Renewed at an overhaul; not disturbed at this level',
      settledBy: pending ? 'Take the gate measurements.' : null,
      source: null,
      route: null,
      trace: [],
    },
  ]
}

/** Rounds every figure to the step of stored results. */
function roundForRecord<T>(value: T): T {
  if (typeof value === 'number') return forRecordMm(value) as T
  if (Array.isArray(value)) return value.map(roundForRecord) as T
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, roundForRecord(inner)])) as T
}
