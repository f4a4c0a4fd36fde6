const FORMULA_START = /^[\s\u200b-\u200f\u2060\ufeff]*[=+\-@＝＋－＠﹢﹣﹫]|^[\t\r]/u
const NUMBER = /^-?\d+(\.\d+)?$/

function cell(value: string | number | null): string {
  const text = value === null ? '' : String(value)
  const harmless = FORMULA_START.test(text) && !NUMBER.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless
}

/** A table as CSV (RFC 4180), with a byte order mark so that spreadsheets read it as UTF-8. Text that a spreadsheet would take
 * for a formula gets an apostrophe in front (OWASP, "CSV injection").
 * @param header names of the columns */
export function csv(header: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  return `\uFEFF${[header, ...rows].map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`
}
