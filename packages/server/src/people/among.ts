import type { GroupId, PersonId } from '@jackdaw/core/shared'
import type { Caller } from '../http'

/** Whose records are shown: everybody's or only those of the people who report to somebody, and of these the ones in the groups named. */
export type Among = {
  reportsTo: PersonId | null
  department?: GroupId | undefined
  site?: GroupId | undefined
  team?: GroupId | undefined
}

/** What somebody may see, among what they ask for. */
export const amongFor = (caller: Caller, { department, site, team }: Omit<Among, 'reportsTo'> = {}): Among => ({
  reportsTo: caller.permissions.has('records.all') ? null : caller.id,
  department,
  site,
  team,
})

/** The bound parameter for {@link amongSql}. */
export const amongParam = (among: Among): string => JSON.stringify(among)

const ASKED = ['reportsTo', 'department', 'site', 'team'] as const satisfies readonly (keyof Among)[]
/** Whether everybody is shown to somebody who may see all. */
export const isEverybody = (among: Among): boolean => ASKED.every((key) => (among[key] ?? null) === null)

/** Whether a person is among those shown, as SQL. @param personId a column; @param param the parameter with {@link amongParam}
 * @param everybody where it is known that all are; a plan that is kept for this one asks nothing of each of them */
export function amongSql(personId: string, param: string, everybody = false): string {
  if (everybody) return `${param}::jsonb is not null`
  const asked = (key: keyof Among) => `(${param}::jsonb ->> '${key}')`
  const inGroup = (group: string) =>
    `exists (select 1 from membership q where q.person_id = ${personId} and q.group_id = ${group} and q.until is null)`
  return `(${asked('reportsTo')} is null or ${personId} in (select person_id from reports_of(${asked('reportsTo')})))
    ${(['department', 'site', 'team'] as const).map((kind) => `and (${asked(kind)} is null or ${inGroup(asked(kind))})`).join('\n    ')}`
}
