import { bookFileFields } from '../../../contract/bodies'
import { importBook, MOST_BOOK_BYTES } from '../../../server/books/importBook'
import { apiUpload } from '../../../server/edge/edge'

export const POST = apiUpload(bookFileFields, MOST_BOOK_BYTES, (context, fields, file) => importBook(context, fields, file))
