import { parse, CsvError } from 'csv-parse/browser/esm/sync'
import { cellRead, type NewId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { escaped } from './plainForm'
import { readPlain, type ReadFault, type ReadQuestions } from './readPlain'
import { TABLE_COLUMNS, TABLE_KINDS, type TableColumn, type TableKind, type TableRow } from './tableForm'

/** Most characters of a table that are looked at. */
const MOST_CHARACTERS = 4_000_000

/** The sign between the cells: the one that stands most often in the first line, outside of quotation marks. */
function delimiterOf(text: string): string {
  const [head = ''] = text.split(/\r?\n/, 1)
  const bare = head.replace(/"[^"]*"/g, '')
  return [',', ';', '\t'].map((sign) => [sign, bare.split(sign).length] as const).sort((a, b) => b[1] - a[1])[0]![0]
}

const linesIn = (cell = ''): string[] =>
  cell
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter(Boolean)
/** Paragraphs behind a mark of the plain form. */
const marked = (mark: string, cell: string | undefined): string[] => {
  const [first, ...rest] = linesIn(cell)
  return first === undefined ? [] : [`${mark} ${first}`, ...rest.map(escaped)]
}

/** The lines of the plain form that say how a question of a kind is answered. */
function answersIn(kind: TableKind, row: TableRow): string[] {
  const answers = linesIn(row.answers)
  const right = new Set((row.right ?? '').split(/[;,\s]+/).map(Number))
  switch (kind) {
    case 'one':
    case 'several':
      return answers.map((each, n) => `${right.has(n + 1) ? '+' : '-'} ${each}`)
    case 'true-false':
      return /^(true|false)$/i.test(row.right ?? '') ? [`= ${row.right!.toLowerCase()}`] : []
    case 'text':
      return answers.map((each) => `= ${each}`)
    case 'number':
      return answers.map((each) => `# ${each} ${row.unit ?? ''}${row.tolerance ? ` ~ ${row.tolerance}` : ''}`)
    case 'order':
      return answers.map((each, n) => `${n + 1}) ${each}`)
    case 'match':
      return answers.map((each) => `& ${each}`)
    case 'written':
      return [`_ ${row.characters || 2_000}`, ...rubricLines(answers, row)]
    case 'recorded':
      return [
        `@ ${row.seconds || 180} ${/^(sound|video)$/i.test(row['recorded as'] ?? '') ? row['recorded as'] : ''}`,
        ...rubricLines(answers, row),
      ]
  }
}
const rubricLines = (answers: readonly string[], row: TableRow): string[] => [
  ...answers.map((each) => `> ${each}`),
  ...linesIn(row['for judges']).map(judged),
]
/** A line for those who judge, which is none of the rubric. */
const judged = (line: string): string => `> ${line.replace(/^(?=\\|\d{1,3}:\s)/, '\\')}`

/** The kind that a row names; where it names none, the one that its answers look like. */
function kindIn({ kind = '', right = '', answers = '' }: TableRow): TableKind | null {
  const named = kind.trim().toLowerCase()
  if (named !== '') return TABLE_KINDS.find((each) => each === named) ?? null
  if (/^(true|false)$/i.test(right)) return 'true-false'
  if (answers.includes('>>')) return 'match'
  const count = right.split(/[;,\s]+/).filter(Boolean).length
  return count === 0 ? 'text' : count === 1 ? 'one' : 'several'
}

const factsIn = ({ points, difficulty, slips, case: sameCase, by, tags }: TableRow): string =>
  [
    difficulty,
    points && `${points} points`,
    slips && `${slips} slips`,
    sameCase && /^(yes|true|1|x)$/i.test(sameCase) && 'case',
    by === 'parts' && 'parts',
    tags && `tags ${tags}`,
  ]
    .filter(Boolean)
    .join(', ')

function plainOf(kind: TableKind, row: TableRow): string {
  const facts = factsIn(row)
  return [
    ...marked(kind === 'several' ? '??' : '?', row.question),
    ...answersIn(kind, row),
    ...marked('!', row.explanation),
    ...(facts ? [`: ${facts}`] : []),
  ].join('\n')
}

type Line = { record: string[]; info: { lines: number } }
/** Reads questions from a table, CSV with a head; the sign between cells may be a comma, a semicolon or a tab. A row that cannot be read is left out, and
 * told with its line.
 * @param most how many are read at most */
export function readTable(text: string, newId: NewId, most: number = QUIZ_LIMITS.questions): ReadQuestions {
  const fault = (line: number, words: string, into?: ReadFault['into']): ReadQuestions => ({
    questions: [],
    faults: [{ line, words, ...(into ? { into } : {}) }],
  })
  if (text.length > MOST_CHARACTERS) return fault(1, 'The table is too long. Put a part of it into another file.')
  let lines: Line[]
  try {
    const options = { bom: true, delimiter: delimiterOf(text), relaxColumnCount: true, relaxQuotes: true, skipEmptyLines: true, info: true }
    lines = parse(text, options) as unknown as Line[]
  } catch (error) {
    if (!(error instanceof CsvError)) throw error
    return fault(1, 'This is no table that can be read: {{why}}', { why: error.message })
  }
  const [head, ...rows] = lines
  const columns = (head?.record ?? []).map((name) => TABLE_COLUMNS.find((column) => column === name.trim().toLowerCase()) ?? null)
  if (!columns.includes('question'))
    return fault(1, 'The first line names the columns; one of them has to be “question”. The others: {{columns}}.', {
      columns: TABLE_COLUMNS.slice(1).join(', '),
    })
  const read: ReadQuestions = { questions: [], faults: [] }
  for (const [n, { record }] of rows.entries()) {
    const line = n === 0 ? head!.info.lines + 1 : rows[n - 1]!.info.lines + 1
    const row = rowOf(columns, record)
    const kind = kindIn(row)
    if (read.questions.length >= most) {
      read.faults.push({ line, words: 'More than {{most}} questions are not taken. Put the rest into another file.', into: { most } })
      break
    }
    if (kind === null) {
      read.faults.push({ line, words: '“{{kind}}” is no kind of question here. It is left out.', into: { kind: row.kind ?? '' } })
      continue
    }
    if (linesIn(row.question).length === 0) {
      read.faults.push({ line, words: 'Nothing is asked here. It is left out.' })
      continue
    }
    const one = readPlain(plainOf(kind, row), newId)
    read.questions.push(...one.questions)
    read.faults.push(...one.faults.map((each) => ({ ...each, line })))
  }
  return read
}
const rowOf = (columns: readonly (TableColumn | null)[], record: readonly string[]): TableRow =>
  Object.fromEntries(columns.flatMap((column, n) => (column === null ? [] : [[column, cellRead(record[n] ?? '').trim()]])))
