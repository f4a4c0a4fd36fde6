import type { CautionRecord, PersonGuide, PersonRecord, ReadingRecord } from '@jackdaw/contracts/records'
import type { ReadingState } from '@jackdaw/core/assignments'
import type { CautionLevel } from '@jackdaw/core/guides'
import { WAYS } from '@jackdaw/core/ways'
import type { CsvRow } from '@jackdaw/core/records'
import { localTimeAt } from '@jackdaw/core/shared'

/** A table that is sent as a file. */
export type Table = { header: readonly string[]; rows: readonly CsvRow[] }
/** Who a line is about. */
export type About = { name: string; site: string; department: string; teams: readonly string[]; roles: readonly string[]; zone: string }

const IN_WORDS: Record<ReadingState, string> = {
  late: 'Late',
  'due-soon': 'Due soon',
  'out-of-date': 'Out of date',
  'in-progress': 'In progress',
  'not-started': 'Not started',
  done: 'Done',
}
/** Times in a file are those of the clock where the person works; the zone stands beside them. */
const instant = (at: number | null, zone: string): string | null => (at === null ? null : localTimeAt(at, zone))
const minutes = (ms: number): number => Math.round(ms / 6_000) / 10

const READING = [
  'Assigned',
  'State',
  'Due',
  'Steps read',
  'Steps',
  'Minutes active',
  'Started',
  'Last activity',
  'Finished',
  'Finished edition',
  'Finished is',
  'Watched',
  'Practised',
  'Practise tries',
  'Steps with help',
  'Solo attempts',
  'Solo best %',
  'Solo passed',
]

const reading = (row: ReadingRecord & { assigned: boolean }, zone: string): (string | number | null)[] => [
  row.assigned ? 'yes' : 'no',
  IN_WORDS[row.state],
  row.state === 'done' ? null : row.dueOn,
  row.seen,
  row.steps,
  minutes(row.activeMs),
  instant(row.startedAt, zone),
  instant(row.lastAt, zone),
  instant(row.finishedAt, zone),
  row.finishedEdition,
  row.finishedEdition === null ? null : row.finishedAttested ? 'attested' : 'claimed',
  row.ways.watch?.finished ?? 0,
  row.ways.practise?.finished ?? 0,
  row.ways.practise?.tries ?? 0,
  row.ways.practise?.helped ?? 0,
  row.ways.solo?.begun ?? 0,
  row.ways.solo?.bestPercent ?? null,
  instant(row.ways.solo?.passedAt ?? null, zone),
]

const WHO = ['Name', 'Site', 'Department', 'Teams', 'Roles', 'Time zone']
const who = (person: About): string[] => [
  person.name,
  person.site,
  person.department,
  person.teams.join('; '),
  person.roles.join('; '),
  person.zone,
]
const GUIDE = ['Guide', 'Title', 'Edition']
type Guide = { number: number; title: string; edition: number }
const guideOf = ({ number, title, edition }: Guide): (string | number)[] => [number, title, edition]

/** People and guides, a line for each of both. */
export const recordTable = (rows: readonly (About & Guide & ReadingRecord & { assigned: boolean })[]): Table => ({
  header: [...WHO, ...GUIDE, ...READING],
  rows: rows.map((row) => [...who(row), ...guideOf(row), ...reading(row, row.zone)]),
})
/** The people of a guide. */
export const guideTable = (guide: Guide, rows: readonly PersonRecord[]): Table => recordTable(rows.map((row) => ({ ...row, ...guide })))
/** The guides of a person. */
export const personTable = (person: About, rows: readonly PersonGuide[]): Table => recordTable(rows.map((row) => ({ ...row, ...person })))

const LEVEL: Record<CautionLevel, string> = { danger: 'Danger', warning: 'Warning', caution: 'Caution', note: 'Note' }
/** Who has acknowledged the cautions of which step: a line for each person, step and way of use, one with nothing where they have not. */
export const cautionTable = (guide: Guide, rows: readonly (CautionRecord & { zone: string })[]): Table => ({
  header: [
    ...GUIDE,
    'Step',
    'Step name',
    'Level',
    'Name',
    'Site',
    'Department',
    'Time zone',
    'Acknowledged in',
    'In edition',
    'First',
    'Last',
    'Times',
    'Is',
  ],
  rows: rows.flatMap((row) => {
    const about = [...guideOf(guide), row.position, row.step, LEVEL[row.level], row.name, row.site, row.department, row.zone]
    if (row.acknowledged.length === 0) return [[...about, null, null, null, null, 0, null]]
    return row.acknowledged.map((each) => [
      ...about,
      WAYS[each.way].name,
      each.edition,
      instant(each.firstAt, row.zone),
      instant(each.lastAt, row.zone),
      each.times,
      each.attested ? 'attested' : 'claimed',
    ])
  }),
})
