/** Each assembly of the kit through the whole order of work on a real database, to a report that verifies. */
import { expect, test } from 'vitest'
import { contextOf, type TestDatabase, testDay } from '../../../scripts/lib/testDatabase'
import type { DraftChange } from '../../contract/bodies'
import type { Characteristic } from '../../core/book/bookSchema'
import { evaluate } from '../../core/evaluate/evaluate'
import type { GaugeKind } from '../../core/gauge/gaugeKinds'
import { readiness } from '../../core/job/ready'
import { notSetYet } from '../../core/job/settings'
import { assemblies } from '../../core/kit/assemblies'
import type { Assembly } from '../../core/kit/assembly'
import { figuresOf, textAt } from '../../core/kit/everyAssembly.fixture'
import { sheetRows } from '../../core/kit/limitSheet'
import { formAt, slotsOf } from '../../core/method/layout'
import type { EntryBody } from '../../core/notes/entrySchema'
import { foldNotes } from '../../core/notes/fold'
import { type JobStep, jobSteps } from '../../core/notes/steps'
import type { Stage } from '../../core/record/stage'
import { gaugeKindAt } from '../../core/record/typedReading'
import { levelsInPlay } from '../../core/scope/need'
import { gauge } from '../../db/schema'
import type { Context } from '../edge/context'
import { newId } from '../edge/refused.fixture'
import { confirmStep } from '../jobs/confirmStep'
import { decidePart } from '../jobs/decidePart'
import { buildJobView } from '../jobs/jobView'
import { openJob } from '../jobs/openJob'
import { addMachine } from '../machines/addMachine'
import { addEntries } from '../notes/addEntries'
import { acceptReading } from '../readings/acceptReading'
import { recordHash } from '../reports/canonical'
import { review, type Signing } from '../reports/review'
import { verifyReport } from '../reports/verifyReport'
import { changeDraft } from './changeDraft'

type Journey = { readonly inspector: Context; readonly reviewer: Context; readonly job: string }

const UNITS = ['metric', 'inch'] as const

/** A machine of one assembly, every limit typed by one person and agreed by another, and a job opened on it. */
async function begun(planner: Context, assembly: Assembly, units: (typeof UNITS)[number]): Promise<Journey> {
  const [inspector, reviewer] = [contextOf(planner.db, 'inspector'), contextOf(planner.db, 'reviewer')]
  const { id } = await addMachine(planner, {
    id: newId(),
    station: 'Yard',
    name: `${assembly.one} ${newId()}`,
    units,
    meter: 'cycles',
  })
  let base: string | null = null
  const change = async (context: Context, what: DraftChange) => {
    const view = await changeDraft(context, id, { id: newId(), base, change: what })
    base = view.revision
    return view.book
  }
  const book = await change(inspector, {
    kind: 'add',
    assembly: assembly.id,
    names: ['One'],
    into: null,
    answers: figuresOf(assembly),
  })
  const wanted = sheetRows(book).map(({ of, judges, side }) => ({ of, judges, side }))
  if (wanted.length > 0) {
    const rest = { new: '', plan: '', whenPassed: 'mend', instruction: '', document: 'TE-1', page: '4' } as const
    await change(inspector, {
      kind: 'limits',
      rows: wanted.map((of) => ({ ...of, ...rest, wear: of.side === 'upper' ? '900' : '-900' })),
    })
    await change(reviewer, { kind: 'check', rows: wanted.map((of) => ({ ...of, agrees: true, note: '' })) })
  }
  const job = newId()
  await openJob(planner, id, {
    id: job,
    level: 'full',
    runningHours: 1200,
    readOn: testDay,
    reason: 'Due',
    complaint: '',
    returnBy: null,
    mustRunHours: 800,
    starts: null,
    practice: false,
    policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
    hoursNote: null,
  })
  return { inspector, reviewer, job }
}

const recordOf = async ({ inspector, job }: Journey) => (await buildJobView(inspector, inspector.db, job)).record

async function note({ inspector, job }: Journey, ...bodies: EntryBody[]): Promise<void> {
  if (bodies.length > 0) await addEntries(inspector, job, { entries: bodies.map((body) => ({ id: newId(), seen: null, body })) })
}

const A_DAY_MS = 86_400_000

const goesBack = ({ phase }: JobStep): boolean => phase === 'rebuild' || phase === 'prove'

/** Every step of these stages done in its order. */
async function worked(journey: Journey, isNow: (step: JobStep) => boolean): Promise<void> {
  const record = await recordOf(journey)
  const noted = foldNotes(record.book, record.job.entries)
  const steps = jobSteps(record.book, noted, levelsInPlay(evaluate(record).scope)).filter(isNow)
  const licensed = { name: 'Nora Fell', licence: 'TE-P 4' }
  const begun: EntryBody[] = steps.flatMap(({ id, book }) => (book?.wait ? [{ kind: 'waitStarted', step: id }] : []))
  const { now } = journey.inspector
  const later = { ...journey, inspector: { ...journey.inspector, now: () => new Date(now().getTime() + A_DAY_MS) } }
  for (const step of steps) {
    await note(journey, ...begun.filter((of) => 'step' in of && of.step === step.id))
    for (const id of step.book?.destroys ?? []) await note(journey, { kind: 'thicknessTaken', position: id, text: '2 mm' })
    await note(later, { kind: 'stepDone', step: step.id, note: '', licensed: step.licensed === null ? null : licensed })
  }
}

