import type { Characteristic } from '../../core/book/bookSchema'
import { acceptsSlot, layoutOf, type Slot, slotKey, slotsOf } from '../../core/method/layout'
import type { Reading } from '../../core/record/recordSchema'
import { type Stage, stages } from '../../core/record/stage'
import { readTyped } from '../../core/record/typedReading'
import type { SlipQuestion } from '../../core/slip/slip'
import { readingFaultWords } from '../../core/words/quantities'
import { say } from '../../labels/bench'
import type { AtHand, BenchEvent, BenchKnown, Done, KeptQuestion, Mode } from './benchEvents'
import { lastToUndo, latestOf, NO_VALUE, onlySlot } from './benchRecord'

const READ: Mode = { kind: 'read' }
const CLEAR = { text: '', fault: null, question: null, kept: null } as const
const RESET = { ...CLEAR, mode: READ } as const
const LEAST_REASON = 3
const isReason = (reason: string): boolean => reason.trim().length >= LEAST_REASON

const done = (state: AtHand, keep: readonly Reading[] = [], keptQuestion: KeptQuestion | null = null): Done => ({
  state,
  keep,
  keptQuestion,
})

/** One thing done at the bench: what is at hand then, and what is to be stored. */
export function bench(state: AtHand, event: BenchEvent, known: BenchKnown): Done {
  return new Bench(state, known).does(event)
}

/** The first place of a characteristic that is not read at a stage; its first place when all are. */
export function firstOpen(known: Pick<BenchKnown, 'standingOf'>, of: Characteristic, stage: Stage): Slot {
  const slots = slotsOf(of.method)
  const read = readAt(known, of.id, stage)
  return slots.find((slot) => !read.has(slotKey(slot))) ?? slots[0] ?? { station: '-', direction: '-', repeat: 1 }
}

/** Whether any place of a characteristic is not read at a stage. */
export function hasOpen(known: Pick<BenchKnown, 'standingOf'>, of: Characteristic, stage: Stage): boolean {
  const read = readAt(known, of.id, stage)
  return slotsOf(of.method).some((slot) => !read.has(slotKey(slot)))
}

const readAt = (known: Pick<BenchKnown, 'standingOf'>, id: string, stage: Stage): ReadonlySet<string> =>
  new Set(known.standingOf(id, stage).flatMap((reading) => (reading.kind === 'withdrawn' ? [] : slotKey(reading))))

/** The reading a person means by the last one: their own, and only where there is none, somebody else's. */
export function lastTakenBy(person: string, standing: readonly Reading[]): Reading | undefined {
  const taken = standing.filter(({ kind }) => kind !== 'withdrawn')
  return latestOf(taken.filter(({ by }) => by === person)) ?? latestOf(taken)
}

type Rest = Pick<Reading, 'kind' | 'value' | 'low' | 'high' | 'defaultUnit' | 'masterMm' | 'text' | 'supersedes' | 'reason'>

class Bench {
  private readonly index: number
  private readonly characteristic: Characteristic
  private readonly slots: readonly Slot[]
  constructor(
    private readonly state: AtHand,
    private readonly known: BenchKnown,
  ) {
    const { characteristics } = known.book
    this.index = Math.max(
      0,
      characteristics.findIndex(({ id }) => id === state.place.id),
    )
    this.characteristic = characteristics[this.index] as Characteristic
    this.slots = slotsOf(this.characteristic.method)
  }

