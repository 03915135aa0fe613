import { useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView } from '../../contract/answers'
import type { ReadingBody } from '../../contract/bodies'
import { layoutOf, type Slot, slotKey } from '../../core/method/method'
import type { UnitSystem } from '../../core/quantity/format'
import { explainReadingFault, type ParsedReading, parseReading } from '../../core/quantity/reading'
import type { Characteristic } from '../../core/record/bookSchema'
import { evaluate } from '../../core/record/evaluate'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { CharacteristicResult, Results } from '../../core/record/results'
import { standingReadings } from '../../core/record/standing'
import { type Draft, useDraft } from './useDraft'
import { useGaugesInHand } from './useGaugesInHand'
import { type Delivery, type LocalReading, type Outbox, useOutbox } from './useOutbox'

export interface BenchProps {
  readonly view: JobView
  readonly person: { readonly id: string; readonly name: string }
  /** Date of today, ISO, from the server: gauges lapse by it. */
  readonly today: string
  /** Characteristic named in the address, if any. */
  readonly opened: string | null
}

export interface Correction {
  readonly of: Reading
  readonly reason: string
}

export interface Bench {
  readonly record: InspectionRecord
  /** Results with what is typed taken as accepted, so that they move with each key. */
  readonly results: Results
  readonly characteristic: Characteristic
  readonly result: CharacteristicResult
  readonly slots: readonly Slot[]
  readonly active: Slot
  readonly text: string
  readonly fault: string | null
  readonly parsed: ParsedReading | null
  readonly correction: Correction | null
  readonly outbox: Outbox
  readonly gauge: Gauge | undefined
  readonly gaugesOfKind: readonly Gauge[]
  readonly system: UnitSystem
  /** Why nothing can be typed here; null when it can. */
  readonly closed: string | null
  standingAt(slot: Slot): Reading | undefined
  deliveryOf(id: string): Delivery | null
  type(text: string): void
  accept(): void
  goTo(characteristicId: string, slot?: Slot): void
  /** To the place so many steps on in walking order. */
  moveBy(steps: number, from: Slot): void
  step(parts: number): void
  correct(slot: Slot): void
  correctLast(): void
  setReason(reason: string): void
  cancel(): void
  takeInHand(gaugeId: string): void
  toggleUnits(): void
}

type Gauge = InspectionRecord['gauges'][number]

const LEAST_REASON = 3
const stage = 'asFound'

