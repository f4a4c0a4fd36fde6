import type { PersonGuide, PersonRecord, ReadingRecord } from '@jackdaw/contracts/records'
import type { ReadingState } from '@jackdaw/core/assignments'
import { csv } from '@jackdaw/core/records'

const IN_WORDS: Record<ReadingState, string> = {
  late: 'Late',
  'due-soon': 'Due soon',
  'out-of-date': 'Out of date',
  'in-progress': 'In progress',
  'not-started': 'Not started',
  done: 'Done',
}
/** Instants in a file are ISO 8601 in UTC, so that any program reads them alike. */
const instant = (at: number | null): string | null => (at === null ? null : new Date(at).toISOString().slice(0, 19) + 'Z')
const minutes = (ms: number): number => Math.round(ms / 6_000) / 10

const READING = [
  'Assigned',
  'State',
  'Due',
  'Steps read',
  'Steps',
  'Minutes active',
  'Started (UTC)',
  'Last activity (UTC)',
  'Finished (UTC)',
  'Finished edition',
  'Finished is',
  'Watched',
  'Practised',
  'Practise tries',
  'Steps with help',
  'Solo attempts',
  'Solo best %',
  'Solo passed (UTC)',
]

const reading = (row: ReadingRecord & { assigned: boolean }): (string | number | null)[] => [
  row.assigned ? 'yes' : 'no',
  IN_WORDS[row.state],
  row.dueOn,
  row.seen,
  row.steps,
  minutes(row.activeMs),
  instant(row.startedAt),
  instant(row.lastAt),
  instant(row.finishedAt),
  row.finishedEdition,
  row.finishedEdition === null ? null : row.finishedAttested ? 'attested' : 'claimed',
  row.ways.watch?.finished ?? 0,
  row.ways.practise?.finished ?? 0,
  row.ways.practise?.tries ?? 0,
  row.ways.practise?.helped ?? 0,
  row.ways.solo?.begun ?? 0,
  row.ways.solo?.bestPercent ?? null,
  instant(row.ways.solo?.passedAt ?? null),
]

/** The people of a guide as a file. */
export const guideCsv = (guide: { number: number; title: string; edition: number }, rows: readonly PersonRecord[]): string =>
  csv(
    ['Guide', 'Title', 'Edition', 'Name', 'Site', 'Department', ...READING],
    rows.map((row) => [guide.number, guide.title, guide.edition, row.name, row.site, row.department, ...reading(row)]),
  )

/** The guides of a person as a file. */
export const personCsv = (person: { name: string; site: string; department: string }, rows: readonly PersonGuide[]): string =>
  csv(
    ['Name', 'Site', 'Department', 'Guide', 'Title', 'Edition', ...READING],
    rows.map((row) => [person.name, person.site, person.department, row.number, row.title, row.edition, ...reading(row)]),
  )
