/** Accounts on a real database: who may do what with one, what a code opens, and that nobody is locked out or let in twice. */
import { verifyPassword } from 'better-auth/crypto'
import { eq } from 'drizzle-orm'
import { describe, expect, test } from 'vitest'
import { type TestDatabase, testDay } from '../../../scripts/lib/testDatabase'
import { account, eventLog, session, twoFactor, user } from '../../db/schema'
import { storedBook } from '../books/storedBook'
import type { Context } from '../edge/context'
import { refusal } from '../edge/refused.fixture'
import { jobView } from '../jobs/jobView'
import { openJobView } from '../jobs/openJob'
import { shopFloor } from '../jobs/shopFloor'
import { machineTrends } from '../machines/machineTrends'
import { evidenceView } from '../reports/evidenceView'
import { signedReport } from '../reports/report'
import { codeHash, newCode } from './code'
import { askedOf, logCsv, logView } from './eventLog'
import { changeOwnPassword } from './ownPassword'
import { addPerson, changePerson, endFactor, endSessions, makeCode, makeFirst, peopleView, setPassword } from './people'
import { endOwnFactor, takeFactorCode } from './secondFactor'

const NEW = '01990000-0000-7000-8000-000000900001'
const person = { id: NEW, name: 'Jon Pike', username: 'jpike', role: 'inspector', station: null } as const
/** Told of the database that all use cases share: seeding one takes as long as the tests of both. */
export function peopleCases(database: () => TestDatabase): void {
  const as = (run: (context: Context) => Promise<void>) => database().as('administrator', run)
  const signedIn = ({ db, now }: Context, userId: string, id = `s-${userId}`) =>
    db.insert(session).values({ id, token: id, userId, expiresAt: new Date('2999-01-01'), createdAt: now(), updatedAt: now() })
  const verbsOf = async ({ db }: Context, subject: string): Promise<string[]> =>
    (await db.select().from(eventLog).where(eq(eventLog.subject, subject)).orderBy(eventLog.id)).map(({ verb }) => verb)

  describe('nobody but an administrator', () => {
    test.each(['inspector', 'reviewer', 'planner', 'trainee', 'visitor'] as const)('%s', (role) =>
      database().as(role, async (context) => {
        const change = { name: 'X', role: 'administrator', station: null, disabled: false, secondFactorAsked: false } as const
        const calls: readonly (() => Promise<unknown>)[] = [
          async () => peopleView(context),
          async () => addPerson(context, person),
          async () => changePerson(context, context.user.id, change),
          async () => makeCode(context, 'demo-reviewer'),
          async () => endSessions(context, 'demo-reviewer'),
          async () => logView(context, askedOf(new URLSearchParams())),
          async () => logCsv(context, askedOf(new URLSearchParams())),
        ]
        for (const call of calls) expect(await refusal(call())).toMatch(/^notAllowed: /)
      }),
    )
  })

  describe('an account', () => {
    test('is added, gets a code that opens it once, and signs in with a password of its own', () =>
      as(async (context) => {
        const { code } = await addPerson(context, person)
        expect(code).toMatch(/^([a-z2-9]{5}-){3}[a-z2-9]{5}$/)
        expect(await addPerson(context, person)).toEqual({ stored: false, code: null })
        const now = context.now()
        const set = (typed: string) => setPassword(context.db, { code: typed, password: 'eleven plus two' }, now)
        expect(await refusal(set(newCode()))).toMatch(/does not hold/)
        expect(await set(` ${(code ?? '').toUpperCase()} `)).toEqual({ username: 'jpike' })
        expect(await refusal(set(code ?? ''))).toMatch(/does not hold/)
        const [row] = await context.db.select().from(account).where(eq(account.userId, NEW))
        expect(await verifyPassword({ hash: row?.password ?? '', password: 'eleven plus two' })).toBe(true)
        expect(JSON.stringify(row)).not.toContain('eleven')
        expect(await verbsOf(context, NEW)).toEqual(['person.added', 'person.codeGiven', 'person.passwordSet'])
        // Another code voids what was given out before, and a new password ends what was open under the old one.
        const second = await makeCode(context, NEW)
        const third = await makeCode(context, NEW)
        await signedIn(context, NEW)
        expect(await refusal(set(second.code))).toMatch(/does not hold/)
        await set(third.code)
        expect(await context.db.select().from(session).where(eq(session.userId, NEW))).toEqual([])
      }))

    test('a code runs out, and opens no account that was disabled meanwhile', () =>
      as(async (context) => {
        const { code } = await addPerson(context, person)
        const late = new Date(context.now().getTime() + 73 * 3_600_000)
        expect(await refusal(setPassword(context.db, { code: code ?? '', password: 'eleven plus two' }, late))).toMatch(
          /does not hold/,
        )
        const again = await makeCode(context, NEW)
        await changePerson(context, NEW, {
          name: 'Jon Pike',
          role: 'inspector',
          station: null,
          disabled: true,
          secondFactorAsked: false,
        })
        expect(await refusal(setPassword(context.db, { code: again.code, password: 'eleven plus two' }, context.now()))).toMatch(
          /does not hold/,
        )
        expect(await refusal(makeCode(context, NEW))).toMatch(/is disabled/)
      }))

    test('a name that is taken is refused at its field', () =>
      as(async (context) => {
        expect(await refusal(addPerson(context, { ...person, username: 'inspector' }))).toMatch(/“inspector” is taken/)
        expect(await refusal(addPerson(context, { ...person, id: 'demo-reviewer' }))).toMatch(/Another person/)
      }))

    test('another role or place signs out; a name alone does not; each stands in the log', () =>
      as(async (context) => {
        await addPerson(context, person)
        await signedIn(context, NEW)
        const open = async () => (await context.db.select().from(session).where(eq(session.userId, NEW))).length
        const change = { name: 'Jon Pike', role: 'inspector', station: null, disabled: false, secondFactorAsked: false } as const
        expect(await changePerson(context, NEW, change)).toEqual({ changed: false })
        await changePerson(context, NEW, { ...change, name: 'J. Pike' })
        expect(await open()).toBe(1)
        await changePerson(context, NEW, { ...change, name: 'J. Pike', role: 'planner' })
        expect(await open()).toBe(0)
        const logged = await context.db.select().from(eventLog).where(eq(eventLog.subject, NEW)).orderBy(eventLog.id)
        expect(logged.at(-1)?.detail).toEqual({ role: { was: 'inspector', is: 'planner' } })
      }))

    test('the last administrator stays one', () =>
      as(async (context) => {
        const own = { name: 'A', role: 'administrator', station: null, disabled: false, secondFactorAsked: false } as const
        expect(await refusal(changePerson(context, context.user.id, { ...own, role: 'visitor' }))).toMatch(/last administrator/)
        expect(
          await refusal(changePerson(context, context.user.id, { ...own, disabled: true, secondFactorAsked: false })),
        ).toMatch(/last administrator/)
        await addPerson(context, { ...person, role: 'administrator' })
        expect(await changePerson(context, context.user.id, { ...own, role: 'visitor' })).toEqual({ changed: true })
      }))
  })

  describe('the first administrator', () => {
    const first = {
      id: NEW,
      code: 'abcde',
      name: 'Ada Lind',
      username: 'ada',
      station: 'Tarn End',
      password: 'measure once more',
    }
    test('is made once, with the printed code, where nobody is', () =>
      as(async (context) => {
        const make = (printed: string | null) => makeFirst(context.db, first, printed, context.now())
        expect(await refusal(make(codeHash('abcde')))).toMatch(/has its administrator already/)
        await context.db.execute('SET LOCAL session_replication_role = replica')
        await context.db.delete(user)
        expect(await refusal(make(null))).toMatch(/not the code/)
        expect(await refusal(make(codeHash('other')))).toMatch(/not the code/)
        expect(await make(codeHash('abcde'))).toEqual({ username: 'ada' })
        expect((await context.db.select().from(user)).map(({ role, station }) => [role, station])).toEqual([
          ['administrator', 'Tarn End'],
        ])
        expect(await refusal(make(codeHash('abcde')))).toMatch(/has its administrator already/)
      }))
  })

  test('the page of people says who is signed in, since when, and who has no password yet', () =>
    as(async (context) => {
      await addPerson(context, { ...person, station: 'Tarn End' })
      await signedIn(context, 'demo-inspector')
      await context.db.insert(eventLog).values({
        at: context.now(),
        userId: 'demo-inspector',
        byName: 'Mara',
        verb: 'person.signedIn',
        subject: 'demo-inspector',
        detail: {},
      })
      const { people } = await peopleView(context)
      const of = (username: string) => people.find((one) => one.username === username)
      expect(of('inspector')).toMatchObject({ role: 'inspector', sessions: 1, hasPassword: true, disabled: false, station: null })
      expect(of('inspector')?.lastSignIn).toMatch(/^20\d\d-.*Z$/)
      expect(of('jpike')).toMatchObject({ sessions: 0, hasPassword: false, lastSignIn: null, station: 'Tarn End' })
    }))

  describe('the own password', () => {
    const change = (context: Context, current: string, right: boolean) =>
      changeOwnPassword(
        context,
        { current, password: 'measure three times' },
        { checkPassword: async () => right, sessionId: 's-demo-inspector' },
      )
    test('is changed with the one before; every other device is signed out', () =>
      database().as('inspector', async (context) => {
        await signedIn(context, 'demo-inspector')
        await signedIn(context, 'demo-inspector', 'tablet')
        expect(await change(context, 'right', true)).toEqual({ ended: 1 })
        expect((await context.db.select().from(session)).map(({ id }) => id)).toEqual(['s-demo-inspector'])
        const [row] = await context.db.select().from(account).where(eq(account.userId, 'demo-inspector'))
        expect(await verifyPassword({ hash: row?.password ?? '', password: 'measure three times' })).toBe(true)
      }))
    test('five wrong ones in a quarter of an hour are enough, and the right one waits as well', () =>
      database().as('inspector', async (context) => {
        for (let times = 0; times < 5; times += 1)
          expect(await refusal(change(context, 'wrong', false))).toMatch(/not your current/)
        expect(await refusal(change(context, 'right', true))).toMatch(/^tooMany: /)
        const later = { ...context, now: () => new Date(context.now().getTime() + 16 * 60_000) }
        expect(await refusal(change(later, 'right', true))).toBe('')
      }))
  })

  describe('a code of a second factor', () => {
    // RFC 6238, appendix B, SHA-1: at 59 s step 1 has 94287082, of which six figures are 287082.
    const SECRET = '12345678901234567890'
    const user = { id: 'demo-reviewer', name: 'Tobias Renn' }
    const at = (second: number) => () => new Date(second * 1000)
    const take = (context: Context, typed: string, second: number) =>
      takeFactorCode(context.db, user, typed, at(second), async (kept) => kept)
    const withFactor = (run: (context: Context) => Promise<void>) =>
      as(async (context) => {
        await context.db.insert(twoFactor).values({ id: 'f', secret: SECRET, backupCodes: '[]', userId: user.id })
        await run(context)
      })
    test('is taken as RFC 6238 has it, one step early or late, and never twice', () =>
      withFactor(async (context) => {
        expect(await take(context, '287082', 59 + 30)).toBe('right')
        expect(await take(context, '287082', 59)).toBe('wrong')
        // 1111111109 s: 07081804; a step later it still holds, two steps later it does not.
        expect(await take(context, '081804', 1_111_111_109 + 60)).toBe('wrong')
        expect(await take(context, '081 804', 1_111_111_109 + 30)).toBe('right')
      }))
    test('an earlier one does not hold after a later one', () =>
      withFactor(async (context) => {
        expect(await take(context, '050471', 1_111_111_111)).toBe('right')
        expect(await take(context, '081804', 1_111_111_111)).toBe('wrong')
      }))
    test('five wrong ones in a quarter of an hour are enough, and the right one waits as well', () =>
      withFactor(async (context) => {
        for (let times = 0; times < 5; times += 1) expect(await take(context, '000000', 59)).toBe('wrong')
        expect(await take(context, '287082', 59)).toBe('tooMany')
        expect(await take(context, '081804', 1_111_111_109)).toBe('right')
      }))
    test('who has none takes none; what is taken away signs out and stands in the log', () =>
      withFactor(async (context) => {
        await signedIn(context, user.id)
        await endFactor(context, user.id)
        expect(await take(context, '287082', 59)).toBe('none')
        expect(await context.db.select().from(session).where(eq(session.userId, user.id))).toEqual([])
        expect((await verbsOf(context, user.id)).at(-1)).toBe('person.secondFactorTakenAway')
      }))
    test('who is asked for one does not give it up', () =>
      as(async (context) => {
        const own = { checkPassword: async () => true, sessionId: null }
        const asked = { ...context, user: { ...context.user, secondFactor: 'set' as const, factorAsked: true } }
        const ended = endOwnFactor(asked, { current: 'right', code: '287082' }, own, async (kept) => kept)
        expect(await refusal(ended)).toMatch(/^notPossible: .*it stays/)
      }))
  })

  describe('a visitor of one station', () => {
    const visitor = (context: Context, station: string | null): Context => ({
      ...context,
      user: { id: 'demo-visitor', name: 'V', role: 'visitor', station },
    })
    test('sees its machines, and of the others not even that they are there', () =>
      as(async (context) => {
        const own = visitor(context, 'Quillmere Power Station')
        const floor = await shopFloor(own)
        expect(new Set(floor.machines.map(({ station }) => station))).toEqual(new Set(['Quillmere Power Station']))
        expect(floor.jobs.every(({ station }) => station === 'Quillmere Power Station') && floor.jobs.length > 0).toBe(true)
        const all = await shopFloor(visitor(context, null))
        const hidden = all.machines.find(({ station }) => station === 'Larkhollow Railway')
        const job = all.jobs.find(({ station }) => station === 'Larkhollow Railway')
        const signed = hidden?.jobs.find(({ reportId }) => reportId !== null)?.reportId ?? ''
        const calls: readonly (readonly [string, (context: Context) => Promise<unknown>])[] = [
          ['job', (of) => jobView(of, job?.id ?? '')],
          ['trends', (of) => machineTrends(of, hidden?.id ?? '')],
          ['report', (of) => signedReport(of, signed)],
          ['opening', (of) => openJobView(of, hidden?.id ?? '')],
          [
            'book',
            async (of) => {
              const { record } = await jobView(context, job?.id ?? '')
              return storedBook(of, record.book.id, record.book.revision)
            },
          ],
        ]
        for (const [what, call] of calls) {
          expect(await refusal(call(own)), what).toMatch(/^notFound: /)
          expect(await refusal(call(visitor(context, null))), what).toBe('')
        }
        expect((await evidenceView(own)).reports.some(({ id }) => id === signed)).toBe(false)
        expect((await evidenceView(own)).heads.logs).toEqual({})
      }))
  })

  test('the log is filtered, and exported without a formula in it; that it was stands in it', () =>
    as(async (context) => {
      await addPerson(context, { ...person, name: '=cmd|calc' })
      const asked = askedOf(new URLSearchParams({ verb: 'person.added', from: testDay, to: 'yesterday' }))
      expect(asked).toEqual({ by: null, verb: 'person.added', from: testDay, to: null })
      const { events, verbs } = await logView(context, asked)
      expect(events.map(({ verb, subject }) => [verb, subject])).toEqual([['person.added', NEW]])
      expect(verbs).toContain('report.signed')
      const csv = await logCsv({ ...context, user: { ...context.user, name: '=1+1' } }, askedOf(new URLSearchParams()))
      expect(csv.split('\r\n')[0]).toBe('at,by,what,about,detail')
      expect(csv).not.toMatch(/(^|,)=/m)
      expect((await verbsOf(context, 'log')).at(-1)).toBe('log.exported')
    }))
}
