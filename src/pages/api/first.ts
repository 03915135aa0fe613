import { firstBody } from '../../contract/bodies'
import { openCall } from '../../server/edge/edge'
import { firstCode } from '../../server/edge/runtime'
import { makeFirst } from '../../server/people/people'

export const POST = openCall(firstBody, (db, body, now) => makeFirst(db, body, firstCode(), now))
