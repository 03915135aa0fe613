/** Rows as a table for a spreadsheet. */
export const csvOf = (rows: readonly (readonly string[])[]): string =>
  `${rows.map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`

/** A cell that no spreadsheet takes for a formula; a figure with its sign stays one. */
function cell(text: string): string {
  const plain = /^[=+\-@\t\r]/.test(text) && !/^[+-]\d[\d.]*$/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}
