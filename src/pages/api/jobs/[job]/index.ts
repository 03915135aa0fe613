import { answerJson, apiRead, pathParameter } from '../../../../server/edge/edge'
import { jobView } from '../../../../server/jobs/jobView'

export const GET = apiRead(async (context, api) => answerJson(await jobView(context, pathParameter(api, 'job'))))
