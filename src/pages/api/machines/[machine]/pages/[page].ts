import { apiRead, pathParameter } from '../../../../../server/edge/edge'
import { documentPageOf } from '../../../../../server/machines/documentPages'

/** The picture of a page; `?small` gives the one for lists. Its id never stands for another one, so it may be kept. */
export const GET = apiRead(async (context, api) => {
  const size = api.url.searchParams.has('small') ? 'small' : 'whole'
  const { bytes } = await documentPageOf(context, pathParameter(api, 'machine'), pathParameter(api, 'page'), size)
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  })
})
