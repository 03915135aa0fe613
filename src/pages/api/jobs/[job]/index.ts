import { answerJson, apiRead, pathParameter } from '../../../../server/edge'
import { jobView } from '../../../../server/jobView'

export const GET = apiRead(async (context, api) => answerJson(await jobView(context, pathParameter(api, 'job'))))
