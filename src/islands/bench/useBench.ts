import { useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView } from '../../contract/answers'
import type { Characteristic } from '../../core/book/bookSchema'
import { doubtful } from '../../core/evaluate/doubtful'
import type { CharacteristicResult } from '../../core/evaluate/results'
import { BY_EYE } from '../../core/gauge/gauge'
import { hasEnded, jobStanding } from '../../core/job/standing'
import { acceptsSlot, layoutOf, quantityAt, type Slot, slotKey, slotsOf } from '../../core/method/layout'
import { foldWork } from '../../core/notes/fold'
import { explainReadingFault, type ParsedReading } from '../../core/quantity/reading'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { Reading } from '../../core/record/recordSchema'
import type { Stage } from '../../core/record/stage'
import { stages } from '../../core/record/stage'
import { standingReadings } from '../../core/record/standing'
import { readTyped } from '../../core/record/typedReading'
import { questionAt } from '../../core/slip/questionAt'
import type { SlipQuestion } from '../../core/slip/slip'
import { getJson } from '../../sync/http'
import { useKept } from '../offline/useKept'
import { bodyOf, closedBecause, lastToUndo, latestOf, NO_VALUE, NOT_KEPT, onlySlot } from './benchRecord'
import type { Bench, BenchActs, BenchProps, Mode } from './benchState'
import { showable } from './localReadings'
import { repeatsShown } from './sheet'
import { useClock } from './useClock'
import { useConditions } from './useConditions'
import { type Draft, useDraft } from './useDraft'
import { useGaugeInHand } from './useGaugeInHand'
import { useGaugeWord } from './useGaugeWord'
import { useReadings } from './useReadings'
import { useSerialGauge } from './useSerialGauge'
import { useStable } from './useStable'
import { useStanding } from './useStanding'

const READ: Mode = { kind: 'read' }

const isStage = (text: string | null): text is Stage => (stages as readonly (string | null)[]).includes(text)

const LEAST_REASON = 3

