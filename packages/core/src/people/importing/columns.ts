import * as z from 'zod/mini'
import { folded, GroupKindId } from '../../shared'

/** What a column of a file says of people: a fact, or groups of a kind (`groups:` and the id of the kind). */
export const Column = z.union([
  z.enum(['number', 'name', 'firstName', 'lastName', 'mail', 'telephone', 'jobTitle', 'startedOn', 'site', 'level', 'manager']),
  z.templateLiteral(['groups:', z.string().check(z.regex(/^(department|team|role|[A-Za-z0-9_-]{21})$/))]),
])
/** Read by {@link Column}. */
export type Column = z.infer<typeof Column>
/** A column that says one fact. */
export type FactColumn = Exclude<Column, `groups:${string}`>

/** What heads of columns are called in lists of personnel, in small letters without anything but letters. */
const HEADS: Record<FactColumn, readonly string[]> = {
  number:
    'number no nr id personnelnumber personnelno staffnumber staffno staffid employeenumber employeeno employeeid payrollnumber personalnummer personalnr persnr mitarbeiternummer'.split(
      ' ',
    ),
  name: 'name fullname person employee colleague vollername mitarbeiter'.split(' '),
  firstName: 'firstname forename givenname first vorname imie'.split(' '),
  lastName: 'lastname surname familyname last nachname familienname nazwisko'.split(' '),
  mail: 'mail email emailaddress mailaddress workemail emailadresse mailadresse'.split(' '),
  telephone: 'telephone telephonenumber phone phonenumber mobile mobilephone tel telefon telefonnummer handy mobil'.split(' '),
  jobTitle: 'jobtitle title job position occupation stelle berufsbezeichnung funktion'.split(' '),
  startedOn:
    'startdate start started startedon firstday hiredate datehired joined joinedon entrydate eintritt eintrittsdatum ersterarbeitstag'.split(
      ' ',
    ),
  site: 'site primarysite location workplace placeofwork standort werk betriebsstatte'.split(' '),
  level: 'level accesslevel rights berechtigung stufe'.split(' '),
  manager:
    'manager managername managernumber managermail manageremail reportsto supervisor linemanager superior vorgesetzter vorgesetzte fuhrungskraft'.split(
      ' ',
    ),
}
const KIND_HEADS: Record<string, readonly string[]> = {
  department: 'department dept division abteilung bereich'.split(' '),
  team: 'team crew gruppe'.split(' '),
  role: 'role rolle'.split(' '),
}
const letters = (head: string): string => folded(head).replace(/[^\p{L}\p{N}]/gu, '')
const inMany = (word: string): string[] => [word, `${word}s`, `${word}n`]

/** What the columns of a file say, guessed from their heads; each is guessed once.
 * @param kinds the kinds of groups that the company has
 * @returns in the order of the heads; `null` where the head says nothing that is known */
export function guessColumns(heads: readonly string[], kinds: readonly { id: GroupKindId; name: string }[]): (Column | null)[] {
  const known = new Map<string, Column>()
  for (const [column, words] of Object.entries(HEADS)) for (const word of words) known.set(word, Column.parse(column))
  for (const { id, name } of kinds)
    if (id !== 'site')
      for (const word of [...(KIND_HEADS[id] ?? []), letters(name)])
        for (const form of inMany(word)) if (!known.has(form)) known.set(form, `groups:${id}`)
  const taken = new Set<Column>()
  return heads.map((head) => {
    const column = known.get(letters(head))
    if (!column || taken.has(column)) return null
    taken.add(column)
    return column
  })
}

/** Why columns so chosen cannot be read; `null` when they can. */
export function faultOfColumns(columns: readonly (Column | null)[]): string | null {
  const said = columns.filter((column) => column !== null)
  if (new Set(said).size < said.length) return 'Two columns are said to hold the same. Leave one of them out.'
  if (!said.includes('number') && !said.includes('mail'))
    return 'Choose the column with the personnel number or the one with the mail address: by one of them people are known again.'
  return null
}
