import { hashPassword } from 'better-auth/crypto'
import type { PeopleView } from '../../contract/answers'
import type { FirstBody, PasswordBody, PersonBody, PersonChange } from '../../contract/bodies'
import type { Executor } from '../../db/client'
import { instantOf } from '../../db/queries/instant'
import { appendLog } from '../../db/queries/log'
import {
  administrators,
  allPeople,
  changePersonRow,
  countPeople,
  endSessionsOf,
  findPerson,
  findPersonByEmail,
  findPersonByName,
  lockPeople,
  storeCode,
  storePassword,
  storePerson,
  takeCode,
} from '../../db/queries/people'
import { say } from '../../labels/people'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { codeHash, newCode } from './code'
import { isRole } from './roles'
import { takeAway } from './secondFactor'

/** A one-time code holds so long. */
const CODE_HOURS = 72

/** Everybody with an account, for the administrator. */
export async function peopleView(context: Context): Promise<PeopleView> {
  authorise(context, 'administer')
  const people = await allPeople(context.db, context.now())
  return {
    people: people.map(({ person, hasPassword, sessions, lastSignIn }) => ({
      id: person.id,
      name: person.name,
      username: person.username ?? person.email,
      role: isRole(person.role) ? person.role : 'visitor',
      station: person.station,
      disabled: person.disabledAt !== null,
      hasPassword,
      secondFactor: person.twoFactorEnabled,
      secondFactorAsked: person.secondFactorAsked,
      sessions,
      lastSignIn: lastSignIn === null ? null : instantOf(new Date(lastSignIn)),
    })),
  }
}

/** Adds a person, who sets a password of their own with the code that is given out once. */
export function addPerson(context: Context, body: PersonBody): Promise<{ stored: boolean; code: string | null }> {
  authorise(context, 'administer')
  return context.db.transaction(async (db) => {
    await lockPeople(db)
    const known = await findPerson(db, body.id)
    if (known) {
      if (known.username === body.username && known.name === body.name) return { stored: false, code: null }
      throw new Refused('conflict', say.anotherPersonId)
    }
    await refuseTakenName(db, body.username)
    await storePerson(db, rowOf(body, context.now()))
    await appendLog(db, context, {
      verb: 'person.added',
      subject: body.id,
      detail: { username: body.username, name: body.name, role: body.role, station: body.station },
    })
    return { stored: true, code: await giveCode(context, db, body.id) }
  })
}

/** Renames a person, gives another role or place, disables or enables the account. What it changes ends their sessions. */
export function changePerson(context: Context, id: string, change: PersonChange): Promise<{ changed: boolean }> {
  authorise(context, 'administer')
  return context.db.transaction(async (db) => {
    await lockPeople(db)
    const known = await findPerson(db, id)
    if (!known) throw new Refused('notFound', say.noSuchPerson)
    const isDisabled = known.disabledAt !== null
    const { name, role, station, secondFactorAsked } = known
    const before: Readonly<Record<keyof PersonChange, unknown>> = { name, role, station, disabled: isDisabled, secondFactorAsked }
    const after: PersonChange = change
    const differs = (Object.keys(after) as (keyof PersonChange)[]).filter((key) => before[key] !== after[key])
    if (differs.length === 0) return { changed: false }
    const isAdministrator = known.role === 'administrator' && !isDisabled
    const stays = change.role === 'administrator' && !change.disabled
    if (isAdministrator && !stays && (await administrators(db)).filter((one) => one !== id).length === 0)
      throw new Refused('notPossible', say.lastAdministrator)
    await changePersonRow(db, id, {
      name: change.name,
      role: change.role,
      station: change.station,
      secondFactorAsked: change.secondFactorAsked,
      disabledAt: change.disabled ? (known.disabledAt ?? context.now()) : null,
      updatedAt: context.now(),
    })
    // What somebody may do has changed: they sign in again and see it so.
    if (before.role !== after.role || before.station !== after.station || after.disabled) await endSessionsOf(db, id)
    await appendLog(db, context, {
      verb: 'person.changed',
      subject: id,
      detail: Object.fromEntries(differs.map((key) => [key, { was: before[key], is: after[key] }])),
    })
    return { changed: true }
  })
}