  does(event: BenchEvent): Done {
    const { state, known, characteristic } = this
    const { place, mode, question, text } = state
    switch (event.kind) {
      case 'typed':
        return this.with({ text: event.text, fault: null, question: null })
      case 'accept':
        return question === null ? this.accept(place.slot, text, true) : done(state)
      case 'acceptAt':
        return question === null ? this.accept(event.slot, event.text, true) : done(state)
      case 'sent':
        return this.take(event.text)
      case 'paint':
        return this.paint(event.slot, event.text)
      case 'leavePainted':
        return this.at(characteristic.id, firstOpen(known, characteristic, state.stage))
      case 'takeSuggestion':
        return question?.likely ? this.accept(place.slot, question.likely.text, false) : done(state)
      case 'keepTyped': {
        // A gauge or a clock that is kept says nothing yet about the figure.
        const kept = keptBy(question)
        const { state: next, keep } = this.accept(place.slot, text, kept !== null, kept)
        return done(next, keep, kept)
      }
      case 'goTo':
        return this.goTo(event.characteristic, event.slot)
      case 'moveBy': {
        const here = this.slots.findIndex((slot) => slotKey(slot) === slotKey(event.from))
        const target = this.slots[(here + event.steps + this.slots.length) % this.slots.length]
        return target ? this.goTo(characteristic.id, target) : done(state)
      }
      case 'step': {
        const { characteristics } = known.book
        const target = characteristics[(this.index + event.parts + characteristics.length) % characteristics.length]
        return target ? this.goTo(target.id) : done(state)
      }
      case 'correct':
        return this.correct(event.slot)
      case 'correctLast': {
        const last = lastTakenBy(known.person, this.standing())
        return last ? this.correct(last) : done(state)
      }
      case 'undo':
        return this.undo()
      case 'markCannot':
        return known.closed !== null || this.slots.length === 0
          ? done(state)
          : this.with({ ...CLEAR, mode: { kind: 'cannot', reason: '' } })
      case 'retake':
        return known.closed !== null || known.historyOf(characteristic.id, state.stage).length === 0
          ? done(state)
          : this.with({ ...CLEAR, mode: { kind: 'retake', reason: '', begun: false, done: new Set() } })
      case 'another':
        return this.another()
      case 'setReason':
        return this.with({ fault: null, mode: mode.kind === 'read' ? mode : { ...mode, reason: event.reason } })
      case 'cancel':
        return this.with(RESET)
      case 'gaugeTaken':
        return this.with({ question: null })
      case 'measureAt':
        return this.measureAt(event.stage)
      case 'nextStage':
        return this.measureAt(stages[(stages.indexOf(state.stage) + 1) % stages.length] ?? 'asFound')
      case 'goWhenThere':
        return new Bench({ ...state, awaited: event.characteristic }, known).does({ kind: 'bookCame' })
      case 'bookCame': {
        const { awaited } = state
        if (awaited === null || !this.find(awaited)) return done(state)
        return new Bench({ ...state, awaited: null }, known).goTo(awaited)
      }
      case 'lookedUp':
        return text === '' && mode.kind === 'read' && this.read(place.slot)
          ? this.at(characteristic.id, firstOpen(known, characteristic, state.stage))
          : done(state)
      case 'restored': {
        const { draft } = event
        const of = this.find(draft.place.id)
        if (!of || !acceptsSlot(of.method, draft.place.slot)) return done(state)
        return this.with({ ...draft, place: { id: of.id, slot: onlySlot(draft.place.slot) } })
      }
      case 'said':
        return this.refuse(event.sentence)
    }
  }

  private with(change: Partial<AtHand>): Done {
    return done({ ...this.state, ...change })
  }
  private at(id: string, slot: Slot, change: Partial<AtHand> = {}): Done {
    return this.with({ ...change, place: { id, slot: onlySlot(slot) } })
  }
  private refuse(sentence: string, change: Partial<AtHand> = {}): Done {
    return this.with({ ...change, fault: sentence })
  }
  private find(id: string): Characteristic | undefined {
    return this.known.book.characteristics.find((candidate) => candidate.id === id)
  }
  private standing(): readonly Reading[] {
    return this.known.standingOf(this.characteristic.id, this.state.stage)
  }
  private last(slot: Slot): Reading | undefined {
    return this.standing().find((reading) => slotKey(reading) === slotKey(slot))
  }
  /** What stands at a place; nothing where it was taken back. */
  private read(slot: Slot): Reading | undefined {
    const last = this.last(slot)
    return last?.kind === 'withdrawn' ? undefined : last
  }
  private make(slot: Slot, rest: Rest): Reading {
    const { conditions, ...taken } = this.known.taking()
    const isFigure = rest.kind === 'point' || rest.kind === 'interval'
    return {
      ...taken,
      characteristic: this.characteristic.id,
      ...onlySlot(slot),
      stage: this.state.stage,
      conditions: isFigure ? conditions : null,
      ...rest,
    }
  }

