import { apiRead, pathParameter } from '../../../server/edge'
import { signedReport } from '../../../server/report'

/** The canonical JSON that was signed, byte for byte. */
export const GET = apiRead(async (context, api) => {
  const { canonical, sha256 } = await signedReport(context, pathParameter(api, 'report'))
  return new Response(canonical, {
    headers: { 'content-type': 'application/json; charset=utf-8', 'x-sha256': sha256, 'cache-control': 'private, no-cache' },
  })
})