export function useBench({ view, notes, person, today, madeAt, opened, openedStage, offline = false }: BenchProps): Bench {
  const { record } = view
  const { book } = record
  const jobId = record.job.id
  const [stage, setStage] = useState<Stage>(isStage(openedStage) ? openedStage : 'asFound')
  // To a job that is signed or was taken over nothing is added any more.
  const isEnded = hasEnded(jobStanding(view))
  const outbox = useReadings(person.id, jobId, isEnded ? null : madeAt)
  useKept({ person, view, today, madeAt, readings: outbox, noted: notes.stored, offline })
  const conditions = useConditions(jobId)
  const [system, setSystem] = useState<UnitSystem>(record.machine.units)
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [mode, setMode] = useState<Mode>(READ)
  const [question, setQuestion] = useState<SlipQuestion | null>(null)

  const local = useMemo(() => showable(record, outbox.local), [record, outbox.local])
  const readings = useStanding(record, local)
  const { evaluation } = readings
  const standingOf = (characteristicId: string): readonly Reading[] => readings.of(characteristicId, stage)
  const lastAt = (characteristicId: string, slot: Slot): Reading | undefined =>
    standingOf(characteristicId).find((reading) => slotKey(reading) === slotKey(slot))
  const at = (characteristicId: string, slot: Slot): Reading | undefined => {
    const last = lastAt(characteristicId, slot)
    return last?.kind === 'withdrawn' ? undefined : last
  }
  const firstOpen = (of: Characteristic): Slot => {
    const slots = slotsOf(of.method)
    return slots.find((slot) => !at(of.id, slot)) ?? slots[0] ?? { station: '-', direction: '-', repeat: 1 }
  }
  const hasOpen = (of: Characteristic): boolean => slotsOf(of.method).some((slot) => !at(of.id, slot))

  /** Asked for now: required at this level, and not only as left. */
  const isAsked = ({ id, asLeftOnly, method }: Characteristic): boolean =>
    !asLeftOnly &&
    method.kind !== 'computed' &&
    evaluation.results.characteristics.find((other) => other.id === id)?.need === 'required'

  const [place, setPlace] = useState(() => {
    const start =
      book.characteristics.find(({ id }) => id === opened) ??
      book.characteristics.find((of) => hasOpen(of) && isAsked(of)) ??
      book.characteristics.find(hasOpen) ??
      book.characteristics[0]
    if (!start) throw new Error('a book has at least one characteristic')
    return { id: start.id, slot: firstOpen(start) }
  })
  const index = book.characteristics.findIndex(({ id }) => id === place.id)
  const characteristic = book.characteristics[index] as Characteristic
  const slots = slotsOf(characteristic.method)
  const active = place.slot
  const standing = standingOf(characteristic.id)

  const machineUnits = record.machine.units
  const typed = text.trim() === '' || slots.length === 0 ? null : readTyped(characteristic, active, text, machineUnits)
  const parsed = typed?.ok ? typed.value.parsed : null

  const clock = useClock(madeAt, offline, record.job.date)
  const inHand = useGaugeInHand(record, characteristic, active, today)
  const { gauge } = inHand
  const gaugeId = gauge?.id ?? null
  const takenUnder = conditions.at(gaugeId, quantityAt(characteristic.method, active) === 'length')

  const standingHere = at(characteristic.id, active)
  const fields = typed?.ok ? typed.value.fields : null
  // biome-ignore lint/correctness/useExhaustiveDependencies: text and place say what the fields are, the conditions what it is taken under
  const evaluated = useMemo(() => {
    if (fields === null) return evaluation
    const preview: Reading = {
      ...NOT_KEPT,
      stage,
      characteristic: characteristic.id,
      ...active,
      ...fields,
      text,
      conditions: takenUnder,
      gauge: gaugeId,
      supersedes: null,
    }
    const others = standing.filter((reading) => slotKey(reading) !== slotKey(active))
    return evaluation.with(characteristic.id, [...others, preview], stage)
  }, [evaluation, standing, characteristic.id, active, text, gaugeId, conditions.conditions, stage])
  const { results } = evaluated
  const whole = results.characteristics[index] as CharacteristicResult
  const result = useMemo(() => evaluated.at(characteristic.id, stage), [evaluated, characteristic.id, stage])

  const closed = closedBecause(view)

  const draft = useMemo((): Draft => ({ characteristic: place.id, slot: place.slot, stage, text }), [place, stage, text])
  useDraft(jobId, draft, (saved) => {
    const of = book.characteristics.find(({ id }) => id === saved.characteristic)
    if (!of || !acceptsSlot(of.method, saved.slot)) return
    setPlace({ id: saved.characteristic, slot: onlySlot(saved.slot) })
    if (isStage(saved.stage)) setStage(saved.stage)
    setText(saved.text)
  })
  useEffect(() => {
    const url = new URL(location.href)
    url.searchParams.set('c', place.id)
    if (stage === 'asFound') url.searchParams.delete('stage')
    else url.searchParams.set('stage', stage)
    history.replaceState(null, '', url)
  }, [place.id, stage])

  // Readings that waited on this device may have filled the place the page opened at.
  const leaveTakenPlace = useRef(() => {})
  leaveTakenPlace.current = () => {
    if (text === '' && mode.kind === 'read' && standingHere) setPlace({ id: characteristic.id, slot: firstOpen(characteristic) })
  }
  useEffect(() => {
    if (outbox.loaded) leaveTakenPlace.current()
  }, [outbox.loaded])

  /** A text kept once is not asked about again while its correction waits for a reason. */
  const kept = useRef<string | null>(null)
  const clear = (): void => {
    kept.current = null
    setText('')
    setFault(null)
    setQuestion(null)
  }
  const reset = (): void => {
    clear()
    setMode(READ)
  }
  const goTo = (characteristicId: string, slot?: Slot): void => {
    const target = book.characteristics.find(({ id }) => id === characteristicId)
    if (!target) return
    if (target.id === characteristic.id && mode.kind === 'retake') clear()
    else reset()
    setPlace({ id: target.id, slot: slot ? onlySlot(slot) : firstOpen(target) })
  }
  const awaited = useRef<string | null>(null)
  const goAwaited = useRef(() => {})
  goAwaited.current = () => {
    const id = awaited.current
    if (id === null || !book.characteristics.some((candidate) => candidate.id === id)) return
    awaited.current = null
    goTo(id)
  }
  // biome-ignore lint/correctness/useExhaustiveDependencies: a characteristic that was just typed comes with the next book
  useEffect(() => goAwaited.current(), [book])
  const work = useMemo(() => foldWork(book, record.job.entries), [book, record.job.entries])
  const step = (parts: number): void => {
    const target = book.characteristics[(index + parts + book.characteristics.length) % book.characteristics.length]
    if (target) goTo(target.id)
  }
  const moveBy = (steps: number, from: Slot): void => {
    const here = slots.findIndex((slot) => slotKey(slot) === slotKey(from))
    const target = slots[(here + steps + slots.length) % slots.length]
    if (target) goTo(characteristic.id, target)
  }
  const correct = (slot: Slot): void => {
    const of = at(characteristic.id, slot)
    if (!of || closed !== null) return
    reset()
    setPlace({ id: characteristic.id, slot: onlySlot(of) })
    setMode({ kind: 'correct', of, reason: '' })
  }

  const accept = (): void => {
    if (question === null) acceptText(active, text, 'ask')
  }
  const refuse = (sentence: string): void => setFault(sentence)
  const keep = (made: Reading): void => outbox.accept(made, bodyOf(made))
  const newReading = (
    slot: Slot,
    rest: Pick<Reading, 'kind' | 'value' | 'low' | 'high' | 'defaultUnit' | 'masterMm' | 'text' | 'supersedes' | 'reason'>,
  ): Reading => ({
    id: v7(),
    characteristic: characteristic.id,
    ...onlySlot(slot),
    stage,
    conditions: rest.kind === 'point' || rest.kind === 'interval' ? takenUnder : null,
    gauge: gaugeId,
    by: person.name,
    takenAt: new Date().toISOString(),
    ...rest,
  })

  /** Accepts a text at a place; one that looks like a slip is asked about first. */
  const acceptText = (slot: Slot, wanted: string, slips: 'ask' | 'keep'): void => {
    const figures = wanted.trim()
    if (!outbox.loaded) return
    if (closed !== null) return refuse(closed)
    if (mode.kind === 'cannot') return acceptCannot(slot, mode.reason)
    if (mode.kind === 'retake' && !mode.begun) {
      if (mode.reason.trim().length < LEAST_REASON) return refuse('Say why the set is read again, in a few words.')
      const first = slots[0]
      setFault(null)
      setMode({ ...mode, begun: true })
      if (first) setPlace({ id: characteristic.id, slot: first })
      return
    }
    const here = at(characteristic.id, slot)
    if (figures === '') return here && mode.kind === 'read' ? nextOpen() : setFault(null)
    const understood = readTyped(characteristic, slot, figures, machineUnits)
    if (!understood.ok) return refuse(explainReadingFault(understood.fault))
    if (here && mode.kind === 'read') {
      correct(slot)
      return setText(figures)
    }
    const slip =
      clock.question() ??
      inHand.question(slot, standing) ??
      (slips === 'ask' && kept.current !== figures ? slipIn(slot, figures, understood.value.parsed) : null)
    if (slip) {
      setPlace({ id: characteristic.id, slot })
      setText(figures)
      return setQuestion(slip)
    }
    if (mode.kind === 'correct' && mode.reason.trim().length < LEAST_REASON) {
      setQuestion(null)
      setText(figures)
      kept.current = slips === 'keep' ? figures : null
      return refuse('Say why it is corrected, in a few words.')
    }
    const last = lastAt(characteristic.id, slot)
    const made = newReading(slot, {
      ...understood.value.fields,
      text: figures,
      supersedes: last?.id ?? null,
      reason: last ? reasonFor(last) : null,
    })
    keep(made)
    clear()
    if (mode.kind === 'retake') return retakeNext(mode, made)
    setMode(READ)
    advanceFrom(made)
  }
  const reasonFor = (last: Reading): string => {
    if (mode.kind === 'correct' || mode.kind === 'retake') return mode.reason.trim()
    return last.kind === 'withdrawn' ? 'Read again after taking it back' : 'Read again'
  }
  const acceptCannot = (slot: Slot, reason: string): void => {
    if (reason.trim().length < LEAST_REASON) return refuse('Say why it cannot be measured, in a few words.')
    const last = lastAt(characteristic.id, slot)
    const nothing = { ...NO_VALUE, kind: 'cannot', defaultUnit: '', masterMm: null, text: '–' } as const
    const made = newReading(slot, { ...nothing, supersedes: last?.id ?? null, reason: reason.trim() })
    keep(made)
    reset()
    advanceFrom(made)
  }
  const slipIn = (slot: Slot, figures: string, value: ParsedReading): SlipQuestion | null =>
    questionAt({
      record,
      characteristic,
      slot,
      text: figures,
      parsed: value,
      gauge: gauge ?? BY_EYE,
      conditions: takenUnder,
      today,
      stage,
      standing,
      standingOf: readings.of,
    })
  /** To the next place in walking order that is not read; stays when the set is complete. */
  const advanceFrom = (made: Reading): void => {
    const here = slots.findIndex((slot) => slotKey(slot) === slotKey(made))
    const order = [...slots.slice(here + 1), ...slots.slice(0, Math.max(0, here))]
    const next = order.find((slot) => !at(characteristic.id, slot))
    if (next) setPlace({ id: characteristic.id, slot: next })
    else setPlace({ id: characteristic.id, slot: onlySlot(made) })
  }
  const retakeNext = (retaking: Extract<Mode, { kind: 'retake' }>, made: Reading): void => {
    const done = new Set(retaking.done).add(slotKey(made))
    const next = slots.find((slot) => !done.has(slotKey(slot)))
    if (!next) return setMode(READ)
    setMode({ ...retaking, done })
    setPlace({ id: characteristic.id, slot: next })
  }
  /** From a complete set to the next characteristic with something to read. */
  const nextOpen = (): void => {
    const open = slots.find((slot) => !at(characteristic.id, slot))
    if (open) return setPlace({ id: characteristic.id, slot: open })
    const order = [...book.characteristics.slice(index + 1), ...book.characteristics.slice(0, index)]
    const target = order.find(hasOpen)
    if (target) goTo(target.id)
  }
  // What somebody else reads meanwhile is not what the person here means by the last one.
  const lastTaken = (): Reading | undefined => {
    const taken = standing.filter(({ kind }) => kind !== 'withdrawn')
    return latestOf(taken.filter(({ by }) => by === person.name)) ?? latestOf(taken)
  }

  // A gauge speaks for the place that is being read, and never over a question or a reason that waits for an answer.
  const takeSent = (sent: string): void => {
    if (question !== null) return refuse(`The gauge sent ${sent} while the question above is open. Answer it, then send again.`)
    if (mode.kind === 'cannot' || (mode.kind === 'retake' && !mode.begun))
      return refuse(`The gauge sent ${sent}. Say why first, then send again.`)
    if (text.trim() !== '')
      return refuse(`The gauge sent ${sent} while “${text.trim()}” is typed. Accept or clear it, then send again.`)
    if (standingHere && mode.kind === 'read')
      return refuse(`The gauge sent ${sent}, but this place is read already. Go to the place it belongs to, or correct this one.`)
    acceptText(active, sent, 'ask')
  }
  const word = useGaugeWord(gaugeId, takeSent)
  const cable = useSerialGauge(gauge?.code ?? null, takeSent)

  const measureAt = (wanted: Stage): void => {
    if (wanted === stage) return
    reset()
    setStage(wanted)
    // Places are open by stage: the first that is not read at this one.
    const first = slots.find((slot) => {
      const last = readings.of(characteristic.id, wanted).find((reading) => slotKey(reading) === slotKey(slot))
      return !last || last.kind === 'withdrawn'
    })
    if (first ?? slots[0]) setPlace({ id: characteristic.id, slot: onlySlot((first ?? slots[0]) as Slot) })
  }
  const acts = useStable<BenchActs>({
    type: (wanted) => {
      setText(wanted)
      setFault(null)
      setQuestion(null)
    },
    accept,
    acceptAt: (slot, wanted) => {
      if (question === null) acceptText(slot, wanted, 'ask')
    },
    paint: (slot, wanted) => {
      if (closed !== null) return refuse(closed)
      if (!outbox.loaded || mode.kind !== 'read') return
      const understood = readTyped(characteristic, slot, wanted, machineUnits)
      const last = lastAt(characteristic.id, slot)
      if (!understood.ok || (last?.kind === 'point' && last.value === understood.value.fields.value)) return
      keep(
        newReading(slot, {
          ...understood.value.fields,
          text: wanted,
          supersedes: last?.id ?? null,
          reason: last ? 'Painted over' : null,
        }),
      )
    },
    leavePainted: () => setPlace({ id: characteristic.id, slot: firstOpen(characteristic) }),
    takeSuggestion: () => {
      if (question?.likely) acceptText(active, question.likely.text, 'keep')
    },
    keepTyped: () => {
      // A gauge or a clock that is kept says nothing yet about the figure.
      const ofGauge = question?.code === 'noGauge' || question?.code === 'otherKindOfGauge'
      const ofClock = question?.code === 'clockOff'
      if (ofGauge) inHand.keep()
      if (ofClock) clock.keep()
      acceptText(active, text, ofGauge || ofClock ? 'ask' : 'keep')
    },
    goTo,
    moveBy,
    step,
    correct,
    correctLast: () => {
      const last = lastTaken()
      if (last) correct(last)
    },
    undo: () => {
      if (closed !== null) return
      const last = lastToUndo(readings.historyOf(characteristic.id, stage), person.name)
      if (!last) return refuse('Nothing here was read by you. What others read is corrected with a reason: press its figure.')
      if (!standing.some(({ id }) => id === last.id))
        return refuse(`Your “${last.text}” was corrected by somebody else since. Press the figure that stands to correct it.`)
      const { defaultUnit, masterMm, text: taken, gauge: takenWith, id } = last
      const withdrawn = { ...NO_VALUE, kind: 'withdrawn', defaultUnit, masterMm, text: taken, supersedes: id } as const
      keep({ ...newReading(last, { ...withdrawn, reason: 'Taken back at once' }), gauge: takenWith })
      reset()
      setPlace({ id: characteristic.id, slot: onlySlot(last) })
      if (last.kind === 'point' || last.kind === 'interval') setText(last.text)
    },
    markCannot: () => {
      if (closed !== null || slots.length === 0) return
      clear()
      setMode({ kind: 'cannot', reason: '' })
    },
    retake: () => {
      if (closed !== null || readings.historyOf(characteristic.id, stage).length === 0) return
      clear()
      setMode({ kind: 'retake', reason: '', begun: false, done: new Set() })
    },
    another: () => {
      const { moreRepeats } = layoutOf(characteristic.method)
      if (!moreRepeats) return
      const repeat =
        Math.max(
          0,
          ...standing
            .filter(
              (other) => other.station === active.station && other.direction === active.direction && other.kind !== 'withdrawn',
            )
            .map((other) => other.repeat),
        ) + 1
      const slot = { ...active, repeat }
      if (acceptsSlot(characteristic.method, slot)) goTo(characteristic.id, slot)
    },
    setReason: (reason) => {
      setFault(null)
      setMode((before) => (before.kind === 'read' ? before : { ...before, reason }))
    },
    cancel: reset,
    takeInHand: (id) => {
      inHand.take(id)
      setQuestion(null)
    },
    insist: async (reading) => {
      const answer = await getJson<JobView>(`/api/jobs/${encodeURIComponent(jobId)}`)
      if (answer.kind !== 'ok') return setFault('The server cannot be asked what stands there now. Try again in a moment.')
      const theirs = standingReadings(answer.value.record.job.readings).find(
        (other) =>
          other.characteristic === reading.characteristic && other.stage === reading.stage && slotKey(other) === slotKey(reading),
      )
      outbox.drop(reading.id)
      keep({
        ...reading,
        id: v7(),
        supersedes: theirs?.id ?? null,
        reason: theirs ? `Read at the same time as “${theirs.text}” by ${theirs.by}; this one counts` : reading.reason,
      })
    },
    measureAt,
    nextStage: () => measureAt(stages[(stages.indexOf(stage) + 1) % stages.length] ?? 'asFound'),
    goWhenThere: (id) => {
      awaited.current = id
      goAwaited.current()
    },
    noteReading: async ({ id }, note) => {
      const fate = await notes.write({ kind: 'readingNoted', reading: id, note })
      return fate.kind === 'refused' ? fate.message : null
    },
    toggleUnits: () => setSystem((before) => (before === 'metric' ? 'inch' : 'metric')),
  })
  return {
    record,
    work,
    today,
    stage,
    results,
    characteristic,
    result,
    whole,
    doubts: () => doubtful(evaluation, (id) => readings.of(id, 'asFound')),
    resultAt: (at) => {
      const found = results.characteristics[at]
      return stage === 'asFound' || !found
        ? found
        : (found.stages.find((other) => other.stage === stage) ?? evaluation.at(found.id, stage))
    },
    slots,
    repeats: repeatsShown(standing, active),
    active,
    standing,
    taken: evaluated.takenOf(characteristic.id, stage),
    text,
    fault,
    parsed,
    mode,
    question,
    outbox,
    inHand,
    gauge,
    conditions,
    word,
    cable,
    system,
    closed,
    lastTaken: lastTaken(),
    standingAt: (slot) => at(characteristic.id, slot),
    awaitingReload: outbox.local.length - local.length,
    arrivedFrom: (id) => {
      const by = local.find(({ reading }) => reading.id === id)?.reading.by
      return by === undefined || by === person.name ? null : by
    },
    deliveryOf: (id) => outbox.local.find((item) => item.reading.id === id)?.delivery ?? null,
    noteAt: ({ id }) => work.readingNotes.get(id)?.note ?? '',
    acts,
    ...acts,
  }
}
