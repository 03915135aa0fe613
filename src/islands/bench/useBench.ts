import { useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import { now } from '../../clock/clock'
import type { JobView } from '../../contract/answers'
import type { Characteristic } from '../../core/book/bookSchema'
import { doubtful } from '../../core/evaluate/doubtful'
import type { CharacteristicResult } from '../../core/evaluate/results'
import { BY_EYE } from '../../core/gauge/gauge'
import { hasEnded, jobState } from '../../core/job/standing'
import { quantityAt, type Slot, slotKey, slotsOf } from '../../core/method/layout'
import { foldNotes } from '../../core/notes/fold'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { Reading } from '../../core/record/recordSchema'
import type { Stage } from '../../core/record/stage'
import { stages } from '../../core/record/stage'
import { standingReadings } from '../../core/record/standing'
import { readTyped } from '../../core/record/typedReading'
import { questionAt } from '../../core/slip/questionAt'
import { speakerOf } from '../../core/words/speaker'
import { say } from '../../labels/bench'
import { getJson } from '../../sync/http'
import { useKept } from '../offline/useKept'
import { unitsShown } from '../ownSettings'
import type { AtHand, BenchEvent, BenchKnown } from './benchEvents'
import { bodyOf, closedBecause, NOT_KEPT } from './benchRecord'
import { bench, firstOpen, hasOpen, lastTakenBy } from './benchReducer'
import type { Bench, BenchActs, BenchProps } from './benchState'
import { useClock } from './gauge/useClock'
import { useConditions } from './gauge/useConditions'
import { useGaugeInHand } from './gauge/useGaugeInHand'
import { useGaugeWord } from './gauge/useGaugeWord'
import { useSerialGauge } from './gauge/useSerialGauge'
import { showable } from './typing/localReadings'
import { repeatsShown } from './typing/sheet'
import { type Draft, useDraft } from './typing/useDraft'
import { useReadings } from './typing/useReadings'
import { type Standing, useStanding } from './typing/useStanding'
import { useStable } from './useStable'

const isStage = (text: string | null): text is Stage => (stages as readonly (string | null)[]).includes(text)

/** Where a bench opens: at what the address names, else at the first place that is asked for and not read. */
function opensAt({ view: { record }, opened, openedStage }: BenchProps, readings: Standing): AtHand {
  const stage: Stage = isStage(openedStage) ? openedStage : 'asFound'
  const { characteristics } = record.book
  const known = { standingOf: readings.of }
  /** Asked for now: required at this level, and not only as left. */
  const isAsked = (of: Characteristic): boolean =>
    !of.asLeftOnly && of.method.kind !== 'computed' && readings.evaluation.needAt(characteristics.indexOf(of)) === 'required'
  const start =
    characteristics.find(({ id }) => id === opened) ??
    characteristics.find((of) => hasOpen(known, of, stage) && isAsked(of)) ??
    characteristics.find((of) => hasOpen(known, of, stage)) ??
    characteristics[0]
  if (!start) throw new Error('a book has at least one characteristic')
  const place = { id: start.id, slot: firstOpen(known, start, stage) }
  return { stage, place, text: '', mode: { kind: 'read' }, question: null, fault: null, kept: null, awaited: null }
}

/** The bench: what is at hand, by the reducer; what is known, sent and heard, by hooks of their own. */
export function useBench(props: BenchProps): Bench {
  const { view, notes, person, today, madeAt, offline = false } = props
  const { record } = view
  const { book } = record
  const jobId = record.job.id
  const machineUnits = record.machine.units
  // To a job that is signed or was taken over nothing is added any more.
  const outbox = useReadings(person.id, jobId, hasEnded(jobState(view)) ? null : madeAt)
  useKept({ person, view, today, madeAt, readings: outbox, noted: notes.stored, offline })
  const conditions = useConditions(jobId)
  const [system, setSystem] = useState<UnitSystem>(machineUnits)
  useEffect(() => {
    const shown = unitsShown()
    if (shown !== 'machine') setSystem(shown)
  }, [])
  const local = useMemo(() => showable(record, outbox.local), [record, outbox.local])
  const readings = useStanding(record, local)
  const { evaluation } = readings

  const [state, setState] = useState(() => opensAt(props, readings))
  const { stage, place, text, mode, question } = state
  const active = place.slot
  const index = Math.max(
    0,
    book.characteristics.findIndex(({ id }) => id === place.id),
  )
  const characteristic = book.characteristics[index] as Characteristic
  const slots = slotsOf(characteristic.method)
  const standing = readings.of(characteristic.id, stage)

  const clock = useClock(madeAt, offline, record.job.date)
  const inHand = useGaugeInHand(record, characteristic, active, today)
  const { gauge } = inHand
  const gaugeId = gauge?.id ?? null
  const takenUnder = conditions.at(gaugeId, quantityAt(characteristic.method, active) === 'length')
  const closed = closedBecause(view)

  const known: BenchKnown = {
    book,
    units: machineUnits,
    loaded: outbox.loaded,
    closed,
    person: person.name,
    standingOf: readings.of,
    historyOf: readings.historyOf,
    questionAt: (slot, figures, parsed, { figure, without }) =>
      (without === 'clock' ? null : clock.question()) ??
      (without === 'gauge' ? null : inHand.question(slot, standing)) ??
      (figure
        ? questionAt({
            record,
            characteristic,
            slot,
            text: figures,
            parsed,
            gauge: gauge ?? BY_EYE,
            conditions: takenUnder,
            today,
            stage,
            standing,
            standingOf: readings.of,
          })
        : null),
    taking: () => ({
      id: v7(),
      takenAt: now().toISOString(),
      by: person.name,
      gauge: gaugeId,
      conditions: takenUnder,
    }),
  }
  // What happens between two drawings goes on from what the last of it left.
  const latest = useRef(state)
  latest.current = state
  const { does } = useStable({
    does: (event: BenchEvent): void => {
      const { state: next, keep, keptQuestion } = bench(latest.current, event, known)
      latest.current = next
      setState(next)
      if (keptQuestion === 'gauge') inHand.keep()
      if (keptQuestion === 'clock') clock.keep()
      for (const made of keep) outbox.accept(made, bodyOf(made))
    },
  })

  const draft = useMemo((): Draft => ({ characteristic: place.id, slot: place.slot, stage, text }), [place, stage, text])
  useDraft(jobId, draft, ({ characteristic: id, slot, stage: at, text: typed }) =>
    does({ kind: 'restored', draft: { place: { id, slot }, stage: isStage(at) ? at : stage, text: typed } }),
  )
  useEffect(() => {
    const url = new URL(location.href)
    url.searchParams.set('c', place.id)
    if (stage === 'asFound') url.searchParams.delete('stage')
    else url.searchParams.set('stage', stage)
    history.replaceState(null, '', url)
  }, [place.id, stage])
  useEffect(() => {
    if (outbox.loaded) does({ kind: 'lookedUp' })
  }, [outbox.loaded, does])
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was waited for comes with the next book
  useEffect(() => does({ kind: 'bookCame' }), [book, does])
  const word = useGaugeWord(gaugeId, (sent) => does({ kind: 'sent', text: sent }))
  const cable = useSerialGauge(gauge?.code ?? null, (sent) => does({ kind: 'sent', text: sent }))

  // What is typed is evaluated as if it were accepted, so that results move with each key.
  const typed = text.trim() === '' || slots.length === 0 ? null : readTyped(characteristic, active, text, machineUnits)
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
  const whole = evaluated.characteristicAt(index) as CharacteristicResult
  const result = useMemo(() => evaluated.at(characteristic.id, stage), [evaluated, characteristic.id, stage])
  const noted = useMemo(() => foldNotes(book, record.job.entries), [book, record.job.entries])

  const standingAt = (slot: Slot): Reading | undefined =>
    standing.find((reading) => slotKey(reading) === slotKey(slot) && reading.kind !== 'withdrawn')

  const acts = useStable<BenchActs>({
    does,
    takeInHand: (id) => {
      inHand.take(id)
      does({ kind: 'gaugeTaken' })
    },
    insist: async (reading) => {
      const answer = await getJson<JobView>(`/api/jobs/${encodeURIComponent(jobId)}`)
      if (answer.kind !== 'ok') return does({ kind: 'said', sentence: say.serverCannotAsked })
      const theirs = standingReadings(answer.value.record.job.readings).find(
        (other) =>
          other.characteristic === reading.characteristic && other.stage === reading.stage && slotKey(other) === slotKey(reading),
      )
      outbox.drop(reading.id)
      const reason = theirs ? say.readSameTime(theirs.text, theirs.by) : reading.reason
      const made = { ...reading, id: v7(), supersedes: theirs?.id ?? null, reason }
      outbox.accept(made, bodyOf(made))
    },
    noteReading: async ({ id }, note) => {
      const told = await notes.write({ kind: 'readingNoted', reading: id, note })
      return told.kind === 'refused' ? told.message : null
    },
    toggleUnits: () => setSystem((before) => (before === 'metric' ? 'inch' : 'metric')),
  })
  return {
    record,
    noted,
    today,
    stage,
    results: () => evaluated.results,
    needAt: evaluated.needAt,
    fitAt: evaluated.fitAt,
    crossCheckAt: evaluated.crossCheckAt,
    characteristic,
    result,
    whole,
    doubts: () => doubtful(evaluation, (id) => readings.of(id, 'asFound')),
    resultAt: (at) => {
      const found = evaluated.characteristicAt(at)
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
    fault: state.fault,
    parsed: typed?.ok ? typed.value.parsed : null,
    mode,
    question,
    readings: outbox,
    inHand,
    gauge,
    conditions,
    word,
    cable,
    system,
    speaker: speakerOf(record.book, system, record.machine.meter),
    closed,
    lastTaken: lastTakenBy(person.name, standing),
    standingAt,
    awaitingReload: outbox.local.length - local.length,
    arrivedFrom: (id) => {
      const by = local.find(({ reading }) => reading.id === id)?.reading.by
      return by === undefined || by === person.name ? null : by
    },
    deliveryOf: (id) => outbox.local.find((item) => item.reading.id === id)?.delivery ?? null,
    noteAt: ({ id }) => noted.readingNotes.get(id)?.note ?? '',
    acts,
  }
}
