/** Fills an empty database with the invented stations, through the same use cases that people's clicks go through. */

import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { and, eq, isNull, like } from 'drizzle-orm'
import { v7 } from 'uuid'
import { dayOf } from '../src/clock/clock'
import { type LongWork, quietly } from '../src/contract/longWork'
import { bookSchema, type Characteristic, type LimitBook } from '../src/core/book/bookSchema'
import { faultsOf } from '../src/core/book/faults'
import { evaluate } from '../src/core/evaluate/evaluate'
import { slotsOf } from '../src/core/method/layout'
import { subjectOf } from '../src/core/notes/subject'
import type { Stage } from '../src/core/record/stage'
import { gaugeKindAt } from '../src/core/record/typedReading'
import { bookFaultWords } from '../src/core/words/recordFaults'
import type { Database, Executor } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { account, gauge, job, limitBook, machine, machineHours, user } from '../src/db/schema'
import type { Context } from '../src/server/edge/context'
import { stopUnlessWanted } from '../src/server/edge/longAnswer'
import { confirmStep } from '../src/server/jobs/confirmStep'
import { decidePart } from '../src/server/jobs/decidePart'
import { buildJobView } from '../src/server/jobs/jobView'
import { addEntries } from '../src/server/notes/addEntries'
import { addPicture } from '../src/server/notes/addPicture'
import type { Role } from '../src/server/people/roles'
import { acceptReading } from '../src/server/readings/acceptReading'
import { recordHash } from '../src/server/reports/canonical'
import { review, type Signing } from '../src/server/reports/review'
import type { SigningKey } from '../src/server/reports/signingKey'
import { drawPicture } from './drawnPictures'
import { laidOutOn } from './laidOut'
import { motion } from './larkhollow/motion/station'
import { larkhollow } from './larkhollow/station'
import { gates } from './quillmere/gates/station'
import { pump } from './quillmere/pump/station'
import { sisters } from './quillmere/stages'
import { DEMO_PASSWORD, people, quillmere } from './quillmere/station'
import { tarnEnd } from './tarnEnd/station'
import type { DemoGauge, DemoMachine, DemoNote, DemoOverhaul } from './types'

const MINUTE = 60_000
const written: readonly DemoMachine[] = [...quillmere, gates, pump, larkhollow, motion, ...sisters, ...tarnEnd]

/**
 * Seeds once, in one transaction: an interrupted seeding leaves nothing. True when it seeded.
 *
 * @param at now: the demo is laid out as of that day (`laidOutOn`)
 */
export async function seedDemo(db: Database, key: () => SigningKey, at: Date, long: LongWork = quietly): Promise<boolean> {
  return db.transaction(async (tx) => {
    // Two servers starting on one empty database: the second waits here and finds it seeded.
    await tx.execute('LOCK TABLE machine IN EXCLUSIVE MODE')
    // Where anybody has an account, people work: nothing made up is put beside what is theirs.
    if ((await tx.select().from(user)).length > 0 || (await tx.select().from(machine)).length > 0) return false
    await seedPeople(tx, at)
    const machines = laidOutOn(dayOf(at), written)
    for (const [done, one] of machines.entries()) {
      stopUnlessWanted(long)
      long.say({ stage: 'seeding', done, of: machines.length })
      await seedMachine(tx, one, storeOf(one, machines), at, key)
    }
    return true
  })
}

/** Whether somebody could sign in with the demo password. */
export async function demoPasswordWorks(db: Executor): Promise<boolean> {
  const rows = await db
    .select({ password: account.password })
    .from(account)
    .innerJoin(user, eq(user.id, account.userId))
    .where(and(like(user.id, 'demo-%'), isNull(user.disabledAt)))
  for (const { password } of rows)
    if (password !== null && (await verifyPassword({ hash: password, password: DEMO_PASSWORD }))) return true
  return false
}

async function seedPeople(db: Executor, at: Date): Promise<void> {
  const when = { createdAt: at, updatedAt: at }
  for (const { username, name, role } of people) {
    const id = `demo-${username}`
    const email = `${username}@quillmere.example`
    const called = { username, displayUsername: username }
    await db.insert(user).values({ id, name, email, emailVerified: true, ...called, role, ...when })
    await db.insert(account).values({
      id: `${id}-password`,
      accountId: id,
      providerId: 'credential',
      userId: id,
      password: await hashPassword(DEMO_PASSWORD),
      ...when,
    })
  }
}

