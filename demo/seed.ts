/** Fills an empty database with the invented station, through the same use cases that people's clicks go through. */
import { hashPassword } from 'better-auth/crypto'
import { v7 } from 'uuid'
import { layoutOf } from '../src/core/method/method'
import { bookSchema } from '../src/core/record/bookSchema'
import { evaluate } from '../src/core/record/evaluate'
import type { Database, Executor } from '../src/db/client'
import { account, gauge, job, limitBook, machine, user } from '../src/db/schema'
import { acceptReading } from '../src/server/acceptReading'
import { confirmStep } from '../src/server/confirmStep'
import type { Context } from '../src/server/context'
import { decidePart } from '../src/server/decidePart'
import { buildJobView } from '../src/server/jobView'
import { review } from '../src/server/review'
import type { Role } from '../src/server/roles'
import bookJson from './quillmere/book.json' with { type: 'json' }
import { DEMO_PASSWORD, gauges, overhauls, people, machine as quillmere } from './quillmere/station'
import type { DemoOverhaul } from './types'

const MINUTE = 60_000

/** Seeds once, in one transaction: an interrupted seeding leaves nothing. True when it seeded. */
export async function seedDemo(db: Database): Promise<boolean> {
  return db.transaction(async (tx) => {
    // Two servers starting on one empty database: the second waits here and finds it seeded.
    await tx.execute('LOCK TABLE machine IN EXCLUSIVE MODE')
    if ((await tx.select().from(machine)).length > 0) return false
    const book = bookSchema.parse(bookJson)
    await seedPeople(tx)
    await tx.insert(machine).values(quillmere)
    await tx.insert(limitBook).values({ id: book.id, revision: book.revision, title: book.title, document: book })
    await tx.insert(gauge).values(
      gauges.map((item) => ({
        ...item,
        resolutionMm: String(item.resolutionMm),
        maximumPermissibleErrorMm: String(item.maximumPermissibleErrorMm),
      })),
    )
    for (const overhaul of overhauls) await seedOverhaul(tx, overhaul, book)
    return true
  })
}

async function seedPeople(db: Executor): Promise<void> {
  for (const { username, name, role } of people) {
    const id = `demo-${username}`
    const email = `${username}@quillmere.example`
    await db.insert(user).values({ id, name, email, emailVerified: true, username, displayUsername: username, role })
    await db.insert(account).values({
      id: `${id}-password`,
      accountId: id,
      providerId: 'credential',
      userId: id,
      password: await hashPassword(DEMO_PASSWORD),
    })
  }
}

type Book = ReturnType<typeof bookSchema.parse>

async function seedOverhaul(db: Executor, overhaul: DemoOverhaul, book: Book): Promise<void> {
  let clock = new Date(`${overhaul.date}T07:30:00Z`).getTime()
  const tick = (): number => {
    clock += MINUTE
    return clock
  }
  const as = (role: Role): Context => {
    const person = people.find((candidate) => candidate.role === role)
    if (!person) throw new Error(`no demo person is ${role}`)
    return { db, user: { id: `demo-${person.username}`, name: person.name, role }, now: () => new Date(clock) }
  }
  const newId = (): string => v7({ msecs: tick() })

  await db.insert(job).values({
    id: overhaul.id,
    machineId: quillmere.id,
    bookId: book.id,
    bookRevision: book.revision,
    title: overhaul.title,
    reason: overhaul.reason,
    openedOn: overhaul.date,
    openedBy: 'demo-planner',
    runningHours: overhaul.runningHours,
    mustRunHours: overhaul.mustRunHours,
    policy: overhaul.policy,
    installed: overhaul.installed,
  })
  const note = 'Isolated, tagged and tried out; penstock drained; servomotor locked and bled down.'
  await confirmStep(as('inspector'), overhaul.id, { id: newId(), step: 'makeSafe', note })
  if (overhaul.readings === null) return

  for (const characteristic of book.characteristics) {
    const texts = overhaul.readings[characteristic.id] ?? []
    const hand = gauges.find((item) => item.kind === characteristic.gaugeKind)
    if (!hand) throw new Error(`no demo gauge is a ${characteristic.gaugeKind}`)
    for (const [index, slot] of layoutOf(characteristic.method).entries()) {
      const text = texts[index]
      if (text === undefined) throw new Error(`demo readings of ${characteristic.id} end at ${index}`)
      const id = newId()
      await acceptReading(as('inspector'), overhaul.id, {
        id,
        characteristic: characteristic.id,
        ...slot,
        stage: 'asFound',
        text,
        gauge: hand.id,
        takenAt: new Date(clock).toISOString(),
        supersedes: null,
        reason: null,
      })
    }
  }
  const { record } = await buildJobView(as('inspector'), db, overhaul.id)
  for (const part of evaluate(record).parts) {
    if (part.verdict === 'hold') throw new Error(`demo overhaul ${overhaul.id} leaves ${part.id} on hold`)
    await decidePart(as('inspector'), overhaul.id, {
      id: newId(),
      part: part.id,
      recommended: part.verdict,
      decided: part.verdict,
      reason: null,
    })
  }
  await review(as('inspector'), overhaul.id, { kind: 'send', id: newId(), note: '' }, async () => true)
  const { recordSha256 } = await buildJobView(as('reviewer'), db, overhaul.id)
  await review(
    as('reviewer'),
    overhaul.id,
    { kind: 'sign', id: newId(), password: DEMO_PASSWORD, recordSha256 },
    async () => true,
  )
}