export function useBench({ view, person, today, opened }: BenchProps): Bench {
  const { book } = view.record
  const jobId = view.record.job.id
  const outbox = useOutbox(person.id, jobId)
  const [system, setSystem] = useState<UnitSystem>(view.record.machine.units)
  const [hand, takeInHand] = useGaugesInHand()
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [correction, setCorrection] = useState<Correction | null>(null)

  const { local } = outbox
  const record = useMemo(() => withLocal(view.record, local), [view.record, local])
  const standing = useMemo(() => standingReadings(record.job.readings).filter((reading) => reading.stage === stage), [record])
  const at = (characteristicId: string, slot: Slot): Reading | undefined =>
    standing.find((reading) => reading.characteristic === characteristicId && slotKey(reading) === slotKey(slot))
  const firstOpen = (of: Characteristic): Slot => {
    const slots = layoutOf(of.method)
    return slots.find((slot) => !at(of.id, slot)) ?? (slots[0] as Slot)
  }

  const [place, setPlace] = useState(() => {
    const start =
      book.characteristics.find(({ id }) => id === opened) ??
      book.characteristics.find((c) => layoutOf(c.method).some((slot) => !at(c.id, slot))) ??
      book.characteristics[0]
    if (!start) throw new Error('a book has at least one characteristic')
    return { id: start.id, slot: firstOpen(start) }
  })
  const characteristic = book.characteristics.find(({ id }) => id === place.id) as Characteristic
  const slots = layoutOf(characteristic.method)
  const active = place.slot

  const masterMm = characteristic.method.kind === 'boreDiameter' ? characteristic.method.masterMm : null
  const defaultUnit = record.machine.units === 'metric' ? 'mm' : 'in'
  const reading = text.trim() === '' ? null : parseReading(text, { defaultUnit, masterMm })
  const parsed = reading?.ok ? reading.value : null

  const gaugesOfKind = record.gauges.filter((gauge) => gauge.kind === characteristic.gaugeKind)
  const gauge =
    gaugesOfKind.find(({ id }) => id === hand[characteristic.gaugeKind]) ??
    gaugesOfKind.find((item) => item.calibrationDue >= today) ??
    gaugesOfKind[0]

  const standingHere = at(characteristic.id, active)
  const typedValueMm = parsed?.valueMm
  const results = useMemo(() => {
    if (typedValueMm === undefined || !gauge) return evaluate(record)
    const typed = {
      characteristic: characteristic.id,
      ...active,
      valueMm: typedValueMm,
      gauge: gauge.id,
      masterMm,
      defaultUnit,
      text,
      supersedes: standingHere?.id ?? null,
    } as const
    return evaluate({ ...record, job: { ...record.job, readings: [...record.job.readings, { ...NOT_KEPT, ...typed }] } })
  }, [record, characteristic.id, active, typedValueMm, gauge, masterMm, defaultUnit, text, standingHere?.id])
  const result = results.characteristics.find(({ id }) => id === characteristic.id) as CharacteristicResult

  const closed = closedBecause(view, gauge)

  const draft = useMemo((): Draft => ({ characteristic: place.id, slot: place.slot, text }), [place, text])
  useDraft(jobId, draft, (saved) => {
    if (!book.characteristics.some(({ id }) => id === saved.characteristic)) return
    setPlace({ id: saved.characteristic, slot: onlySlot(saved.slot) })
    setText(saved.text)
  })
  useEffect(() => {
    const url = new URL(location.href)
    url.searchParams.set('c', place.id)
    history.replaceState(null, '', url)
  }, [place.id])

  // Readings that waited on this device may have filled the place the page opened at.
  const leaveTakenPlace = useRef(() => {})
  leaveTakenPlace.current = () => {
    if (text === '' && standingHere) setPlace({ id: characteristic.id, slot: firstOpen(characteristic) })
  }
  useEffect(() => {
    if (outbox.loaded) leaveTakenPlace.current()
  }, [outbox.loaded])

  const reset = (): void => {
    setText('')
    setFault(null)
    setCorrection(null)
  }
  const goTo = (characteristicId: string, slot?: Slot): void => {
    const target = book.characteristics.find(({ id }) => id === characteristicId)
    if (!target) return
    reset()
    setPlace({ id: target.id, slot: slot ? onlySlot(slot) : firstOpen(target) })
  }
  const step = (parts: number): void => {
    const index = book.characteristics.findIndex(({ id }) => id === characteristic.id)
    const target = book.characteristics[(index + parts + book.characteristics.length) % book.characteristics.length]
    if (target) goTo(target.id)
  }
  const moveBy = (steps: number, from: Slot): void => {
    const index = slots.findIndex((slot) => slotKey(slot) === slotKey(from))
    const target = slots[(index + steps + slots.length) % slots.length]
    if (target) goTo(characteristic.id, target)
  }
  const correct = (slot: Slot): void => {
    const of = at(characteristic.id, slot)
    if (!of) return
    reset()
    setPlace({ id: characteristic.id, slot: onlySlot(of) })
    setCorrection({ of, reason: '' })
  }

  const accept = (): void => {
    if (!outbox.loaded) return
    if (closed !== null) return setFault(closed)
    if (text.trim() === '') return standingHere ? nextOpen() : setFault(null)
    if (!reading?.ok) return setFault(reading ? explainReadingFault(reading.fault) : null)
    if (standingHere && !correction) return correct(active)
    if (correction && correction.reason.trim().length < LEAST_REASON) return setFault('Say why it is corrected, in a few words.')
    const made: Reading = {
      id: v7(),
      characteristic: characteristic.id,
      ...active,
      stage,
      text: text.trim(),
      defaultUnit,
      masterMm,
      valueMm: reading.value.valueMm,
      gauge: gauge?.id ?? '',
      by: person.name,
      takenAt: new Date().toISOString(),
      supersedes: correction?.of.id ?? null,
      reason: correction ? correction.reason.trim() : null,
    }
    outbox.accept(made, bodyOf(made))
    reset()
    advanceFrom(made)
  }
  /** To the next place in walking order that is not read; stays when the set is complete. */
  const advanceFrom = (made: Reading): void => {
    const index = slots.findIndex((slot) => slotKey(slot) === slotKey(made))
    const order = [...slots.slice(index + 1), ...slots.slice(0, index)]
    const next = order.find((slot) => !at(characteristic.id, slot))
    if (next) setPlace({ id: characteristic.id, slot: next })
  }
  /** From a complete set to the next characteristic with something to read. */
  const nextOpen = (): void => {
    const open = slots.find((slot) => !at(characteristic.id, slot))
    if (open) return setPlace({ id: characteristic.id, slot: open })
    const index = book.characteristics.findIndex(({ id }) => id === characteristic.id)
    const order = [...book.characteristics.slice(index + 1), ...book.characteristics.slice(0, index)]
    const target = order.find((other) => layoutOf(other.method).some((slot) => !at(other.id, slot)))
    if (target) goTo(target.id)
  }

  return {
    record,
    results,
    characteristic,
    result,
    slots,
    active,
    text,
    fault,
    parsed,
    correction,
    outbox,
    gauge,
    gaugesOfKind,
    system,
    closed,
    standingAt: (slot) => at(characteristic.id, slot),
    deliveryOf: (id) => outbox.local.find((item) => item.reading.id === id)?.delivery ?? null,
    type: (typed) => {
      setText(typed)
      setFault(null)
    },
    accept,
    goTo,
    moveBy,
    step,
    correct,
    correctLast: () => {
      const last = standing
        .filter((item) => item.characteristic === characteristic.id)
        .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1))
        .at(-1)
      if (last) correct(last)
    },
    setReason: (reason) => {
      setFault(null)
      setCorrection((before) => (before ? { ...before, reason } : before))
    },
    cancel: reset,
    takeInHand: (gaugeId) => takeInHand(characteristic.gaugeKind, gaugeId),
    toggleUnits: () => setSystem((before) => (before === 'metric' ? 'inch' : 'metric')),
  }
}

