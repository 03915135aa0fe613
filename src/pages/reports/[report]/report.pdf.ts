import { apiMade, pathParameter } from '../../../server/edge/edge'
import { noteExport } from '../../../server/people/eventLog'
import { renderPdf } from '../../../server/reports/pdf/renderPdf'
import { signedReport } from '../../../server/reports/report'

export const GET = apiMade(async (context, api, long) => {
  const report = await signedReport(context, pathParameter(api, 'report'))
  const pdf = await renderPdf(report, long)
  return async () => {
    await noteExport(context, 'report', report.content.reportId)
    return new Response(Buffer.from(pdf), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="report-${report.content.record.job.id}.pdf"`,
        'cache-control': 'private, no-cache',
      },
    })
  }
})
