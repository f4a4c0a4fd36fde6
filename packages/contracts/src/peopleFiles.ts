import { Column } from '@jackdaw/core/people'
import { GroupId, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint, WholeInAddress } from './endpoint'

/** Largest file of people that is taken, in bytes. */
export const MOST_PEOPLE_FILE_BYTES = 50 * 1024 * 1024
/** What a file of people may be sent as; its bytes decide what it is. */
const FILE = {
  types: ['text/*', 'application/octet-stream', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  maxBytes: MOST_PEOPLE_FILE_BYTES,
}
/** How letters may stand as bytes. */
export const FileEncoding = z.enum(['utf-8', 'utf-16le', 'utf-16be', 'windows-1250'])
/** Read by {@link FileEncoding}. */
export type FileEncoding = z.infer<typeof FileEncoding>

/** Columns as an address writes them. */
export const columnsText = (columns: readonly (Column | null)[]): string => columns.map((column) => column ?? '').join(',')
/** Reads {@link columnsText}; `null` where one of them is none. */
export function columnsOf(text: string): (Column | null)[] | null {
  const read = z.array(z.nullable(Column)).safeParse(text.split(',').map((part) => (part === '' ? null : part)))
  return read.data ?? null
}

/** How a file is read. `columns`, see {@link columnsText}: guessed from the heads where they are not given; `site`: of newcomers whose line names none. */
const HowRead = z.object({
  encoding: z.optional(FileEncoding),
  columns: z.optional(
    z.string().check(
      z.maxLength(4_000),
      z.refine((text) => columnsOf(text) !== null, 'No such column'),
    ),
  ),
  newGroups: z.optional(z.literal('yes')),
  site: GroupId,
})
const Counts = z.object({ added: z.int(), changed: z.int(), returned: z.int(), same: z.int(), wrong: z.int() })
/** How many lines do what. */
export type Counts = z.infer<typeof Counts>

/** What is wrong with a line: words, and what is put into them. */
const LineFault = z.object({ words: z.string(), put: z.optional(z.record(z.string(), z.union([z.string(), z.number()]))) })
/** What becomes of a line, see `PlannedLine`. */
export const LineShown = z.object({
  line: z.int(),
  id: z.nullable(PersonId),
  name: z.string(),
  outcome: z.enum(['added', 'changed', 'returned', 'same', 'wrong']),
  changes: z.array(z.object({ what: z.string(), from: z.string(), to: z.string() })),
  faults: z.array(LineFault),
})
/** Read by {@link LineShown}. */
export type LineShown = z.infer<typeof LineShown>

/** So many lines of each sort come with a preview. */
export const LINES_SHOWN = 200
/** What a file would do. `encoding`: `null` of a workbook; `fault`: why the columns cannot be read so, in words, and then nothing is counted.
 * `sample`: the first lines as they stand. `seen`: names just this, for {@link takePeopleIn}. */
export const PeoplePreview = z.object({
  heads: z.array(z.string()),
  columns: z.array(z.nullable(Column)),
  sample: z.array(z.array(z.string())),
  encoding: z.nullable(FileEncoding),
  fault: z.nullable(z.string()),
  counts: Counts,
  newGroups: z.array(z.object({ kind: z.string(), name: z.string() })),
  wrong: z.array(LineShown),
  others: z.array(LineShown),
  withMail: z.int(),
  seen: z.string(),
})
/** Read by {@link PeoplePreview}. */
export type PeoplePreview = z.infer<typeof PeoplePreview>

/** Looks what a file of people would do; nothing is kept of it. */
export const previewPeopleFile = endpoint({
  method: 'post',
  path: '/api/people-files/preview',
  access: { may: 'people.import' },
  query: HowRead,
  bytes: FILE,
  response: PeoplePreview,
  problems: ['not-a-table'],
})
/** The lines that are wrong, each with what is wrong with it, as a file. */
export const getPeopleFaults = endpoint({
  method: 'post',
  path: '/api/people-files/faults.csv',
  access: { may: 'people.import' },
  query: HowRead,
  bytes: FILE,
  file: true,
  problems: ['not-a-table'],
})
/** Takes a file of people in: all of it, or all but the lines that are wrong; nothing when any of it is refused.
 * `seen`: what the preview said; when something else would happen now, nothing does. `invite`: when those added with a mail address are invited. */
export const takePeopleIn = endpoint({
  method: 'post',
  path: '/api/people-files',
  access: { may: 'people.import' },
  query: z.object({
    ...HowRead.shape,
    withoutWrong: z.optional(z.literal('yes')),
    seen: z.string().check(z.maxLength(100)),
    invite: z.union([z.literal('now'), z.literal('not-yet'), WholeInAddress]),
  }),
  bytes: FILE,
  response: z.object({ counts: Counts, newGroups: z.int(), invited: z.int() }),
  problems: ['not-a-table', 'lines-wrong', 'seen-otherwise', 'beyond-own-rights', 'reports-in-a-circle', 'last-admin', 'already-taken'],
})
