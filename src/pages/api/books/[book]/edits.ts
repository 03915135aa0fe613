import { bookEditsBody } from '../../../../contract/bodies'
import { bookEditView, editBook } from '../../../../server/books/editBook'
import { answerJson, apiCall, apiRead, pathParameter } from '../../../../server/edge/edge'

/** What is written in a book of thousands of measurements at once. */
const MOST_BYTES = 8 * 1024 * 1024

export const GET = apiRead(async (context, api) => answerJson(await bookEditView(context, pathParameter(api, 'book'))))
export const POST = apiCall(
  bookEditsBody,
  (context, body, api) => editBook(context, pathParameter(api, 'book'), body),
  MOST_BYTES,
)
