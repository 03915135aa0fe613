import { type Action, mayInPractice, type Role } from './roles'

/**
 * Every page and call that needs somebody signed in, by method and route, and what a person must be allowed to for it: any of
 * these; nothing where everybody may. The server looks here before it looks at what was sent, and what is not here is not there.
 * What is allowed in a practice job alone is held once more where the job is known.
 */
export const rights = {
  'GET /': ['read'],
  'GET /jobs/[job]': ['read'],
  'GET /jobs/[job]/plan': ['read'],
  'GET /jobs/[job]/make-safe': ['read'],
  'GET /jobs/[job]/as-found': ['read'],
  'GET /jobs/[job]/rebuild': ['read'],
  'GET /jobs/[job]/prove': ['read'],
  'GET /jobs/[job]/strip': ['read'],
  'GET /jobs/[job]/labels': ['read'],
  'GET /jobs/[job]/sheets': ['read'],
  'GET /jobs/[job]/look': ['read'],
  'GET /jobs/[job]/gate': ['read'],
  'GET /jobs/[job]/limits': ['read'],
  'GET /jobs/[job]/bench': ['read'],
  'GET /jobs/[job]/fits': ['read'],
  'GET /jobs/[job]/verdicts': ['read'],
  'GET /jobs/[job]/report': ['read'],
  'GET /reports/[report]': ['read'],
  'GET /reports/[report]/report.pdf': ['read'],
  'GET /reports/[report]/report.json': ['read'],
  'GET /machines/[machine]': ['read'],
  'GET /api/machines/[machine]/pages/[page]': ['read'],
  'GET /machines/[machine]/trends': ['read'],
  'GET /machines/[machine]/open': ['read'],
  'GET /machines/[machine]/history': ['read'],
  'GET /machines/[machine]/compose': ['read'],
  'GET /machines/[machine]/limits': ['read'],
  'GET /api/machines/[machine]/draft': ['read'],
  'GET /books': ['read'],
  'GET /books/[book]': ['read'],
  'GET /books/[book]/compare': ['read'],
  'GET /books/[book]/edit': ['plan'],
  'GET /books/[book]/sheets': ['read'],
  'GET /books/[book]/measure': ['read'],
  'GET /gauges': ['read'],
  'GET /evidence': ['read'],
  'GET /rights': ['read'],
  'GET /account': [],
  'GET /api/jobs/[job]': ['read'],
  'GET /api/jobs/[job]/record.json': ['read'],
  'GET /api/jobs/[job]/measured': ['read'],
  'GET /api/jobs/[job]/events': ['read'],
  'GET /api/jobs/[job]/readings/events': ['read'],
  'GET /api/jobs/[job]/pictures/[picture]': ['read'],
  'GET /api/books/[book]/[revision]': ['read'],
  'GET /api/books/[book]/edits': ['plan'],
  'GET /api/evidence/heads.json': ['read'],
  'POST /api/jobs/[job]/readings': ['measure'],
  'GET /api/gauges/[gauge]/events': ['measure'],
  'POST /api/gauges/[gauge]/pairings': ['measure'],
  'POST /api/gauges/[gauge]/pairings/end': ['measure'],
  'POST /api/jobs/[job]/confirmations': ['confirm'],
  'POST /api/jobs/[job]/decisions': ['decide'],
  'POST /api/jobs/[job]/review': ['send', 'review', 'confirm'],
  'POST /api/jobs/[job]/entries': ['note', 'plan', 'check'],
  'POST /api/jobs/[job]/pictures': ['note'],
  'POST /api/machines/[machine]/pages': ['note'],
  'POST /api/jobs/[job]/draft-book': ['note'],
  'GET /machines/new': ['plan'],
  'POST /api/machines': ['plan'],
  'POST /api/machines/[machine]/jobs': ['plan'],
  'POST /api/machines/[machine]/draft': ['plan', 'check'],
  'POST /api/machines/[machine]/book': ['plan'],
  'POST /api/books': ['plan'],
  'POST /api/books/[book]/edits': ['plan'],
  'POST /api/books/[book]/[revision]/copy': ['plan'],
  'POST /api/books/[book]/[revision]/issue': ['check'],
  'POST /api/books/[book]/[revision]/standing': ['plan'],
  'POST /api/machines/[machine]/history': ['plan'],
  'GET /api/machines/[machine]/history': ['plan'],
  'POST /api/gauges': ['plan'],
  'GET /people': ['administer'],
  'GET /log': ['administer'],
  'GET /api/log.csv': ['administer'],
  'POST /api/people': ['administer'],
  'POST /api/people/[person]': ['administer'],
  'POST /api/people/[person]/code': ['administer'],
  'POST /api/people/[person]/sessions': ['administer'],
  'POST /api/people/[person]/second-factor/end': ['administer'],
  'POST /api/account/password': [],
  'POST /api/account/second-factor': [],
  'POST /api/account/second-factor/confirm': [],
  'POST /api/account/second-factor/end': [],
} as const satisfies Readonly<Record<string, readonly Action[]>>

export type Route = keyof typeof rights

export const routes = Object.keys(rights) as Route[]

/** What a method at a route needs; null where there is no such thing. A HEAD is a GET without its body. */
export function neededAt(method: string, pattern: string): readonly Action[] | null {
  const asked = `${method === 'HEAD' ? 'GET' : method} ${pattern}`
  return asked in rights ? rights[asked as Route] : null
}

/** Whether a role may use a route at all, be it in a practice job alone. */
export const mayUse = (role: Role, needed: readonly Action[]): boolean =>
  needed.length === 0 || needed.some((action) => mayInPractice(role, action))
