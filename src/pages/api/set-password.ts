import { passwordBody } from '../../contract/bodies'
import { openCall } from '../../server/edge/edge'
import { setPassword } from '../../server/people/people'

export const POST = openCall(passwordBody, setPassword)
