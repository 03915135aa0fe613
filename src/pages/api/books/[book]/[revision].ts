import { bookAsXlsx, limitsAsCsv } from '../../../../server/books/exportBook'
import { storedBook } from '../../../../server/books/storedBook'
import { apiRead, pathParameter } from '../../../../server/edge/edge'
import { noteExport } from '../../../../server/people/eventLog'

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** A limit book revision as a file: whole as JSON or as a spreadsheet, its limits alone as a table. */
export const GET = apiRead(async (context, api) => {
  const [book, revision] = [pathParameter(api, 'book'), pathParameter(api, 'revision')]
  const { document, name } = await storedBook(context, book, revision)
  await noteExport(context, 'book', name)
  const answer = (body: BodyInit, type: string, ending: string): Response =>
    new Response(body, {
      headers: {
        'content-type': type,
        'content-disposition': `attachment; filename="${name}.${ending}"`,
        'cache-control': 'no-store',
      },
    })
  switch (api.url.searchParams.get('as')) {
    case 'xlsx':
      return answer(new Uint8Array(await bookAsXlsx(context, book, revision)), XLSX, 'xlsx')
    case 'csv':
      return answer(await limitsAsCsv(context, book, revision), 'text/csv; charset=utf-8', 'csv')
    default:
      return answer(`${JSON.stringify(document, null, 2)}\n`, 'application/json; charset=utf-8', 'json')
  }
})
