/** Bodies at and beyond every bound, sent to every call that writes: whatever is accepted can be read, by every page. */
import { now } from '../src/clock/clock'
import { randomFrom } from '../src/core/base/random.fixture'
import type { Connection } from '../src/db/client'
import { gaugesView } from '../src/server/gauges/gauges'
import { jobView } from '../src/server/jobs/jobView'
import { shopFloor } from '../src/server/jobs/shopFloor'
import { anyInput, type Target } from './inputs'
import { Visitor } from './visitor'

export interface FuzzTarget extends Omit<Target, 'spare'> {
  readonly url: string
  readonly connection: Connection
}

export interface Fuzzed {
  readonly tried: number
  readonly accepted: number
  /** What should not have been, in sentences; none when all went well. */
  readonly failures: readonly string[]
}

const PAGES_AFTER = 50
const MOST_FAILURES = 20

export async function fuzz({ url, connection, ...target }: FuzzTarget, count: number, seed: number): Promise<Fuzzed> {
  const random = randomFrom(seed)
  const people = { inspector: await Visitor.as(url, 'inspector'), reviewer: await Visitor.as(url, 'reviewer') }
  const context = {
    db: connection.db,
    user: { id: 'demo-inspector', name: 'Inspector', role: 'inspector' as const },
    now,
  }
  const failures: string[] = []
  let accepted = 0
  let spare = target.machine
  const pages = ['/', '/gauges', `/jobs/${target.job}`, `/jobs/${target.job}/bench`, `/machines/${target.machine}/trends`]
  const lookAtPages = async (after: string): Promise<void> => {
    for (const page of pages) {
      const { status } = await people.inspector.get(page)
      if (status !== 200) failures.push(`${page} answers ${status} after ${after}`)
    }
  }
  for (let at = 1; at <= count && failures.length < MOST_FAILURES; at += 1) {
    const { path, by, body, file } = anyInput(random, { ...target, spare })
    const who = people[by]
    const { status, text } = file === undefined ? await who.post(path, body) : await who.upload(path, body, file)
    const said = `input ${at} of seed ${seed} (${path} ${JSON.stringify(body)?.slice(0, 300)}${file === undefined ? '' : ` ${file.slice(0, 300)}`})`
    if (status >= 500) failures.push(`${status} at ${said}: ${text.slice(0, 200)}`)
    else if (status >= 400 && sentenceOf(text).length < LEAST_SENTENCE) failures.push(`${status} without a sentence at ${said}`)
    if (status === 200) {
      accepted += 1
      if (path === '/api/machines') spare = (JSON.parse(text) as { id: string }).id
      const problem = await readBack(context, target)
      if (problem !== null) failures.push(`${problem} after ${said}`)
    }
    if (at % PAGES_AFTER === 0) await lookAtPages(said)
  }
  await lookAtPages('all of them')
  return { tried: count, accepted, failures }
}

const LEAST_SENTENCE = 12

function sentenceOf(text: string): string {
  try {
    return (JSON.parse(text) as { error?: { message?: string } }).error?.message ?? ''
  } catch {
    return ''
  }
}

/** Why something stored cannot be read back; null when everything can. */
async function readBack(context: Parameters<typeof jobView>[0], { job }: Pick<Target, 'job'>): Promise<string | null> {
  try {
    const [view, gauges, home] = [await jobView(context, job), await gaugesView(context), await shopFloor(context)]
    const wrong = [...view.unreadable, ...gauges.unreadable, ...home.unreadable.map(({ says }) => says)]
    return wrong[0] ?? null
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}
