import { expect, test } from 'vitest'
import { brokenFrom } from '../base/random.fixture'
import { evaluate } from '../evaluate/evaluate'
import type { InspectionRecord } from '../record/recordSchema'
import { anyComposed, crackIn } from './anyComposed.fixture'
import { composedLaws } from './composedSoundness.fixture'
import { falseReuse } from './reuseReader.fixture'

const FROM = 20_261_201
const MACHINES = 60

test.each(composedLaws)(
  `${MACHINES} machines composed from seed ${FROM}: %s`,
  (_, law) => {
    expect(brokenFrom(FROM, MACHINES, law)).toEqual([])
  },
  120_000,
)

test('reuse is found often enough for the law to bite', () => {
  let reused = 0
  for (let seed = FROM; seed < FROM + 60; seed += 1)
    reused += evaluate(anyComposed(seed)).parts.filter(({ verdict }) => verdict === 'reuse').length
  expect(reused).toBeGreaterThan(150)
})

type Plant = (record: InspectionRecord, part: string) => InspectionRecord
const withBook = (record: InspectionRecord, over: Partial<InspectionRecord['book']>): InspectionRecord => ({
  ...record,
  book: { ...record.book, ...over },
})
const ofPart = (
  record: InspectionRecord,
  part: string,
  change: (of: InspectionRecord['book']['characteristics'][number]) => object,
) =>
  withBook(record, {
    characteristics: record.book.characteristics.map((of) =>
      of.part === part && of.limits.length > 0 ? { ...of, ...change(of) } : of,
    ),
  })
const readings = (
  record: InspectionRecord,
  change: (of: InspectionRecord['job']['readings'][number]) => object | null,
): InspectionRecord => ({
  ...record,
  job: { ...record.job, readings: record.job.readings.flatMap((of) => change(of) ?? []) as InspectionRecord['job']['readings'] },
})
const isOn = (record: InspectionRecord, part: string, id: string): boolean =>
  record.book.characteristics.some((of) => of.id === id && of.part === part && of.limits.length > 0)
const WAITS = { by: 'Ann', at: '2026-05-01T08:00:00Z', check: null }

/** Ways to a false reuse: what was told before is taken away, and somebody says reuse all the same. */
const plants: readonly (readonly [string, Plant])[] = [
  ['no limit is typed', (record, part) => ofPart(record, part, () => ({ limits: [] }))],
  ['one of several limits is not typed', (record, part) => ofPart(record, part, ({ limits }) => ({ limits: limits.slice(1) }))],
  [
    'the second person does not find a limit',
    (record, part) =>
      ofPart(record, part, ({ limits }) => ({
        limits: limits.map((limit) => ({ ...limit, typed: { ...WAITS, check: { by: 'Ben', at: '', agrees: false, note: '' } } })),
      })),
  ],
  [
    'nobody has checked what may hurt',
    (record, part) =>
      ofPart(record, part, ({ limits }) => ({ safety: true, limits: limits.map((limit) => ({ ...limit, typed: WAITS })) })),
  ],
  ['nothing is read', (record, part) => readings(record, (of) => (isOn(record, part, of.characteristic) ? null : of))],
  [
    'a place is not read',
    (record, part) => {
      const first = record.job.readings.find(({ characteristic }) => isOn(record, part, characteristic))
      return readings(record, (of) => (of.id === first?.id ? null : of))
    },
  ],
  [
    'nobody knows by which gauge',
    (record, part) => readings(record, (of) => (isOn(record, part, of.characteristic) ? { ...of, gauge: null } : of)),
  ],
  [
    'the gauge had lapsed',
    (record) => ({ ...record, gauges: record.gauges.map((of) => ({ ...of, calibrationDue: '2020-01-01' })) }),
  ],
  [
    'a reading is beyond its limit',
    (record, part) =>
      ofPart(record, part, ({ limits }) => ({
        limits: limits.map((limit) => ({ ...limit, wear: limit.side === 'upper' ? 1 : 3 })),
      })),
  ],
  [
    'it is renewed always',
    (record, part) =>
      withBook(record, { parts: record.book.parts.map((of) => (of.id === part ? { ...of, renewedAlways: true } : of)) }),
  ],
  [
    'a crack was found',
    (record, part) => {
      const entry = {
        id: '01990000-0000-7000-8000-00000000c4ad',
        by: 'Ann',
        at: '2026-06-01T09:00:00Z',
        body: crackIn(part, 'c4ac'),
      }
      return { ...record, job: { ...record.job, entries: [...record.job.entries, entry] } }
    },
  ],
  [
    'its fit has no limits',
    (record, part) => withBook(record, { fits: record.book.fits.map((fit) => ({ ...fit, mendOn: part, limits: [] })) }),
  ],
]
const PLAIN = new Set(['boreDiameter', 'outsideDiameter', 'size', 'grooveWidth'])

/** Parts of a record that are reuse and have several limits on a plain size, of which nothing is found. */
const reusableIn = (record: InspectionRecord) =>
  evaluate(record).parts.filter(({ id, verdict }) => {
    const own = record.book.characteristics.filter((of) => of.part === id && of.limits.length > 1 && PLAIN.has(of.method.kind))
    return verdict === 'reuse' && own.length > 0
  })

/** A machine with two such parts and a fit. */
const sound = ((): InspectionRecord => {
  for (let seed = FROM; ; seed += 1) {
    const record = anyComposed(seed)
    const isFitted = record.book.fits.some(({ limits, wants }) => limits.length > 0 && (wants ?? []).length > 0)
    if (isFitted && evaluate(record).scope.gate === null && reusableIn(record).length > 1) return record
  }
})()
const reusable = reusableIn(sound)

test.each(plants)('the reader catches a reuse where %s', (_, plant) => {
  const part = reusable[0]?.id ?? ''
  expect(falseReuse(sound, [{ part, verdict: 'reuse' }])).toEqual([])
  expect(falseReuse(plant(sound, part), [{ part, verdict: 'reuse' }])).toHaveLength(1)
})

test('one of a set is not kept beside another that goes', () => {
  const [a, b] = reusable
  const set = { kind: 'set' as const, parts: [b?.id ?? ''], source: { document: 'M1', page: '1' } }
  const bound = withBook(sound, { parts: sound.book.parts.map((of) => (of.id === a?.id ? { ...of, service: [set] } : of)) })
  const claims = [
    { part: a?.id ?? '', verdict: 'reuse' },
    { part: b?.id ?? '', verdict: 'replace' },
  ]
  expect(falseReuse(bound, claims)).toHaveLength(1)
})
