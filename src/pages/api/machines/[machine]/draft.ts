import { draftChangeBody } from '../../../../contract/bodies'
import { changeDraft, draftView } from '../../../../server/drafts/changeDraft'
import { answerJson, apiCall, apiRead, pathParameter } from '../../../../server/edge/edge'

export const GET = apiRead(async (context, api) => answerJson(await draftView(context, pathParameter(api, 'machine'))))
export const POST = apiCall(draftChangeBody, (context, body, api) => changeDraft(context, pathParameter(api, 'machine'), body))
