import { entriesBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { addEntries } from '../../../../server/notes/addEntries'

export const POST = apiCall(entriesBody, (context, body, api) => addEntries(context, pathParameter(api, 'job'), body))