  private goTo(id: string, slot?: Slot): Done {
    const target = this.find(id)
    if (!target) return done(this.state)
    // A set that is read again goes on at another of its places.
    const isSameSet = target.id === this.characteristic.id && this.state.mode.kind === 'retake'
    return this.at(target.id, slot ?? firstOpen(this.known, target, this.state.stage), isSameSet ? CLEAR : RESET)
  }

  private correct(slot: Slot, text = ''): Done {
    const of = this.read(slot)
    if (!of || this.known.closed !== null) return done(this.state)
    return this.at(this.characteristic.id, of, { ...RESET, text, mode: { kind: 'correct', of, reason: '' } })
  }

  /** Accepts a text at a place; one that looks like a slip is asked about first. */
  private accept(slot: Slot, wanted: string, asks: boolean, without: KeptQuestion | null = null): Done {
    const { state, known, characteristic } = this
    const { mode } = state
    const figures = wanted.trim()
    if (!known.loaded) return done(state)
    if (known.closed !== null) return this.refuse(known.closed)
    if (mode.kind === 'cannot') return this.acceptCannot(slot, mode.reason)
    if (mode.kind === 'retake' && !mode.begun) {
      if (!isReason(mode.reason)) return this.refuse(say.sayWhySet)
      return this.at(characteristic.id, this.slots[0] ?? slot, { fault: null, mode: { ...mode, begun: true } })
    }
    const here = this.read(slot)
    if (figures === '') return here && mode.kind === 'read' ? this.nextOpen() : this.with({ fault: null })
    const understood = readTyped(characteristic, slot, figures, known.units)
    if (!understood.ok) return this.refuse(readingFaultWords(understood.fault))
    if (here && mode.kind === 'read') return this.correct(slot, figures)
    const figure = asks && state.kept !== figures
    const question = known.questionAt(slot, figures, understood.value.parsed, { figure, without })
    if (question) return this.at(characteristic.id, slot, { text: figures, question })
    if (mode.kind === 'correct' && !isReason(mode.reason))
      return this.refuse(say.sayWhyCorrected, {
        question: null,
        text: figures,
        kept: asks ? null : figures,
      })
    const last = this.last(slot)
    const made = this.make(slot, {
      ...understood.value.fields,
      text: figures,
      supersedes: last?.id ?? null,
      reason: last ? this.reasonFor(last) : null,
    })
    const next = new Bench({ ...state, ...CLEAR }, known)
    return mode.kind === 'retake' ? next.nextOfRetake(mode, made) : next.advance(made)
  }

  private reasonFor(last: Reading): string {
    const { mode } = this.state
    if (mode.kind === 'correct' || mode.kind === 'retake') return mode.reason.trim()
    return last.kind === 'withdrawn' ? say.readAgainAfter : say.readAgain
  }

  private acceptCannot(slot: Slot, reason: string): Done {
    if (!isReason(reason)) return this.refuse(say.sayWhyCannot)
    const nothing = { ...NO_VALUE, kind: 'cannot', defaultUnit: '', masterMm: null, text: '–' } as const
    const made = this.make(slot, { ...nothing, supersedes: this.last(slot)?.id ?? null, reason: reason.trim() })
    return new Bench({ ...this.state, ...CLEAR }, this.known).advance(made)
  }

  /** To the next place in walking order that is not read; stays when the set is complete. */
  private advance(made: Reading): Done {
    const here = this.slots.findIndex((slot) => slotKey(slot) === slotKey(made))
    const order = [...this.slots.slice(here + 1), ...this.slots.slice(0, Math.max(0, here))]
    const { state } = this.at(made.characteristic, order.find((slot) => !this.read(slot)) ?? made, { mode: READ })
    return done(state, [made])
  }

