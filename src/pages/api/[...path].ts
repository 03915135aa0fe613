import type { APIRoute } from 'astro'
import { say } from '../../labels/refusals'
import { answerRefused } from '../../server/edge/edge'
import { Refused } from '../../server/edge/refused'

/** What no other call answers. */
export const ALL: APIRoute = () => answerRefused(new Refused('notFound', say.thereNoSuch))
