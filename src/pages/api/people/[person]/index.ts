import { personChange } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { changePerson } from '../../../../server/people/people'

export const POST = apiCall(personChange, (context, body, api) => changePerson(context, pathParameter(api, 'person'), body))
