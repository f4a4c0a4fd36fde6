import { folded, LocalDate, type GroupKindId } from '../../shared'
import { Level } from '../permissions'
import { PERSON_LIMITS } from '../personState'
import type { Column } from './columns'

/** What is wrong with a line, in words, with what is put into them. */
export type Fault = { words: string; put?: Record<string, string | number> }

/** What a line of a file says of somebody. `null`, or a kind that is not there: nothing, so it stays as it is. */
export type LineFacts = {
  /** Number of the line in the file, from 1. */
  line: number
  number: string | null
  mail: string | null
  name: string | null
  telephone: string | null
  jobTitle: string | null
  startedOn: LocalDate | null
  site: string | null
  level: Level | null
  /** Number, mail address or name of whom they report to. */
  manager: string | null
  /** Names of all groups of a kind that they are in. */
  groups: ReadonlyMap<GroupKindId, readonly string[]>
  faults: readonly Fault[]
}

const LEVEL_WORDS: Record<Level, readonly string[]> = {
  admin: ['admin', 'administrator', 'administratorin'],
  lead: ['lead', 'leitung', 'leiter', 'leiterin'],
  author: ['author', 'autor', 'autorin'],
  staff: ['staff', 'employee', 'mitarbeiter', 'mitarbeiterin'],
}
const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/
/** Control characters and halves of characters, which no text has. */
const UNREADABLE = /[\p{Cc}\p{Cs}\uFFFD\uFFFE\uFFFF]/u
const MOST_GROUPS_OF_A_KIND = 50

/** A day as lists of personnel write it: 2026-03-04, 4.3.2026 or 4/3/2026 (the day first). */
export function dayOf(text: string): LocalDate | null {
  const [, year, month, day] = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(text) ?? []
  const [, day2, month2, year2] = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text) ?? []
  const two = (part: string) => part.padStart(2, '0')
  const read = year ? `${year}-${two(month!)}-${two(day!)}` : year2 ? `${year2}-${two(month2!)}-${two(day2!)}` : ''
  const { data } = LocalDate.safeParse(read)
  return data ?? null
}

/** Reads the cells of a line. Every cell that cannot be read is told; nothing of it is guessed. */
export function readLine(line: number, cells: readonly string[], columns: readonly (Column | null)[]): LineFacts {
  const faults: Fault[] = []
  const texts = new Map<Column, string>()
  columns.forEach((column, at) => {
    // An apostrophe in front is how tables that we write keep spreadsheets from reckoning.
    const text = (cells[at] ?? '')
      .replace(/[\t\r\n\u00a0 ]+/g, ' ')
      .trim()
      .replace(/^'(?=[=+\-@])/, '')
    if (column === null || text === '') return
    if (UNREADABLE.test(text)) faults.push({ words: 'A cell holds characters that cannot be read. Is the encoding right?' })
    else if (text.startsWith('='))
      faults.push({ words: 'A cell holds a formula instead of a value: {{text}}', put: { text: text.slice(0, 60) } })
    else texts.set(column, text)
  })
  const upTo = (column: Column, most: number, words: string): string | null => {
    const text = texts.get(column) ?? null
    if (text === null || text.length <= most) return text
    faults.push({ words, put: { most } })
    return null
  }
  const whole = upTo('name', PERSON_LIMITS.name, 'A name has at most {{most}} letters.')
  const parts = [texts.get('firstName'), texts.get('lastName')].filter((part) => part !== undefined).join(' ')
  const name = whole ?? (parts === '' ? null : parts)
  if (!whole && parts.length > PERSON_LIMITS.name)
    faults.push({ words: 'A name has at most {{most}} letters.', put: { most: PERSON_LIMITS.name } })
  const mail = upTo('mail', PERSON_LIMITS.mail, 'A mail address has at most {{most}} letters.')
  if (mail !== null && !MAIL.test(mail)) faults.push({ words: '“{{text}}” is no mail address.', put: { text: mail } })
  const day = texts.get('startedOn')
  const startedOn = day === undefined ? null : dayOf(day)
  if (day !== undefined && !startedOn)
    faults.push({ words: '“{{text}}” is no day: write 2026-03-04, 4.3.2026 or 4/3/2026, the day first.', put: { text: day.slice(0, 40) } })
  const said = texts.get('level')
  const level = Level.options.find((each) => said !== undefined && LEVEL_WORDS[each].includes(folded(said))) ?? null
  if (said !== undefined && !level)
    faults.push({ words: '“{{text}}” is no level: admin, lead, author or staff.', put: { text: said.slice(0, 40) } })
  const facts = {
    line,
    number: upTo('number', PERSON_LIMITS.number, 'A personnel number has at most {{most}} letters.'),
    mail: mail?.toLowerCase() ?? null,
    name,
    telephone: upTo('telephone', PERSON_LIMITS.telephone, 'A telephone number has at most {{most}} characters.'),
    jobTitle: upTo('jobTitle', PERSON_LIMITS.jobTitle, 'A job title has at most {{most}} letters.'),
    startedOn,
    level,
    site: upTo('site', PERSON_LIMITS.groupName, 'The name of a site has at most {{most}} letters.'),
    manager: texts.get('manager') ?? null,
    groups: groupsOf(texts, faults),
    faults,
  }
  if (facts.number === null && facts.mail === null && faults.length === 0)
    faults.push({ words: 'Neither a personnel number nor a mail address: they could not be known again.' })
  return facts
}

/** Several groups of a kind stand in a cell with `;` or `|` between them. */
function groupsOf(texts: ReadonlyMap<Column, string>, faults: Fault[]): Map<GroupKindId, string[]> {
  const groups = new Map<GroupKindId, string[]>()
  for (const [column, text] of texts) {
    if (!column.startsWith('groups:')) continue
    const names = new Map(
      text
        .split(/[;|]/)
        .map((name) => name.trim())
        .filter(Boolean)
        .map((name) => [folded(name), name]),
    )
    if (names.size > MOST_GROUPS_OF_A_KIND)
      faults.push({ words: 'More than {{most}} groups in one cell.', put: { most: MOST_GROUPS_OF_A_KIND } })
    if ([...names.values()].some((name) => name.length > PERSON_LIMITS.groupName))
      faults.push({ words: 'The name of a group has at most {{most}} letters.', put: { most: PERSON_LIMITS.groupName } })
    groups.set(column.slice('groups:'.length) as GroupKindId, [...names.values()])
  }
  return groups
}

/** By what the people whom a file speaks of are found: numbers and mail addresses in small letters, names folded. */
export type Wanted = { numbers: string[]; mails: string[]; names: string[] }

/** Whom one has to know to plan what becomes of these lines. */
export function wantedBy(lines: readonly LineFacts[]): Wanted {
  const numbers = new Set<string>()
  const mails = new Set<string>()
  const names = new Set<string>()
  for (const { number, mail, manager } of lines) {
    if (number !== null) numbers.add(number.toLowerCase())
    if (mail !== null) mails.add(mail)
    if (manager === null) continue
    numbers.add(manager.toLowerCase())
    mails.add(manager.toLowerCase())
    names.add(folded(manager))
  }
  return { numbers: [...numbers], mails: [...mails], names: [...names] }
}
