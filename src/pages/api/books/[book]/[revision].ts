import { storedBook } from '../../../../server/books/storedBook'
import { apiRead, pathParameter } from '../../../../server/edge/edge'
import { noteExport } from '../../../../server/people/eventLog'

/** A limit book revision in the open format, to keep or to look through. */
export const GET = apiRead(async (context, api) => {
  const { document, name } = await storedBook(context, pathParameter(api, 'book'), pathParameter(api, 'revision'))
  await noteExport(context, 'book', name)
  return new Response(`${JSON.stringify(document, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.json"`,
      'cache-control': 'no-store',
    },
  })
})