async function inspected(journey: Journey): Promise<void> {
  const { book } = await recordOf(journey)
  await note(journey, ...book.parts.map(({ id }): EntryBody => ({ kind: 'inspected', part: id, note: '' })))
}

type Now = (of: Characteristic) => Stage | null

/** As found, and as left what only then is there. */
const whenFound: Now = ({ asLeftOnly }) => (asLeftOnly ? 'asLeft' : 'asFound')

async function measured(journey: Journey, stageOf: Now = whenFound): Promise<void> {
  const { inspector, job } = journey
  const { book } = await recordOf(journey)
  const known = new Set<string>()
  const inHand = async (kind: GaugeKind): Promise<string> => {
    const id = `any-${kind}`
    if (!known.has(id))
      await inspector.db
        .insert(gauge)
        .values({
          id,
          code: id,
          name: id,
          kind,
          calibrationDue: '2030-01-01',
          resolution: '0.001',
          maximumPermissibleError: '0.002',
        })
        .onConflictDoNothing()
    known.add(id)
    return id
  }
  for (const own of book.characteristics) {
    const stage = stageOf(own)
    if (stage !== null)
      for (const slot of slotsOf(own.method)) {
        const kind = gaugeKindAt(own, slot)
        await acceptReading(inspector, job, {
          id: newId(),
          characteristic: own.id,
          ...slot,
          stage,
          kind: 'read',
          text: textAt(own, slot),
          conditions: null,
          gauge: formAt(own.method, slot).kind === 'quantity' && kind !== 'eye' ? await inHand(kind) : null,
          takenAt: `${testDay}T11:59:00Z`,
          supersedes: null,
          reason: null,
        })
      }
  }
}

/** What rests on a part that was renewed is set again, and taken as left. */
async function setAgain(journey: Journey): Promise<void> {
  const waiting = new Set(notSetYet(await recordOf(journey)).flatMap(({ measures }) => measures))
  await measured(journey, ({ id }) => (waiting.has(id) ? 'asLeft' : null))
  expect(notSetYet(await recordOf(journey))).toEqual([])
}

/** Each part by what is recommended; what holds, by the cautious end of it with a reason. */
async function decided(journey: Journey): Promise<void> {
  const { inspector, job } = journey
  for (const { id, verdict } of evaluate(await recordOf(journey)).parts)
    await decidePart(inspector, job, {
      id: newId(),
      part: id,
      recommended: verdict,
      decided: verdict === 'hold' ? 'replace' : verdict,
      reason: verdict === 'hold' ? 'In doubt, and new ones are at hand' : null,
      route: null,
    })
}

/** Told of the database that all use cases share. */
export function journeyCases(database: () => TestDatabase): void {
  const signing: Signing = { checkPassword: async () => true, takeCode: async () => 'none', key: () => database().key() }
  test.each(assemblies.map((assembly, at) => [assembly.name, assembly, UNITS[at % 2] ?? 'metric'] as const))(
    '%s: composed, worked, measured, decided and signed, and it verifies',
    async (_, assembly, units) => {
      await database().as('planner', async (planner) => {
        const journey = await begun(planner, assembly, units)
        await worked(journey, (step) => !goesBack(step))
        await inspected(journey)
        await measured(journey)
        await decided(journey)
        const { inspector, reviewer, job } = journey
        await confirmStep(inspector, job, { id: newId(), step: 'order', note: '' })
        await setAgain(journey)
        await worked(journey, goesBack)
        expect(readiness(await recordOf(journey), evaluate(await recordOf(journey)), new Set(['order'])).exceptions).toEqual([])
        await review(inspector, job, { kind: 'send', id: newId(), note: 'Nothing to add' }, signing)
        const recordSha256 = recordHash(await recordOf({ ...journey, inspector: reviewer }))
        await review(
          reviewer,
          job,
          { kind: 'sign', id: newId(), password: 'right', code: '', recordSha256, reason: 'As found' },
          signing,
        )
        const { reportId, record } = await buildJobView(reviewer, reviewer.db, job)
        const said = await verifyReport(reviewer.db, reportId ?? '', database().key().publicKey)
        expect(said?.findings.filter(({ holds }) => !holds)).toEqual([])
        expect(record.book.parts.length).toBeGreaterThan(0)
        expect(record.decisions).toHaveLength(record.book.parts.length)
      })
    },
    60_000,
  )
}
