import { useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView } from '../../contract/answers'
import { COVERAGE_FACTOR, readingUncertaintyMm } from '../../core/gauge/uncertainty'
import { layoutOf, type Slot, slotKey } from '../../core/method/method'
import { questionReading, type Slip } from '../../core/method/slipGuard'
import type { UnitSystem } from '../../core/quantity/format'
import { explainReadingFault, type ParsedReading, parseReading } from '../../core/quantity/reading'
import type { Characteristic } from '../../core/record/bookSchema'
import { evaluate } from '../../core/record/evaluate'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { CharacteristicResult, Results } from '../../core/record/results'
import { standingReadings } from '../../core/record/standing'
import { bodyOf, closedBecause, type Gauge, NOT_KEPT, onlySlot, STAGE, withLocal } from './benchRecord'
import { type Draft, useDraft } from './useDraft'
import { useGaugesInHand } from './useGaugesInHand'
import { type Delivery, type Outbox, useOutbox } from './useOutbox'

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
  /** A warning that is open: Enter accepts nothing until the suggestion is taken or what was typed is kept. */
  readonly question: Slip | null
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
  takeSuggestion(): void
  keepTyped(): void
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

const LEAST_REASON = 3

export function useBench({ view, person, today, opened }: BenchProps): Bench {
  const { book } = view.record
  const jobId = view.record.job.id
  const outbox = useOutbox(person.id, jobId)
  const [system, setSystem] = useState<UnitSystem>(view.record.machine.units)
  const [hand, takeInHand] = useGaugesInHand()
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [correction, setCorrection] = useState<Correction | null>(null)
  const [question, setQuestion] = useState<Slip | null>(null)

  const { local } = outbox
  const record = useMemo(() => withLocal(view.record, local), [view.record, local])
  const standing = useMemo(() => standingReadings(record.job.readings).filter((reading) => reading.stage === STAGE), [record])
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
    if (text === '' && !correction && standingHere) setPlace({ id: characteristic.id, slot: firstOpen(characteristic) })
  }
  useEffect(() => {
    if (outbox.loaded) leaveTakenPlace.current()
  }, [outbox.loaded])

  /** A text kept once is not asked about again while its correction waits for a reason. */
  const kept = useRef<string | null>(null)
  const reset = (): void => {
    kept.current = null
    setText('')
    setFault(null)
    setCorrection(null)
    setQuestion(null)
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
    if (question === null) acceptText(text, 'ask')
  }
  /** Accepts a text at the active place; one that looks like a slip is asked about first. */
  const acceptText = (wanted: string, slips: 'ask' | 'keep'): void => {
    const typed = wanted.trim()
    if (!outbox.loaded) return
    if (closed !== null) return setFault(closed)
    if (typed === '') return standingHere ? nextOpen() : setFault(null)
    const understood = parseReading(typed, { defaultUnit, masterMm })
    if (!understood.ok) return setFault(explainReadingFault(understood.fault))
    if (standingHere && !correction) return correct(active)
    const slip = slips === 'ask' ? slipIn(typed, understood.value) : null
    if (slip) return setQuestion(slip)
    if (correction && correction.reason.trim().length < LEAST_REASON) {
      setQuestion(null)
      setText(typed)
      kept.current = slips === 'keep' ? typed : null
      return setFault('Say why it is corrected, in a few words.')
    }
    const made: Reading = {
      id: v7(),
      characteristic: characteristic.id,
      ...active,
      stage: STAGE,
      text: typed,
      defaultUnit,
      masterMm,
      valueMm: understood.value.valueMm,
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
  const slipIn = (typed: string, value: ParsedReading): Slip | null =>
    gauge === undefined || kept.current === typed
      ? null
      : questionReading({
          method: characteristic.method,
          text: typed,
          ...value,
          newMm: [characteristic.new.lowerMm, characteristic.new.upperMm],
          limits: characteristic.limits,
          expandedUncertaintyMm: COVERAGE_FACTOR * readingUncertaintyMm(gauge),
          neighboursMm: standing
            .filter((other) => other.characteristic === characteristic.id && other.id !== standingHere?.id)
            .map(({ valueMm }) => valueMm),
          system: record.machine.units,
          stepMm: characteristic.showToMm,
        })
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
    question,
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
      setQuestion(null)
    },
    accept,
    takeSuggestion: () => {
      if (question?.likely) acceptText(question.likely.text, 'keep')
    },
    keepTyped: () => acceptText(text, 'keep'),
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
