import type { APIRoute } from 'astro'
import { say } from '../../../labels/refusals'
import { answerRefused } from '../../../server/edge/edge'
import { Refused } from '../../../server/edge/refused'
import { getAuth } from '../../../server/people/auth'

/** What of the sign-in library anybody may call. Names, passwords and roles are changed by whoever runs Medida, not here. */
const ALLOWED: ReadonlySet<string> = new Set([
  'POST /api/auth/sign-in/username',
  'POST /api/auth/sign-in/email',
  'POST /api/auth/two-factor/verify-totp',
  'POST /api/auth/two-factor/verify-backup-code',
  'POST /api/auth/sign-out',
  'GET /api/auth/get-session',
])

export const ALL: APIRoute = ({ request, url }) =>
  ALLOWED.has(`${request.method} ${url.pathname}`)
    ? getAuth().handler(request)
    : answerRefused(new Refused('notFound', say.thereNoSuch))
