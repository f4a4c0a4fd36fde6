import type { ItemState } from '@jackdaw/core/items'
import { localTimeAt } from '@jackdaw/core/shared'
import type { ProgressRecord, WhoSort } from './records'

/** Who a line of a table of records is about. `zone`: IANA, of the primary site. */
export type AboutPerson = {
  name: string
  site: string
  department: string
  teams: readonly string[]
  roles: readonly string[]
  zone: string
}
/** The item that a line is about. */
export type AboutItem = { number: number; title: string; edition: number }
/** A line of a table of records: a person and an item. */
export type RecordLine = AboutPerson & AboutItem & ProgressRecord & { assigned: boolean }
/** What stands in a cell of a file. */
export type FileCell = string | number | null

/** Words of a key, which is English, in the language of whoever asked for the file. */
export type Words = (key: string) => string

/** A column of a table of records. `name` is its heading in English; a file may say it with its unit. */
type Column = {
  id: string
  name: string
  /** What a file says, in words where it is words; `null`: it is not in files. */
  file: ((line: RecordLine, t: Words) => FileCell) | null
  nameInFile?: string
  /** Whether the list on the screen shows it, and what it is ordered by there. */
  screen: boolean
  sort?: WhoSort
}

const STATES: Record<ItemState, string> = {
  late: 'Late',
  'due-soon': 'Due soon',
  'out-of-date': 'Out of date',
  'in-progress': 'In progress',
  'not-started': 'Not started',
  waiting: 'Waits for somebody',
  done: 'Done',
  waived: 'Waived',
}
/** Times in a file are those of the clock where the person works; the zone stands beside them. */
const instant = (at: number | null | undefined, { zone }: AboutPerson): string | null =>
  at === null || at === undefined ? null : localTimeAt(at, zone)
const minutes = (ms: number): number => Math.round(ms / 6_000) / 10

/** The columns of tables of records, for the screen and for files: one that is added says all of it here, and for the screen in the page's cells. */
export const RECORD_COLUMNS = [
  { id: 'name', name: 'Name', file: (line) => line.name, screen: true, sort: 'name' },
  { id: 'site', name: 'Site', file: (line) => line.site, screen: false },
  { id: 'department', name: 'Department', file: (line) => line.department, screen: false },
  { id: 'teams', name: 'Teams', file: (line) => line.teams.join('; '), screen: false },
  { id: 'roles', name: 'Roles', file: (line) => line.roles.join('; '), screen: false },
  { id: 'zone', name: 'Time zone', file: (line) => line.zone, screen: false },
  { id: 'number', name: 'Guide', file: (line) => line.number, screen: false },
  { id: 'title', name: 'Title', file: (line) => line.title, screen: false },
  { id: 'edition', name: 'Edition', file: (line) => line.edition, screen: false },
  { id: 'assigned', name: 'Assigned', file: (line, t) => t(line.assigned ? 'yes' : 'no'), screen: false },
  { id: 'state', name: 'State', file: (line, t) => t(STATES[line.state]), screen: true, sort: 'state' },
  {
    id: 'due',
    name: 'Due',
    file: (line) => (line.state === 'done' || line.state === 'waived' ? null : line.dueOn),
    screen: true,
    sort: 'due',
  },
  { id: 'seen', name: 'Steps read', file: (line) => line.seen, screen: true, sort: 'progress' },
  { id: 'steps', name: 'Steps', file: (line) => line.parts, screen: false },
  { id: 'time', name: 'Time reading', nameInFile: 'Minutes active', file: (line) => minutes(line.activeMs), screen: true, sort: 'time' },
  { id: 'started', name: 'Started', file: (line) => instant(line.startedAt, line), screen: false },
  { id: 'last', name: 'Last activity', file: (line) => instant(line.lastAt, line), screen: true, sort: 'last' },
  { id: 'finished', name: 'Finished', file: (line) => instant(line.finishedAt, line), screen: true, sort: 'finished' },
  { id: 'finishedEdition', name: 'Finished edition', file: (line) => line.finishedEdition, screen: false },
  {
    id: 'finishedIs',
    name: 'Finished is',
    file: (line, t) => (line.finishedEdition === null ? null : t(line.finishedAttested ? 'attested' : 'claimed')),
    screen: false,
  },
  { id: 'watched', name: 'Watched', file: (line) => line.ways.watch?.finished ?? 0, screen: false },
  { id: 'practised', name: 'Practised', file: (line) => line.ways.practise?.finished ?? 0, screen: false },
  { id: 'practiseTries', name: 'Practise tries', file: (line) => line.ways.practise?.tries ?? 0, screen: false },
  { id: 'helped', name: 'Steps with help', file: (line) => line.ways.practise?.helped ?? 0, screen: false },
  { id: 'soloAttempts', name: 'Solo attempts', file: (line) => line.ways.solo?.begun ?? 0, screen: false },
  { id: 'soloBest', name: 'Solo best %', file: (line) => line.ways.solo?.bestPercent ?? null, screen: false },
  { id: 'soloPassed', name: 'Solo passed', file: (line) => instant(line.ways.solo?.passedAt, line), screen: false },
  { id: 'waivedWhy', name: 'Waived because', file: (line) => line.waivedWhy, screen: false },
  { id: 'ways', name: 'Watch, Practise, Solo', file: null, screen: true },
] as const satisfies readonly Column[]

type AnyColumn = (typeof RECORD_COLUMNS)[number]
/** A column that the list on the screen shows. */
export type ScreenColumn = Extract<AnyColumn, { screen: true }>

/** The columns that the list on the screen shows, in order. */
export const SCREEN_COLUMNS: readonly ScreenColumn[] = RECORD_COLUMNS.filter((column): column is ScreenColumn => column.screen)

/** Headings of a file of records. */
export const fileHeader = (t: Words): string[] =>
  (RECORD_COLUMNS as readonly Column[]).flatMap(({ file, name, nameInFile }) => (file ? [t(nameInFile ?? name)] : []))
/** A line of a file of records. */
export const fileLine = (line: RecordLine, t: Words): FileCell[] =>
  (RECORD_COLUMNS as readonly Column[]).flatMap(({ file }) => (file ? [file(line, t)] : []))
