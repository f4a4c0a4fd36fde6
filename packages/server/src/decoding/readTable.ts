import { parse, CsvError } from 'csv-parse/sync'
import readXlsx from 'read-excel-file/node'
import type { FileEncoding } from '@jackdaw/contracts/peopleFiles'
import type { Unreadable } from './pictureType'
import { TABLE_LIMITS, type ReadTable } from './tableFormat'

const starts = (bytes: Buffer, ...signature: number[]): boolean => bytes.subarray(0, signature.length).equals(Buffer.from(signature))
const unreadable = (words: string): Unreadable => ({ ok: false, words })
type Row = { line: number; cells: readonly string[] }

/** The encoding of a text by its mark, its zero bytes, and whether it can be UTF-8 at all. */
function encodingOf(bytes: Buffer): FileEncoding {
  if (starts(bytes, 0xef, 0xbb, 0xbf)) return 'utf-8'
  if (starts(bytes, 0xff, 0xfe)) return 'utf-16le'
  if (starts(bytes, 0xfe, 0xff)) return 'utf-16be'
  const zeros = [0, 0]
  for (let at = 0; at < Math.min(bytes.length, 4_000); at++) if (bytes[at] === 0) zeros[at % 2]!++
  if (zeros[0]! + zeros[1]! > 10) return zeros[1]! > zeros[0]! ? 'utf-16le' : 'utf-16be'
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return 'utf-8'
  } catch (error) {
    if (error instanceof TypeError) return 'windows-1250'
    throw error
  }
}

/** The sign that stands between the cells of the first line: the one that is there most often outside of quotation marks. */
function delimiterOf(text: string): string {
  const counts = new Map(['\t', ';', ','].map((sign) => [sign, 0]))
  let quoted = false
  for (const sign of text.slice(0, 20_000)) {
    if (sign === '"') quoted = !quoted
    else if (!quoted && sign === '\n') break
    else if (!quoted && counts.has(sign)) counts.set(sign, counts.get(sign)! + 1)
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]![0]
}

function rowsOfCsv(bytes: Buffer, encoding: FileEncoding): Row[] {
  const text = new TextDecoder(encoding).decode(bytes)
  const rows = parse(text, {
    bom: true,
    delimiter: delimiterOf(text),
    relaxColumnCount: true,
    relaxQuotes: true,
    skipEmptyLines: true,
    info: true,
    // One line more than are taken, and the heads: enough to see that there are too many.
    to: TABLE_LIMITS.lines + 2,
  }) as unknown as { record: string[]; info: { lines: number } }[]
  return rows.map(({ record, info }) => ({ line: info.lines, cells: record }))
}

const cellText = (value: unknown): string =>
  value === null || value === undefined
    ? ''
    : value instanceof Date
      ? Number.isNaN(value.getTime())
        ? ''
        : value.toISOString().slice(0, 10)
      : String(value)

async function rowsOfWorkbook(bytes: Buffer): Promise<Row[]> {
  const [sheet] = await readXlsx(bytes)
  return (sheet?.data ?? []).slice(0, TABLE_LIMITS.lines + 2).map((cells, at) => ({ line: at + 1, cells: cells.map(cellText) }))
}

/** Reads the first table of a file: CSV in one of four encodings with `;`, `,` or tabs, or a workbook (XLSX), of which the values of its
 * cells count, those of formulas as they were last reckoned. The first line that is not empty holds the heads.
 * @param encoding how the text is to be read, where it is not as it seems */
export async function readTable(bytes: Buffer, encoding?: FileEncoding): Promise<{ ok: true; table: ReadTable } | Unreadable> {
  const isWorkbook = starts(bytes, 0x50, 0x4b, 0x03, 0x04)
  if (starts(bytes, 0xd0, 0xcf, 0x11, 0xe0)) return unreadable('This is a workbook of an old kind. Save it as XLSX or as CSV.')
  if (!isWorkbook && bytes.subarray(0, 4).toString('latin1') === '%PDF')
    return unreadable('This is a PDF. Save the list as XLSX or as CSV.')
  const readAs = isWorkbook ? null : (encoding ?? encodingOf(bytes))
  let rows: Row[]
  try {
    rows = readAs === null ? await rowsOfWorkbook(bytes) : rowsOfCsv(bytes, readAs)
  } catch (error) {
    if (readAs === null) return unreadable('The workbook cannot be read. Open it, save it as XLSX once more, or as CSV.')
    if (error instanceof CsvError)
      return unreadable('A quotation mark is opened in the file and never closed, so lines cannot be told apart.')
    throw error
  }
  const [heads, ...lines] = rows.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''))
  if (!heads || lines.length === 0) return unreadable('There are no lines below the heads of the columns.')
  const columns = Math.max(...[heads, ...lines].map(({ cells }) => cells.findLastIndex((cell) => cell.trim() !== '') + 1))
  if (columns > TABLE_LIMITS.columns) return unreadable('The file has more than 100 columns. Leave those out that are not needed.')
  if (lines.length > TABLE_LIMITS.lines) return unreadable('The file has more than 20,000 lines. Divide it into several.')
  const cut = (cell: string) => cell.slice(0, TABLE_LIMITS.cellLetters)
  return {
    ok: true,
    table: {
      heads: Array.from({ length: columns }, (_, at) =>
        cut(heads.cells[at] ?? '')
          .trim()
          .slice(0, 200),
      ),
      lines: Buffer.from(lines.map(({ line, cells }) => `${JSON.stringify([line, ...cells.slice(0, columns).map(cut)])}\n`).join('')),
      count: lines.length,
      encoding: readAs,
    },
  }
}
