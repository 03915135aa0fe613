/** What a file of a limit book says it is. */
export const BOOK_FORMAT = 'medida-limit-book'
export const BOOK_VERSION = 3
