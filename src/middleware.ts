import { defineMiddleware } from 'astro:middleware'
import { say } from './labels/refusals'
import { type Context, notAllowed } from './server/edge/context'
import { refusalOf } from './server/edge/databaseFault'
import { answerRefused } from './server/edge/edge'
import { Refused } from './server/edge/refused'
import { database, firstCode } from './server/edge/runtime'
import { signedIn } from './server/people/auth'
import { isEmpty } from './server/people/people'
import { mayUse, neededAt } from './server/people/rights'

/** Open to who has no account or no password yet: they bring a code. */
const PUBLIC_PATHS = ['/sign-in', '/refused', '/first', '/set-password', '/api/first', '/api/set-password']
/** They say that there is nothing. */
const UNLISTED = new Set(['/404', '/api/[...path]'])
const isPublic = (path: string): boolean => PUBLIC_PATHS.includes(path) || path.startsWith('/api/auth/')

/** Every route: who is it, may the call come from this page, and to the sign-in page when nobody is signed in. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { locals, request, url } = context
  locals.refusal ??= null
  locals.user ??= null
  const path = url.pathname.replace(/\/+$/, '') || '/'
  // Made once by the build, for everybody: there is nobody to ask for.
  if (context.isPrerendered) return next()
  const isApi = path.startsWith('/api/')

  if (isApi && request.method !== 'GET' && request.method !== 'HEAD' && !fromOurPages(request))
    return answerRefused(new Refused('notAllowed', say.anotherSite))
  if (!path.startsWith('/api/auth/') && path !== '/refused')
    try {
      locals.user = await signedIn(request.headers)
    } catch (error) {
      const refused = refusalOf(error)
      if (!refused) throw error
      if (isApi) return answerRefused(refused)
      locals.refusal = { status: refused.status, message: refused.message }
      return context.rewrite('/refused')
    }
  if (isPublic(path)) return next()
  if (locals.user) {
    const refused = refusalAt(locals.user, request.method, context.routePattern)
    if (refused === null) return next()
    if (isApi) return answerRefused(refused)
    if (locals.user.secondFactor === 'asked') return context.redirect('/account#second-factor')
    locals.refusal = { status: refused.status, message: refused.message }
    return context.rewrite('/refused')
  }
  if (isApi) return answerRefused(new Refused('notSignedIn', say.youNotSigned))
  // Nobody has an account yet: the first one is made, with the code printed where the server was started.
  if (firstCode() !== null && (await isEmpty(database().db))) return context.redirect('/first')
  return context.redirect(path === '/' ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path + url.search)}`)
})

/** Why a role may not use what is at a route; null when it may. What is nowhere in the table of rights is not there. */
function refusalAt({ role, secondFactor }: Context['user'], method: string, pattern: string): Refused | null {
  if (UNLISTED.has(pattern)) return null
  const needed = neededAt(method, pattern)
  if (needed === null) return new Refused('notFound', say.thereNoSuch)
  // Until a second factor that is asked for is set up, only the own account is open.
  if (secondFactor === 'asked' && needed.length > 0) return new Refused('notAllowed', say.setUpFactorFirst)
  return mayUse(role, needed) ? null : notAllowed(role, needed)
}

/** A browser names the origin of a writing call; a call without one comes from no page and needs the session cookie all the same. */
function fromOurPages(request: Request): boolean {
  const origin = request.headers.get('origin')
  if (origin === null) return true
  try {
    return new URL(origin).host === request.headers.get('host')
  } catch {
    return false
  }
}
