import { apiRead, pathParameter } from '../../../../server/edge/edge'
import { jobView } from '../../../../server/jobs/jobView'
import { noteExport } from '../../../../server/people/eventLog'

/** The job's record in the open format, to keep or to put to `npm run evaluate`. */
export const GET = apiRead(async (context, api) => {
  const job = pathParameter(api, 'job')
  const { record } = await jobView(context, job)
  await noteExport(context, 'record', job)
  return new Response(`${JSON.stringify(record, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${record.job.id}.json"`,
      'cache-control': 'no-store',
    },
  })
})
