import { apiRead, pathParameter } from '../../../server/edge/edge'
import { renderPdf } from '../../../server/reports/pdf/renderPdf'
import { signedReport } from '../../../server/reports/report'

export const GET = apiRead(async (context, api) => {
  const report = await signedReport(context, pathParameter(api, 'report'))
  const pdf = await renderPdf(report)
  return new Response(Buffer.from(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="report-${report.content.record.job.id}.pdf"`,
      'cache-control': 'private, no-cache',
    },
  })
})
