import { personBody } from '../../../contract/bodies'
import { apiCall } from '../../../server/edge/edge'
import { addPerson } from '../../../server/people/people'

export const POST = apiCall(personBody, addPerson)