/** The place of a reading and nothing else of it: what is spread into a new reading must not bring the old one's id along. */
const onlySlot = ({ station, direction, repeat }: Slot): Slot => ({ station, direction, repeat })

/** What the reading being typed has besides its place and value while it is only looked at. */
const NOT_KEPT = {
  id: '00000000-0000-7000-8000-000000000000',
  stage,
  by: '',
  takenAt: '1970-01-01T00:00:00Z',
  reason: null,
} as const

function bodyOf({
  id,
  characteristic,
  station,
  direction,
  repeat,
  text,
  gauge,
  takenAt,
  supersedes,
  reason,
}: Reading): ReadingBody {
  return { id, characteristic, station, direction, repeat, stage, text, gauge, takenAt, supersedes, reason }
}

/** The record with the readings of this device that the page did not come with; refused ones are left out. */
function withLocal(record: InspectionRecord, local: readonly LocalReading[]): InspectionRecord {
  const known = new Set(record.job.readings.map(({ id }) => id))
  const added = local
    .filter(({ reading, delivery }) => delivery.kind !== 'refused' && !known.has(reading.id))
    .map(({ reading }) => reading)
  return added.length === 0 ? record : { ...record, job: { ...record.job, readings: [...record.job.readings, ...added] } }
}

function closedBecause(view: JobView, gauge: Gauge | undefined): string | null {
  if (view.reportId !== null) return 'This job is signed: readings stand as they are.'
  if (view.review.at(-1)?.kind === 'sent') return 'This job lies with the reviewer. Ask for it to be returned before measuring.'
  if (!view.may.measure) return 'You may look, but not enter readings: that is the inspector’s.'
  if (!view.confirmations.some(({ step }) => step === 'makeSafe')) return 'Confirm “Make safe” on the job page before measuring.'
  return gauge ? null : 'No gauge of the kind this method needs is in the store.'
}
