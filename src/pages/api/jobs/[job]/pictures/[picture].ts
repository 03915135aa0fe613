import { apiRead, pathParameter } from '../../../../../server/edge/edge'
import { pictureOf } from '../../../../../server/notes/addPicture'

/** A picture; `?small` gives the one for lists. Its id never stands for another picture, so it may be kept. */
export const GET = apiRead(async (context, api) => {
  const size = api.url.searchParams.has('small') ? 'small' : 'whole'
  const { type, bytes } = await pictureOf(context, pathParameter(api, 'job'), pathParameter(api, 'picture'), size)
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable' },
  })
})
