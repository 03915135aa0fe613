export const say = {
  wholeFile: 'The whole file',
  neitherNor: 'This is neither a spreadsheet (.xlsx) nor a book as JSON. Export the book again, and choose that file.',
  notASpreadsheet: 'This spreadsheet cannot be read: it is damaged, locked by a password, or of an old kind. Save it as .xlsx.',
  tooMuch: 'This file takes too long, or too much room, to be read as a book.',
  tooLarge: 'This spreadsheet is larger than any book once it is unpacked: it is not read.',
} as const