/** Gauges of a machine's own; else of its station: unit 2 is measured with those of unit 1. */
const storeOf = ({ gauges, machine: { station } }: DemoMachine, machines: readonly DemoMachine[]): readonly DemoGauge[] =>
  gauges.length > 0 ? gauges : machines.filter((one) => one.machine.station === station).flatMap((one) => one.gauges)

async function seedMachine(
  db: Executor,
  demo: DemoMachine,
  store: readonly DemoGauge[],
  at: Date,
  key: () => SigningKey,
): Promise<void> {
  const book = bookSchema.parse(demo.book)
  const [fault] = faultsOf(book)
  if (fault) throw new Error(`${book.id}: ${fault.path.join('.')}: ${bookFaultWords(fault.fault)}`)
  await db.insert(limitBook).values(rowOfBook(book, at)).onConflictDoNothing()
  await db.insert(machine).values({ ...demo.machine, bookId: book.id })
  for (const item of demo.gauges)
    await db.insert(gauge).values({
      id: item.id,
      code: item.code,
      name: item.name,
      kind: item.kind,
      calibrationDue: item.calibrationDue,
      place: demo.machine.station,
      least: item.range === null ? null : String(item.range.least),
      greatest: item.range === null ? null : String(item.range.greatest),
      resolution: String(item.resolution),
      maximumPermissibleError: String(item.maximumPermissibleError),
      calibration: item.calibration ?? null,
      corrections: item.corrections ?? [],
      expansionPerK: item.expansionPerK === undefined ? null : String(item.expansionPerK),
    })
  for (const { date, hours } of demo.hours)
    await db.insert(machineHours).values({
      id: v7(),
      machineId: demo.machine.id,
      hours,
      readOn: date,
      readBy: 'demo-planner',
      notedAt: new Date(`${date}T08:00:00Z`),
    })
  for (const overhaul of demo.overhauls) await new Seeding(db, demo, overhaul, book, store, key).run()
}

/** One overhaul, noted minute by minute on a clock of its own. */
class Seeding {
  private clock: number
  private readonly signing: Signing
  /** What stands on each subject, as its author would have seen it. */
  private readonly standing = new Map<string, string>()

  constructor(
    private readonly db: Executor,
    private readonly demo: DemoMachine,
    private readonly overhaul: DemoOverhaul,
    private readonly book: LimitBook,
    private readonly store: readonly DemoGauge[],
    key: () => SigningKey,
  ) {
    this.signing = { checkPassword: async () => true, takeCode: async () => 'none', key }
    this.clock = new Date(`${overhaul.date}T07:30:00Z`).getTime()
  }

  async run(): Promise<void> {
    const { db, overhaul, book, demo } = this
    await db.insert(job).values({
      id: overhaul.id,
      machineId: demo.machine.id,
      bookId: book.id,
      bookRevision: book.revision,
      title: overhaul.title,
      reason: overhaul.reason,
      openedOn: overhaul.date,
      openedBy: 'demo-planner',
      runningHours: overhaul.runningHours,
      mustRunHours: overhaul.mustRunHours,
      starts: overhaul.starts ?? null,
      level: overhaul.level,
      complaint: overhaul.complaint,
      returnBy: overhaul.returnBy,
      policy: overhaul.policy,
      installed: overhaul.installed,
    })
    for (const note of overhaul.noted) await this.note(note)
    if (overhaul.confirmed) await this.confirmSafe()
    if (overhaul.readings !== null) await this.measureAndSign(overhaul.readings)
  }

  private as(role: Role): Context {
    const person = people.find((candidate) => candidate.role === role)
    if (!person) throw new Error(`no demo person is ${role}`)
    const now = () => new Date(this.clock)
    return { db: this.db, user: { id: `demo-${person.username}`, name: person.name, role }, now }
  }

  private newId(minutes = 1): string {
    this.clock += minutes * MINUTE
    return v7({ msecs: this.clock })
  }

