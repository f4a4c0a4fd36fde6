const FORMULA_START = /^[\s\u200b-\u200f\u2060\ufeff]*[=+\-@＝＋－＠﹢﹣﹫]|^[\t\r]/u
/** Text that looks as if it had been guarded already. */
const GUARDED = new RegExp(`^'+(?:${FORMULA_START.source.replaceAll('^', '')})`, 'u')
const NUMBER = /^-?\d+(\.\d+)?$/

function cell(value: string | number | null): string {
  const text = value === null ? '' : String(value)
  const harmless = (FORMULA_START.test(text) && !NUMBER.test(text)) || GUARDED.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless
}

/** A line of a table. */
export type CsvRow = readonly (string | number | null)[]

/** The beginning of a table as CSV (RFC 4180), with a byte order mark so that spreadsheets read it as UTF-8.
 * @param header names of the columns */
export const csvHead = (header: readonly string[]): string => `\uFEFF${csvLines([header])}`

/** Lines of a table as CSV. Text that a spreadsheet would take for a formula gets an apostrophe in front (OWASP, "CSV injection"). */
export const csvLines = (rows: readonly CsvRow[]): string => rows.map((row) => `${row.map(cell).join(',')}\r\n`).join('')

/** The text of a cell as it was before it was written by {@link csvLines}. */
export const cellRead = (text: string): string => (GUARDED.test(text) ? text.slice(1) : text)
