import { apiRead, pathParameter } from '../../../../server/edge/edge'
import { measuredAsCsv, measuredAsXlsx } from '../../../../server/jobs/measuredResults'
import { noteExport } from '../../../../server/people/eventLog'

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** What was measured in a job: as a spreadsheet, or the readings or the results alone as plain text. */
export const GET = apiRead(async (context, api) => {
  const job = pathParameter(api, 'job')
  await noteExport(context, 'record', job)
  const answer = (body: BodyInit, type: string, file: string): Response =>
    new Response(body, {
      headers: {
        'content-type': type,
        'content-disposition': `attachment; filename="${file}"`,
        'cache-control': 'no-store',
      },
    })
  const which = api.url.searchParams.get('as')
  if (which === 'readings' || which === 'results') {
    const { text, name } = await measuredAsCsv(context, job, which)
    return answer(text, 'text/csv; charset=utf-8', `${name}.csv`)
  }
  const { bytes, name } = await measuredAsXlsx(context, job)
  return answer(new Uint8Array(bytes), XLSX, `${name}.xlsx`)
})
