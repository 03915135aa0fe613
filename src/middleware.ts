import { defineMiddleware } from 'astro:middleware'
import { say } from './labels/refusals'
import { refusalOf } from './server/edge/databaseFault'
import { answerRefused } from './server/edge/edge'
import { Refused } from './server/edge/refused'
import { database, firstCode } from './server/edge/runtime'
import { signedIn } from './server/people/auth'
import { isEmpty } from './server/people/people'

/** Open to who has no account or no password yet: they bring a code. */
const PUBLIC_PATHS = ['/sign-in', '/refused', '/first', '/set-password', '/api/first', '/api/set-password']
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
  if (locals.user || isPublic(path)) return next()
  if (isApi) return answerRefused(new Refused('notSignedIn', say.youNotSigned))
  // Nobody has an account yet: the first one is made, with the code printed where the server was started.
  if (firstCode() !== null && (await isEmpty(database().db))) return context.redirect('/first')
  return context.redirect(path === '/' ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path + url.search)}`)
})

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
