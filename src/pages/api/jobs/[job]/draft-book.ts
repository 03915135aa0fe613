import { draftBookBody } from '../../../../contract/bodies'
import { makeDraftBook } from '../../../../server/books/makeDraftBook'
import { apiCall, pathParameter } from '../../../../server/edge/edge'

export const POST = apiCall(draftBookBody, (context, body, api) => makeDraftBook(context, pathParameter(api, 'job'), body))
