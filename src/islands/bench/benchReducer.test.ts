/** What follows at the bench from what is done: without a page, a server or a clock. */
import { describe, expect, test } from 'vitest'
import { evaluate } from '../../core/evaluate/evaluate'
import type { Reading } from '../../core/record/recordSchema'
import { smallBook, smallReading, smallRecord } from '../../core/record/smallMachine.fixture'
import type { Stage } from '../../core/record/stage'
import { standingReadings } from '../../core/record/standing'
import type { SlipQuestion } from '../../core/slip/slip'
import type { AtHand, BenchEvent, BenchKnown } from './benchEvents'
import { bench } from './benchReducer'

const A1 = { station: 'A', direction: '1', repeat: 1 }
const B1 = { station: 'B', direction: '1', repeat: 1 }
const float = (repeat: number) => ({ station: '-', direction: '-', repeat })
const slip = (code: string, likely: string | null = null): SlipQuestion =>
  ({ code, likely: likely === null ? null : { text: likely } }) as unknown as SlipQuestion

interface Setting {
  readonly readings?: readonly Reading[]
  readonly closed?: string
  readonly loaded?: boolean
  readonly person?: string
  /** Asked once for each text, until that is kept. */
  readonly asks?: (text: string, asked: { figure: boolean; without: string | null }) => SlipQuestion | null
}

/** A bench that stores what it accepts, as the page does between two drawings. */
class TestBench {
  readings: readonly Reading[]
  state: AtHand
  kept: string[] = []
  private made = 900
  constructor(
    private readonly setting: Setting,
    at: { id?: string; slot?: typeof A1; stage?: Stage } = {},
  ) {
    this.readings = setting.readings ?? []
    const { id = 'journal', slot = A1, stage = 'asFound' } = at
    const rest = { text: '', mode: { kind: 'read' }, question: null, fault: null, kept: null, awaited: null } as const
    this.state = { stage, place: { id, slot }, ...rest }
  }
  private known(): BenchKnown {
    const { closed = null, loaded = true, person = 'Ann', asks = () => null } = this.setting
    const of = (id: string, stage: Stage) =>
      this.readings.filter((reading) => reading.characteristic === id && reading.stage === stage)
    return {
      book: smallBook,
      units: 'metric',
      loaded,
      closed,
      person,
      standingOf: (id, stage) => standingReadings(of(id, stage)),
      historyOf: of,
      questionAt: (_slot, text, _value, asked) => asks(text, asked),
      taking: () => {
        this.made += 1
        const id = `01990000-0000-7000-8000-${String(this.made).padStart(12, '0')}`
        return { id, takenAt: '2026-06-01T10:00:00Z', by: person, gauge: 'mic', conditions: null }
      },
    }
  }
  does(...events: readonly (BenchEvent | string)[]): this {
    for (const event of events) {
      if (typeof event === 'string') {
        this.does({ kind: 'typed', text: event }, { kind: 'accept' })
        continue
      }
      const { state, keep, keptQuestion } = bench(this.state, event, this.known())
      this.state = state
      this.readings = [...this.readings, ...keep]
      if (keptQuestion) this.kept.push(keptQuestion)
    }
    return this
  }
  /** In short: where, what is typed, what is being done, what was stored. */
  get says(): string {
    const { place, text, mode, question, fault, stage } = this.state
    const words = [
      `${place.id} ${place.slot.station}/${place.slot.repeat}`,
      stage === 'asFound' ? '' : stage,
      text && `“${text}”`,
      mode.kind === 'read' ? '' : mode.kind,
      question && `asks ${question.code}`,
      fault && `! ${fault.split(' ').slice(0, 3).join(' ')}`,
    ]
    return words.filter(Boolean).join(', ')
  }
  get stored(): string {
    return this.readings
      .map(({ station, repeat, text, kind, supersedes, reason }) =>
        [`${station}/${repeat}`, text, kind === 'point' ? '' : kind, supersedes ? 'over' : '', reason ? `(${reason})` : '']
          .filter(Boolean)
          .join(' '),
      )
      .join('; ')
  }
}

const a = smallReading(1, 'journal', A1, '39.95')
const b = smallReading(2, 'journal', B1, '39.94', { by: 'Ben' })
const f1 = smallReading(3, 'float', float(1), '0.30')