  private nextOfRetake(mode: Extract<Mode, { kind: 'retake' }>, made: Reading): Done {
    const read = new Set(mode.done).add(slotKey(made))
    const next = this.slots.find((slot) => !read.has(slotKey(slot)))
    const { state } = next ? this.at(made.characteristic, next, { mode: { ...mode, done: read } }) : this.with({ mode: READ })
    return done(state, [made])
  }

  /** From a complete set to the next characteristic with something to read. */
  private nextOpen(): Done {
    const { state, known, characteristic } = this
    const open = this.slots.find((slot) => !this.read(slot))
    if (open) return this.at(characteristic.id, open)
    const { characteristics } = known.book
    const order = [...characteristics.slice(this.index + 1), ...characteristics.slice(0, this.index)]
    const target = order.find((of) => hasOpen(known, of, state.stage))
    return target ? this.goTo(target.id) : done(state)
  }

  /** A gauge speaks for the place that is being read, and never over a question or a reason that waits for an answer. */
  private take(sent: string): Done {
    const { mode, question, text, place } = this.state
    if (question !== null) return this.refuse(say.gaugeSentWhile(sent))
    if (mode.kind === 'cannot' || (mode.kind === 'retake' && !mode.begun)) return this.refuse(say.gaugeSentSay(sent))
    if (text.trim() !== '') return this.refuse(say.gaugeSentWhileTyped(sent, text.trim()))
    if (this.read(place.slot) && mode.kind === 'read') return this.refuse(say.gaugeSentBut(sent))
    return this.accept(place.slot, sent, true)
  }

  /** Accepts what is painted at a place; painted over, it corrects what stood there. */
  private paint(slot: Slot, wanted: string): Done {
    const { state, known, characteristic } = this
    if (known.closed !== null) return this.refuse(known.closed)
    if (!known.loaded || state.mode.kind !== 'read') return done(state)
    const understood = readTyped(characteristic, slot, wanted, known.units)
    const last = this.last(slot)
    if (!understood.ok || (last?.kind === 'point' && last.value === understood.value.fields.value)) return done(state)
    const { fields } = understood.value
    const reason = last ? say.paintedOver : null
    return done(state, [this.make(slot, { ...fields, text: wanted, supersedes: last?.id ?? null, reason })])
  }

  private undo(): Done {
    const { state, known, characteristic } = this
    if (known.closed !== null) return done(state)
    const last = lastToUndo(known.historyOf(characteristic.id, state.stage), known.person)
    if (!last) return this.refuse(say.nothingHereRead)
    if (!this.standing().some(({ id }) => id === last.id)) return this.refuse(say.yourCorrectedSomebody(last.text))
    const { defaultUnit, masterMm, text, gauge, id } = last
    const withdrawn = { ...NO_VALUE, kind: 'withdrawn', defaultUnit, masterMm, text, supersedes: id } as const
    const made = { ...this.make(last, { ...withdrawn, reason: say.takenBackOnce }), gauge }
    const isFigure = last.kind === 'point' || last.kind === 'interval'
    const { state: next } = this.at(characteristic.id, last, { ...RESET, text: isFigure ? text : '' })
    return done(next, [made])
  }

  private another(): Done {
    const { state, characteristic } = this
    const { slot } = state.place
    if (!layoutOf(characteristic.method).moreRepeats) return done(state)
    const repeats = this.standing().flatMap((other) =>
      other.station === slot.station && other.direction === slot.direction && other.kind !== 'withdrawn' ? other.repeat : [],
    )
    const next = { ...slot, repeat: Math.max(0, ...repeats) + 1 }
    return acceptsSlot(characteristic.method, next) ? this.goTo(characteristic.id, next) : done(state)
  }

  private measureAt(stage: Stage): Done {
    const { state, known, characteristic } = this
    // Places are open by stage: the first that is not read at this one.
    return stage === state.stage
      ? done(state)
      : this.at(characteristic.id, firstOpen(known, characteristic, stage), { ...RESET, stage })
  }
}

const keptBy = (question: SlipQuestion | null): KeptQuestion | null => {
  if (question?.code === 'noGauge' || question?.code === 'otherKindOfGauge') return 'gauge'
  return question?.code === 'clockOff' ? 'clock' : null
}
