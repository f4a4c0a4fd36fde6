import type { FileEncoding } from '@jackdaw/contracts/peopleFiles'

/** A table of a file. `encoding`: `null` of a workbook.
 * @property lines JSON of each line that is not empty, `[number of the line in the file, cells …]`, with a line feed behind each */
export type ReadTable = { heads: string[]; lines: Buffer; count: number; encoding: FileEncoding | null }

/** How much of a table is taken. */
export const TABLE_LIMITS = { columns: 100, lines: 20_000, cellLetters: 2_000 } as const