const cases: readonly [what: string, setting: Setting, does: readonly (BenchEvent | string)[], says: string, stored: string][] = [
  ['a figure is stored, and the next place comes', {}, ['39.95'], 'journal B/1', 'A/1 39.95'],
  ['the last figure of a set stays where it is', { readings: [b] }, ['39.95'], 'journal A/1', 'B/1 39.94; A/1 39.95'],
  [
    'nothing typed at a read place goes to what is open',
    { readings: [a, b] },
    [{ kind: 'accept' }],
    'float -/1',
    'A/1 39.95; B/1 39.94',
  ],
  ['nothing typed at an open place does nothing', {}, [{ kind: 'accept' }], 'journal A/1', ''],
  ['what cannot be read says so and keeps its text', {}, ['abc'], 'journal A/1, “abc”, ! “abc” is not', ''],
  ['nothing is accepted before what waits here is looked up', { loaded: false }, ['39.95'], 'journal A/1, “39.95”', ''],
  [
    'nothing is accepted where the job is closed',
    { closed: 'It is signed.' },
    ['39.95'],
    'journal A/1, “39.95”, ! It is signed.',
    '',
  ],
  [
    'typed over a reading it becomes a correction that wants a reason',
    { readings: [a] },
    ['39.96'],
    'journal A/1, “39.96”, correct',
    'A/1 39.95',
  ],
  [
    'a correction without a reason is not stored',
    { readings: [a] },
    ['39.96', { kind: 'accept' }],
    'journal A/1, “39.96”, correct, ! Say why it',
    'A/1 39.95',
  ],
  [
    'with its reason it stands over the other',
    { readings: [a] },
    ['39.96', { kind: 'setReason', reason: 'Misread' }, { kind: 'accept' }],
    'journal B/1',
    'A/1 39.95; A/1 39.96 over (Misread)',
  ],
  [
    'what looks like a slip is asked about, and nothing is stored',
    { asks: () => slip('farOff', '39.95') },
    ['399.5', { kind: 'accept' }],
    'journal A/1, “399.5”, asks farOff',
    '',
  ],
  [
    'the suggestion is stored in its place',
    { asks: (_text, { figure }) => (figure ? slip('farOff', '39.95') : null) },
    ['399.5', { kind: 'takeSuggestion' }],
    'journal B/1',
    'A/1 39.95',
  ],
  [
    'what was typed is kept when the person says so',
    { asks: (_text, { figure }) => (figure ? slip('farOff', '39.95') : null) },
    ['399.5', { kind: 'keepTyped' }],
    'journal B/1',
    'A/1 399.5',
  ],
  [
    'a gauge that is kept says nothing yet about the figure',
    { asks: (_text, { figure, without }) => (without === 'gauge' ? (figure ? slip('farOff') : null) : slip('noGauge')) },
    ['399.5', { kind: 'keepTyped' }],
    'journal A/1, “399.5”, asks farOff',
    '',
  ],
  [
    'typing anew takes the question away',
    { asks: () => slip('farOff') },
    ['399.5', { kind: 'typed', text: '3' }],
    'journal A/1, “3”',
    '',
  ],
  [
    'a text kept at a correction is not asked about again when its reason comes',
    { readings: [a], asks: (_text, { figure }) => (figure ? slip('farOff') : null) },
    ['41', { kind: 'accept' }, { kind: 'keepTyped' }, { kind: 'setReason', reason: 'Misread' }, { kind: 'accept' }],
    'journal B/1',
    'A/1 39.95; A/1 41 over (Misread)',
  ],
  [
    'it cannot be measured: with a reason it is marked',
    {},
    [{ kind: 'markCannot' }, { kind: 'accept' }],
    'journal A/1, cannot, ! Say why it',
    '',
  ],
  [
    'and stored',
    {},
    [{ kind: 'markCannot' }, { kind: 'setReason', reason: 'Not reached' }, { kind: 'accept' }],
    'journal B/1',
    'A/1 – cannot (Not reached)',
  ],
  ['escape leaves what was begun', { readings: [a] }, ['39.96', { kind: 'cancel' }], 'journal A/1', 'A/1 39.95'],
  [
    'a set is read again from its first place, each over the one before',
    { readings: [a, b] },
    [{ kind: 'retake' }, { kind: 'setReason', reason: 'Warm part' }, { kind: 'accept' }, '39.96', '39.93'],
    'journal B/1',
    'A/1 39.95; B/1 39.94; A/1 39.96 over (Warm part); B/1 39.93 over (Warm part)',
  ],
  ['a set that was never read is not read again', {}, [{ kind: 'retake' }], 'journal A/1', ''],
  [
    'undoing takes back the own one, and its figure is typed again',
    { readings: [a] },
    [{ kind: 'undo' }],
    'journal A/1, “39.95”',
    'A/1 39.95; A/1 39.95 withdrawn over (Withdrawn at once)',
  ],
  ['what another person read is not undone', { readings: [b] }, [{ kind: 'undo' }], 'journal A/1, ! You have taken', 'B/1 39.94'],
  [
    'read again after it was taken back, it says so',
    { readings: [a] },
    [{ kind: 'undo' }, '39.97'],
    'journal B/1',
    'A/1 39.95; A/1 39.95 withdrawn over (Withdrawn at once); A/1 39.97 over (Read again after it was withdrawn)',
  ],
  [
    'the last one means the own one',
    { readings: [a, b] },
    [{ kind: 'goTo', characteristic: 'journal', slot: B1 }, { kind: 'correctLast' }],
    'journal A/1, correct',
    'A/1 39.95; B/1 39.94',
  ],
  ['parts go round', {}, [{ kind: 'step', parts: -1 }], 'turns 1/1', ''],
  [
    'going on empties the field',
    {},
    [
      { kind: 'typed', text: '39' },
      { kind: 'step', parts: 1 },
    ],
    'float -/1',
    '',
  ],
  [
    'another repeat comes after the last one',
    { readings: [f1] },
    [{ kind: 'goTo', characteristic: 'float' }, '0.31', { kind: 'another' }],
    'float -/3',
    '-/1 0.30; -/2 0.31',
  ],
  ['there is no other repeat of a diameter', {}, [{ kind: 'another' }], 'journal A/1', ''],
  ['a gauge speaks for the place that is read', {}, [{ kind: 'sent', text: '39.95' }], 'journal B/1', 'A/1 39.95'],
  [
    'never over what is typed',
    {},
    [
      { kind: 'typed', text: '3' },
      { kind: 'sent', text: '39.95' },
    ],
    'journal A/1, “3”, ! The gauge sent',
    '',
  ],
  [
    'never at a place that is read',
    { readings: [a] },
    [{ kind: 'sent', text: '39.95' }],
    'journal A/1, ! The gauge sent',
    'A/1 39.95',
  ],
  [
    'never over a question',
    { asks: () => slip('farOff') },
    ['41', { kind: 'sent', text: '39.95' }],
    'journal A/1, “41”, asks farOff, ! The gauge sent',
    '',
  ],
  [
    'never over a reason that waits',
    {},
    [{ kind: 'markCannot' }, { kind: 'sent', text: '39.95' }],
    'journal A/1, cannot, ! The gauge sent',
    '',
  ],
  ['at another stage its own places are open', { readings: [a] }, [{ kind: 'nextStage' }], 'journal A/1, afterWork', 'A/1 39.95'],
  [
    'what was just typed of a book is gone to when it is there',
    {},
    [{ kind: 'goWhenThere', characteristic: 'float' }],
    'float -/1',
    '',
  ],
  ['and not before', {}, [{ kind: 'goWhenThere', characteristic: 'later' }], 'journal A/1', ''],
  ['a place that was filled meanwhile is left', { readings: [a] }, [{ kind: 'lookedUp' }], 'journal B/1', 'A/1 39.95'],
  [
    'but not while something is typed',
    { readings: [a] },
    [{ kind: 'typed', text: '39' }, { kind: 'lookedUp' }],
    'journal A/1, “39”',
    'A/1 39.95',
  ],
  [
    'what was typed before a reload is there again',
    {},
    [{ kind: 'restored', draft: { place: { id: 'float', slot: float(2) }, stage: 'asLeft', text: '0.2' } }],
    'float -/2, asLeft, “0.2”',
    '',
  ],
  [
    'a draft of a place that is no more is left alone',
    {},
    [{ kind: 'restored', draft: { place: { id: 'gone', slot: A1 }, stage: 'asFound', text: '1' } }],
    'journal A/1',
    '',
  ],
]

test.each(cases)('%s', (_what, setting, does, says, stored) => {
  const at = new TestBench(setting).does(...does)
  expect(at.says).toBe(says)
  expect(at.stored).toBe(stored)
})

describe('whatever is done', () => {
  test('what is stored can be read back as a record and evaluated', () => {
    const { readings } = new TestBench({}).does(
      '39.95',
      '39.84',
      { kind: 'goTo', characteristic: 'float' },
      '0.30',
      '0.31',
      { kind: 'correctLast' },
      '0.32',
      { kind: 'setReason', reason: 'Misread' },
      { kind: 'accept' },
      { kind: 'goTo', characteristic: 'turns' },
      '+',
    )
    const [part] = evaluate(smallRecord(readings)).parts
    expect(part?.verdict).toBe('replace')
    expect(evaluate(smallRecord(readings.slice(0, 1))).parts[0]?.verdict).toBe('hold')
  })
  test('a gauge or a clock that is kept is told to the page, once', () => {
    const at = new TestBench({ asks: (_text, { without }) => (without === 'clock' ? null : slip('clockOff')) })
    expect(at.does('39.95', { kind: 'keepTyped' }).kept).toEqual(['clock'])
  })
})
