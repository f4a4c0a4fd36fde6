import type { QuestionKind } from '../questions/questionKinds'

/** The columns of questions as a table, in the order in which they are written. In a cell of answers each stands on a line of its own; `right`: their
 * numbers, or `true` and `false`. */
export const TABLE_COLUMNS = [
  'question',
  'kind',
  'answers',
  'right',
  'unit',
  'tolerance',
  'slips',
  'case',
  'by',
  'points',
  'difficulty',
  'tags',
  'explanation',
  'characters',
  'seconds',
  'recorded as',
  'for judges',
] as const
/** One of {@link TABLE_COLUMNS}. */
export type TableColumn = (typeof TABLE_COLUMNS)[number]
/** What stands in a row, by column; what is not said is left out. */
export type TableRow = Partial<Record<TableColumn, string>>

/** The kinds that a table can hold: all that need no picture. */
export const TABLE_KINDS = [
  'one',
  'several',
  'true-false',
  'text',
  'number',
  'order',
  'match',
  'written',
  'recorded',
] as const satisfies readonly QuestionKind[]
/** One of {@link TABLE_KINDS}. */
export type TableKind = (typeof TABLE_KINDS)[number]
