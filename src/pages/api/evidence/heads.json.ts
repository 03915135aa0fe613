import { apiRead } from '../../../server/edge/edge'
import { noteExport } from '../../../server/people/eventLog'
import { evidenceView } from '../../../server/reports/evidenceView'

/** Ends of every chain, to be kept elsewhere. */
export const GET = apiRead(async (context) => {
  const { heads } = await evidenceView(context)
  await noteExport(context, 'heads', 'evidence')
  return new Response(`${JSON.stringify(heads, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="heads-${heads.at.slice(0, 10)}.json"`,
      'cache-control': 'no-store',
    },
  })
})
