/**
 * Reads a record by itself and says which parts cannot be reuse, whatever the core made of it: what must have been told of a part
 * before it goes back, by its own plain means. It knows no verdict rule of the core and uses none.
 */
import type { Characteristic, LimitBook } from '../book/bookSchema'
import { linksOf } from '../fit/kinds'
import { slotsOf } from '../method/layout'
import type { InspectionRecord, Reading } from '../record/recordSchema'

/** What somebody says of a part. */
export interface Claim {
  readonly part: string
  readonly verdict: string
}

type Subject = Characteristic | LimitBook['fits'][number]
interface Typed {
  readonly by: string
  readonly check: { readonly by: string; readonly agrees: boolean } | null
}

/** A sentence for every part that is said to be reused and of which something was not told that must be. */
export function falseReuse(record: InspectionRecord, claims: readonly Claim[]): string[] {
  const reader = new Reader(record)
  const verdicts = new Map(claims.map(({ part, verdict }) => [part, verdict]))
  return claims
    .filter(({ verdict }) => verdict === 'reuse')
    .flatMap(({ part }) => {
      const why = reader.against(part, verdicts)
      return why === null ? [] : [`${part}: ${why}`]
    })
}

class Reader {
  private readonly standing: ReadonlyMap<string, readonly Reading[]>
  private readonly level: LimitBook['levels'][number] | undefined
  constructor(private readonly record: InspectionRecord) {
    const gone = new Set(record.job.readings.map(({ supersedes }) => supersedes))
    const found = record.job.readings.filter(
      ({ id, stage, kind }) => stage === 'asFound' && kind !== 'withdrawn' && !gone.has(id),
    )
    const standing = new Map<string, Reading[]>()
    for (const reading of found) standing.set(reading.characteristic, [...(standing.get(reading.characteristic) ?? []), reading])
    this.standing = standing
    this.level = record.book.levels.find(({ id }) => id === record.job.level)
  }

  against(part: string, verdicts: ReadonlyMap<string, string>): string | null {
    const { book } = this.record
    const measured = book.characteristics.filter((of) => of.part === part)
    const fits = book.fits.filter(
      ({ mendOn, ...fit }) => mendOn === part && this.sides(fit as LimitBook['fits'][number]).every((id) => this.isThere(id)),
    )
    return (
      this.renewed(part) ??
      this.found(part) ??
      this.setMates(part, verdicts) ??
      firstOf(measured, (of) => this.measurement(of)) ??
      firstOf(fits, (fit) => this.fit(fit)) ??
      this.toldNothing(part, measured, fits)
    )
  }

  private sides(fit: LimitBook['fits'][number]): readonly string[] {
    return linksOf(fit).map(({ characteristic }) => characteristic)
  }

  /** Asked for at this level, or measured all the same. */
  private isThere(id: string): boolean {
    if ((this.standing.get(id) ?? []).length > 0) return true
    return this.level === undefined || this.level.measures === 'all' || this.level.measures.includes(id)
  }

  private renewed(id: string): string | null {
    const part = this.record.book.parts.find((of) => of.id === id)
    if (!part || this.level?.renews === false) return null
    if (part.renewedAlways || part.service?.some(({ kind }) => kind === 'always')) return 'it is renewed at every overhaul'
    return null
  }

  private found(part: string): string | null {
    const { entries } = this.record.job
    const findings = entries.flatMap(({ body }) => (body.kind === 'findingRecorded' ? [body] : []))
    const withdrawn = new Set(entries.flatMap(({ body }) => (body.kind === 'findingWithdrawn' ? [body.finding] : [])))
    const isCracked = findings.some(
      ({ finding, value }) => value.part === part && value.kind === 'crack' && !withdrawn.has(finding),
    )
    return isCracked ? 'a crack was found in it' : null
  }

  private setMates(id: string, verdicts: ReadonlyMap<string, string>): string | null {
    const { parts } = this.record.book
    const names = (of: string, other: string): boolean =>
      parts.find((part) => part.id === of)?.service?.some((rule) => rule.kind === 'set' && rule.parts.includes(other)) ?? false
    const mates = parts.filter((part) => part.id !== id && (names(id, part.id) || names(part.id, id)))
    const other = mates.find((part) => verdicts.has(part.id) && verdicts.get(part.id) !== 'reuse')
    return other ? `it is one set with ${other.id}, which is ${verdicts.get(other.id)}` : null
  }

  private limitsOf(of: Subject, isSafety: boolean): string | null {
    const all = [...of.limits, ...(of.limitsBy ?? [])]
    const judged = new Set(all.map(({ judges, side }) => `${judges} ${side}`))
    for (const { judges, side, none } of of.wants ?? []) {
      if (judged.has(`${judges} ${side}`)) continue
      if (!none) return `${of.id}: ${judges} ${side} has no limit`
      const why = this.unchecked(none.typed ?? null, isSafety)
      if (why) return `${of.id}: that ${judges} has none is ${why}`
    }
    for (const limit of all) {
      const why = this.unchecked(limit.typed ?? ('typed' in of ? (of.typed ?? null) : null), isSafety)
      if (why) return `${of.id}: the limit of ${limit.judges} is ${why}`
    }
    const crossed = of.limits.find((limit) =>
      of.limits.some(
        (other) => other.judges === limit.judges && limit.side === 'upper' && other.side === 'lower' && other.wear > limit.wear,
      ),
    )
    return crossed ? `${of.id}: nothing lies between its limits` : null
  }

