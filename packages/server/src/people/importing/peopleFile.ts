import { setImmediate } from 'node:timers/promises'
import { columnsOf, type FileEncoding } from '@jackdaw/contracts/peopleFiles'
import {
  faultOfColumns,
  guessColumns,
  planImport,
  readLine,
  wantedBy,
  type Column,
  type ImportPlan,
  type KnownCompany,
  type LineFacts,
} from '@jackdaw/core/people'
import type { GroupId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import type { ReadTable } from '../../decoding'
import { fail, failField, type Caller, type Parts } from '../../http'
import { GROUP, GROUP_KIND } from '../model'
import { knownCompany } from './known'

/** How a file is to be read. */
export type HowRead = {
  encoding?: FileEncoding | undefined
  columns?: string | undefined
  newGroups?: 'yes' | undefined
  site: GroupId
}
/** A file with its columns and, unless these cannot be read so, what its lines say. */
export type PeopleFile = { table: ReadTable; columns: readonly (Column | null)[]; fault: string | null; lines: LineFacts[] }

/** Lines that are read in one go: others get their turn in between. */
export const AT_ONCE = 100

/** The lines of a table, as many as wished, with their numbers in the file. */
export async function* rowsOf({ lines }: ReadTable, most = Infinity): AsyncGenerator<[line: number, ...cells: string[]]> {
  let read = 0
  for (let at = 0; at < lines.length && read < most; read++) {
    const end = lines.indexOf(10, at)
    yield JSON.parse(lines.toString('utf8', at, end)) as [number, ...string[]]
    at = end + 1
    if (read % AT_ONCE === AT_ONCE - 1) await setImmediate()
  }
}

/** Reads a file of people.
 * @throws `not-a-table` */
export async function readPeopleFile({ decoder, database }: Parts, bytes: Buffer, how: HowRead): Promise<PeopleFile> {
  if ((await database.in(GROUP).count({ id: how.site, kindId: 'site' as never, closedAt: null })) === 0)
    failField('/query/site', 'This site does not exist any more. Load the page again.')
  const read = await decoder.table({ bytes, encoding: how.encoding })
  if (!read.ok) return fail('not-a-table', read.words)
  const { table } = read
  const kinds = await database.in(GROUP_KIND).find({}, { only: ['id', 'name'] })
  const said = how.columns === undefined ? null : columnsOf(how.columns)
  const chosen = said ? table.heads.map((_, at) => said[at] ?? null) : guessColumns(table.heads, kinds)
  const unknown = chosen.find((column) => column?.startsWith('groups:') && !kinds.some(({ id }) => `groups:${id}` === column))
  const fault = unknown ? 'One of the kinds of groups does not exist any more. Load the page again.' : faultOfColumns(chosen)
  const lines: LineFacts[] = []
  if (!fault) for await (const [line, ...cells] of rowsOf(table)) lines.push(readLine(line, cells, chosen))
  return { table, columns: chosen, fault, lines }
}

/** What a file does to the company as it is now. */
export async function planOf(db: Db, parts: Parts, file: PeopleFile, how: HowRead, caller: Caller): Promise<ImportPlan> {
  const company: KnownCompany = await knownCompany(db, wantedBy(file.lines))
  const by = { id: caller.id, permissions: caller.permissions }
  const planning = planImport(file.lines, company, { newGroups: how.newGroups === 'yes', siteId: how.site, by }, parts.newId)
  for (let next = planning.next(); ; next = planning.next()) {
    if (next.done) return next.value
    await setImmediate()
  }
}
