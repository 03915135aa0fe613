import { entriesBody } from '../../../../contract/bodies'
import { addEntries } from '../../../../server/addEntries'
import { apiCall, pathParameter } from '../../../../server/edge'

export const POST = apiCall(entriesBody, (context, body, api) => addEntries(context, pathParameter(api, 'job'), body))
