import type { AstroGlobal } from 'astro'
import { say } from '../../labels/refusals'
import type { Context } from './context'
import { refusalOf } from './databaseFault'
import { contextOf, withoutParameters } from './edge'
import { logger } from './runtime'

/** What a page shows, or the page that says why it cannot be shown, under the same address and with the right status. */
export async function loadPage<T>(astro: Readonly<AstroGlobal>, view: (context: Context) => Promise<T>): Promise<T | Response> {
  try {
    return await view(contextOf(astro.locals))
  } catch (error) {
    const refused = refusalOf(error)
    if (refused) astro.locals.refusal = { status: refused.status, message: refused.message }
    else {
      logger.error({ err: withoutParameters(error) }, 'page failed')
      astro.locals.refusal = {
        status: 500,
        message: say.serverCouldNotMake,
      }
    }
    return astro.rewrite('/refused')
  }
}