  private unchecked(typed: Typed | null, isSafety: boolean): string | null {
    if (typed?.check?.agrees === false) return 'not on its page'
    return isSafety && typed !== null && (typed.check === null || typed.check.by === typed.by) ? 'not checked by another' : null
  }

  private measurement(of: Characteristic): string | null {
    const read = this.standing.get(of.id) ?? []
    if (of.asLeftOnly || !this.isThere(of.id)) return null
    const open = this.limitsOf(of, of.safety)
    if (open) return open
    if (of.limits.length === 0) return null
    const places = of.method.kind === 'computed' ? [] : slotsOf(of.method)
    for (const slot of places) {
      const here = read.find(
        ({ station, direction, repeat }) => station === slot.station && direction === slot.direction && repeat === slot.repeat,
      )
      if (!here) return `${of.id}: nothing is read at ${slot.station} ${slot.direction} ${slot.repeat}`
      if (here.kind === 'cannot') return `${of.id}: it cannot be read at ${slot.station}`
      const gauge = this.gaugeOf(of, here)
      if (gauge) return `${of.id}: ${gauge}`
    }
    return this.beyond(of, read)
  }

  private gaugeOf(of: Characteristic, reading: Reading): string | null {
    const kind = of.otherGauges?.[reading.station] ?? of.gaugeKind
    if (kind === 'eye' || reading.kind !== 'point' || reading.defaultUnit === '') return null
    const gauge = this.record.gauges.find(({ id }) => id === reading.gauge)
    if (!gauge) return 'nobody knows by which gauge it was read'
    if (gauge.kind !== kind) return `read by a ${gauge.kind}, and it takes a ${kind}`
    if (gauge.calibrationDue < reading.takenAt.slice(0, 10)) return 'the calibration of its gauge had lapsed'
    const { range } = gauge
    const isOut =
      range &&
      reading.value !== null &&
      reading.masterMm === null &&
      (reading.value < range.least || reading.value > range.greatest)
    return isOut ? 'it lies beyond the range of its gauge' : null
  }

  /** A plain figure that nothing corrects, against a limit on the largest or the smallest. */
  private beyond(of: Characteristic, read: readonly Reading[]): string | null {
    if (!PLAIN.has(of.method.kind) || 'repeatsAtLeast' in of.method) return null
    for (const { judges, side, wear } of of.limits)
      for (const { value, low, high } of read) {
        const [least, most] = [value ?? low, value ?? high]
        if (judges === 'maximum' && side === 'upper' && (most === null || most > wear))
          return `${of.id}: ${most} is more than ${wear}`
        if (judges === 'minimum' && side === 'lower' && (least === null || least < wear))
          return `${of.id}: ${least} is less than ${wear}`
      }
    return null
  }

  private fit(fit: LimitBook['fits'][number]): string | null {
    const sides = this.sides(fit)
    const isSafety = this.record.book.characteristics.some(({ id, safety }) => safety && sides.includes(id))
    const open = this.limitsOf(fit, isSafety)
    if (open) return open
    const unread = sides.find((id) => (this.standing.get(id) ?? []).length === 0 && !this.isComputed(id))
    return fit.limits.length > 0 && unread !== undefined ? `${fit.id}: ${unread} is not read` : null
  }

  private isComputed(id: string): boolean {
    return this.record.book.characteristics.find((of) => of.id === id)?.method.kind === 'computed'
  }

  /** Nobody looked, and nothing that is read is judged. */
  private toldNothing(part: string, measured: readonly Characteristic[], fits: LimitBook['fits']): string | null {
    const isLooked = this.record.job.entries.some(({ body }) => body.kind === 'inspected' && body.part === part)
    const isJudged = measured.some(
      (of) => (of.limits.length > 0 || ASKS_ITSELF.has(of.method.kind)) && (this.standing.get(of.id) ?? []).length > 0,
    )
    const isFitted = fits.some(({ limits }) => limits.length > 0)
    return isLooked || isJudged || isFitted ? null : 'nobody looked at it, and nothing judges it'
  }
}

/** Methods that say by themselves what is wanted. */
const ASKS_ITSELF: ReadonlySet<string> = new Set(['visualCheck', 'benchTest'])

/** Methods whose reading is the size itself. */
const PLAIN: ReadonlySet<string> = new Set([
  'boreDiameter',
  'outsideDiameter',
  'grooveWidth',
  'size',
  'gapAtPositions',
  'setDimension',
])

const firstOf = <T>(items: readonly T[], say: (item: T) => string | null): string | null =>
  items.map(say).find((why) => why !== null) ?? null
