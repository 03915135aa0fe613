import { draftBookBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge'
import { makeDraftBook } from '../../../../server/makeDraftBook'

export const POST = apiCall(draftBookBody, (context, body, api) => makeDraftBook(context, pathParameter(api, 'job'), body))