/** A code with which a person sets a password, shown once; what was given out before is void. */
export function makeCode(context: Context, id: string): Promise<{ code: string }> {
  authorise(context, 'administer')
  return context.db.transaction(async (db) => {
    const known = await findPerson(db, id)
    if (!known) throw new Refused('notFound', say.noSuchPerson)
    if (known.disabledAt !== null) throw new Refused('notPossible', say.isDisabled(known.name))
    return { code: await giveCode(context, db, id) }
  })
}

/** Takes the second factor of a person away, whose device is lost. */
export function endFactor(context: Context, id: string): Promise<{ ended: true }> {
  authorise(context, 'administer')
  return context.db.transaction(async (db) => {
    if (!(await findPerson(db, id))) throw new Refused('notFound', say.noSuchPerson)
    await takeAway(context, db, id)
    return { ended: true }
  })
}

/** Signs a person out everywhere. */
export function endSessions(context: Context, id: string): Promise<{ ended: number }> {
  authorise(context, 'administer')
  return context.db.transaction(async (db) => {
    if (!(await findPerson(db, id))) throw new Refused('notFound', say.noSuchPerson)
    const ended = await endSessionsOf(db, id)
    await appendLog(db, context, { verb: 'person.signedOutEverywhere', subject: id, detail: { sessions: ended } })
    return { ended }
  })
}

/** Sets a password with a one-time code; whoever was signed in under the old one is signed out. */
export function setPassword(db: Executor, body: PasswordBody, now: Date): Promise<{ username: string }> {
  return db.transaction(async (tx) => {
    const id = await takeCode(tx, codeHash(body.code), now)
    const person = id === null ? undefined : await findPerson(tx, id)
    if (!person || person.disabledAt !== null) {
      throw new Refused('malformed', say.codeDoesNotHold, [{ path: 'code', message: say.codeDoesNotHold }])
    }
    await storePassword(tx, person.id, `${person.id}-password`, await hashPassword(body.password), now)
    await endSessionsOf(tx, person.id)
    await appendLog(tx, { user: person, now: () => now }, { verb: 'person.passwordSet', subject: person.id, detail: {} })
    return { username: person.username ?? person.email }
  })
}

/** Whether nobody has an account yet, so that the first one is to be made. */
export const isEmpty = async (db: Executor): Promise<boolean> => (await countPeople(db)) === 0

/** Makes the first administrator of an installation that has nobody; the code is printed where the server was started. */
export function makeFirst(db: Executor, body: FirstBody, printed: string | null, now: Date): Promise<{ username: string }> {
  return db.transaction(async (tx) => {
    await lockPeople(tx)
    if (!(await isEmpty(tx))) throw new Refused('conflict', say.somebodyIsThere)
    if (printed === null || codeHash(body.code) !== printed)
      throw new Refused('malformed', say.notTheCode, [{ path: 'code', message: say.notTheCode }])
    const person = { ...body, role: 'administrator' as const }
    await storePerson(tx, rowOf(person, now))
    await storePassword(tx, body.id, `${body.id}-password`, await hashPassword(body.password), now)
    await appendLog(
      tx,
      { user: { id: body.id, name: body.name }, now: () => now },
      {
        verb: 'person.added',
        subject: body.id,
        detail: { username: body.username, name: body.name, role: 'administrator', station: body.station, first: true },
      },
    )
    return { username: body.username }
  })
}

async function refuseTakenName(db: Executor, username: string): Promise<void> {
  const refuse = (message: string): never => {
    throw new Refused('conflict', message, [{ path: 'username', message }])
  }
  if (await findPersonByName(db, username)) refuse(say.nameTaken(username))
  if (await findPersonByEmail(db, emailOf(username))) refuse(say.nameTaken(username))
}

/** The sign-in library wants an address of everybody; nothing is ever sent to it. */
const emailOf = (username: string): string => `${username}@medida.invalid`

const rowOf = (body: Omit<PersonBody, 'role'> & { readonly role: string }, now: Date) => ({
  id: body.id,
  name: body.name,
  email: emailOf(body.username),
  emailVerified: true,
  username: body.username,
  displayUsername: body.username,
  role: body.role,
  station: body.station,
  createdAt: now,
  updatedAt: now,
})

async function giveCode(context: Context, db: Executor, id: string): Promise<string> {
  const code = newCode()
  const at = context.now()
  const until = new Date(at.getTime() + CODE_HOURS * 3_600_000)
  await storeCode(db, id, `${id}-code`, codeHash(code), at, until)
  await appendLog(db, context, { verb: 'person.codeGiven', subject: id, detail: { until: until.toISOString() } })
  return code
}
