import { fileHeader, fileLine, type AboutItem, type AboutPerson, type RecordLine, type Words } from '@jackdaw/contracts/recordColumns'
import type { CautionRecord, PersonItem, PersonRecord } from '@jackdaw/contracts/records'
import type { CautionLevel } from '@jackdaw/core/guides'
import { WAYS } from '@jackdaw/core/ways'
import type { CsvRow } from '@jackdaw/core/shared'
import { localTimeAt } from '@jackdaw/core/shared'

/** A table that is sent as a file, in the words of whoever asked for it. */
export type Table = { header: readonly string[]; rows: readonly CsvRow[] }
/** People and items, a line for each of both. */
export const recordTable = (t: Words, lines: readonly RecordLine[]): Table => ({
  header: fileHeader(t),
  rows: lines.map((line) => fileLine(line, t)),
})
/** The people of an item. */
export const itemTable = (t: Words, item: AboutItem, rows: readonly PersonRecord[]): Table =>
  recordTable(
    t,
    rows.map((row) => ({ ...row, ...item })),
  )
/** The items of a person. */
export const personTable = (t: Words, person: AboutPerson, rows: readonly PersonItem[]): Table =>
  recordTable(
    t,
    rows.map((row) => ({ ...row, ...person })),
  )

/** Times in a file are those of the clock where the person works; the zone stands beside them. */
const instant = (at: number | null, zone: string): string | null => (at === null ? null : localTimeAt(at, zone))
const GUIDE = ['Guide', 'Title', 'Edition']
const guideOf = ({ number, title, edition }: AboutItem): (string | number)[] => [number, title, edition]

const LEVEL: Record<CautionLevel, string> = { danger: 'Danger', warning: 'Warning', caution: 'Caution', note: 'Note' }
/** Who has acknowledged the cautions of which step: a line for each person, step and way of use, one with nothing where they have not. */
export const cautionTable = (t: Words, guide: AboutItem, rows: readonly (CautionRecord & { zone: string })[]): Table => ({
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
  ].map(t),
  rows: rows.flatMap((row) => {
    const about = [...guideOf(guide), row.position, row.step, t(LEVEL[row.level]), row.name, row.site, row.department, row.zone]
    if (row.acknowledged.length === 0) return [[...about, null, null, null, null, 0, null]]
    return row.acknowledged.map((each) => [
      ...about,
      t(WAYS[each.way].name),
      each.edition,
      instant(each.firstAt, row.zone),
      instant(each.lastAt, row.zone),
      each.times,
      t(each.attested ? 'attested' : 'claimed'),
    ])
  }),
})