  private async note({ by, minutes, what }: DemoNote): Promise<void> {
    const jobId = this.overhaul.id
    if (what.kind === 'drawnPicture') {
      const picture = this.newId(minutes)
      const { subject, caption, marks, draw } = what
      await addPicture(this.as(by), jobId, { id: picture, subject, caption }, await drawPicture(draw))
      if (marks.length > 0) await this.note({ by, minutes: 1, what: { kind: 'pictureMarked', picture, marks } })
      return
    }
    const id = this.newId(minutes)
    const seen = this.standing.get(subjectOf(what)) ?? null
    await addEntries(this.as(by), jobId, { entries: [{ id, seen, body: what }] })
    this.standing.set(subjectOf(what), id)
  }

  private async confirmSafe(): Promise<void> {
    const note = 'Isolated, tagged and tried out; pressure and stored energy released.'
    await confirmStep(this.as('inspector'), this.overhaul.id, { id: this.newId(), step: 'makeSafe', note })
  }

  private async measure(characteristic: Characteristic, texts: readonly string[], stage: Stage): Promise<void> {
    for (const [index, slot] of slotsOf(characteristic.method).entries()) {
      const text = texts[index]
      if (text === undefined) throw new Error(`demo readings of ${characteristic.id} end at ${index}`)
      const wanted = gaugeKindAt(characteristic, slot)
      const hand = this.store.find((item) => item.kind === wanted)
      if (!hand && wanted !== 'eye') throw new Error(`no demo gauge is a ${wanted}`)
      await acceptReading(this.as('inspector'), this.overhaul.id, {
        id: this.newId(),
        characteristic: characteristic.id,
        ...slot,
        stage,
        kind: 'read',
        text,
        conditions: null,
        gauge: hand?.id ?? null,
        takenAt: new Date(this.clock).toISOString(),
        supersedes: null,
        reason: null,
      })
    }
  }

  private async measureAndSign(readings: NonNullable<DemoOverhaul['readings']>): Promise<void> {
    const { db, overhaul } = this
    // Where the level has steps, those of making safe were noted.
    if (overhaul.level === null) await this.confirmSafe()
    // Of what is fitted.
    const { characteristics } = (await buildJobView(this.as('inspector'), db, overhaul.id)).record.book
    for (const characteristic of characteristics) {
      const texts = readings[characteristic.id]
      if (texts || !overhaul.partly) await this.measure(characteristic, texts ?? [], 'asFound')
    }
    for (const characteristic of characteristics) {
      const left = overhaul.asLeft?.[characteristic.id]
      if (left) await this.measure(characteristic, left, 'asLeft')
    }
    const { record } = await buildJobView(this.as('inspector'), db, overhaul.id)
    const parts = evaluate(record).parts
    // Being decided: the first two that can be are, the rest waits for the inspector.
    const first = parts.filter(({ verdict }) => verdict !== 'hold').slice(0, 2)
    for (const part of overhaul.until === 'measured' ? first : parts) {
      if (part.verdict === 'hold') throw new Error(`demo overhaul ${overhaul.id} leaves ${part.id} on hold`)
      await decidePart(this.as('inspector'), overhaul.id, {
        id: this.newId(),
        part: part.id,
        recommended: part.verdict,
        decided: part.verdict,
        route: null,
        reason: null,
      })
    }
    if (overhaul.until === 'measured') return
    for (const step of overhaul.until === 'rebuilding' ? (['order'] as const) : (['order', 'rebuild', 'prove'] as const))
      await confirmStep(this.as('inspector'), overhaul.id, { id: this.newId(), step, note: '' })
    if (overhaul.until === 'rebuilding') return
    const note = overhaul.until === 'sent' ? 'Tags and pictures are on the paper sheets of the station.' : ''
    await review(this.as('inspector'), overhaul.id, { kind: 'send', id: this.newId(), note }, this.signing)
    if (overhaul.until === 'sent') return
    const recordSha256 = recordHash((await buildJobView(this.as('reviewer'), db, overhaul.id)).record)
    await review(
      this.as('reviewer'),
      overhaul.id,
      { kind: 'sign', id: this.newId(), password: DEMO_PASSWORD, code: '', recordSha256, reason: '' },
      this.signing,
    )
  }
}
