import { apiRead, pathParameter } from '../../../server/edge/edge'
import { noteExport } from '../../../server/people/eventLog'
import { signedReport } from '../../../server/reports/report'

/** The canonical JSON that was signed, byte for byte, with its signature and the public half of the key that made it. */
export const GET = apiRead(async (context, api) => {
  const { content, canonical, sha256, signature, publicKey } = await signedReport(context, pathParameter(api, 'report'))
  await noteExport(context, 'report', content.reportId)
  return new Response(canonical, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'x-sha256': sha256,
      ...(signature && publicKey ? { 'x-signature': signature, 'x-public-key': publicKey } : {}),
      'cache-control': 'private, no-cache',
    },
  })
})
