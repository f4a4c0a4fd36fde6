import { circlesAmong, mayChangeAccount, rightsBetween, type PersonState } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField, said, type Caller, type Parts } from '../../http'
import { PERSON } from '../model'
import { holdPeople, statesOf, writeStates } from './states'

/** Who changes people: somebody whose rights are the ceiling, or the company itself, as when the demo is loaded. */
export type ChangedBy = Pick<Caller, 'id' | 'permissions'> | null
type Changing = {
  /** Whom it concerns; who is added need not be among them. */
  ids: readonly PersonId[]
  /** What they become. Who is left out stays as they are. */
  into: (states: ReadonlyMap<PersonId, PersonState>) => readonly PersonState[] | Promise<readonly PersonState[]>
  by: ChangedBy
  now: number
}

/** Refuses what whoever changes people may not: to grant or withdraw what they lack, or to touch the account of somebody who holds it. */
function refuseBeyond(by: ChangedBy, before: PersonState | undefined, after: PersonState): void {
  if (!by) return
  const { granted, withdrawn } = rightsBetween(before?.permissions ?? [], after.permissions)
  if ([...granted, ...withdrawn].some((permission) => !by.permissions.has(permission)))
    fail('beyond-own-rights', said('{{name}}: you can only give and take what you hold yourself.', { name: after.name }))
  const account = before && (before.mail !== after.mail || before.number !== after.number || before.active !== after.active)
  if (account && before.id !== by.id && !mayChangeAccount(by.permissions, before.permissions))
    fail('beyond-own-rights', said('{{name}} may do more than you; ask an admin.', { name: before.name }))
}

/** Two who change people wait for one another where it is about all of them: circles, names that are taken, the last admin. */
const LOCK = 7_203_118
/** Lets nobody else change people until the end of the transaction. */
export const holdAll = (tx: Db): Promise<unknown> => tx.rows('select pg_advisory_xact_lock($1)', [LOCK])

async function refuseCircles(tx: Db, changed: readonly { before: PersonState | null; after: PersonState }[]): Promise<void> {
  const moved = changed.filter(({ before, after }) => after.managerId !== null && before?.managerId !== after.managerId)
  if (moved.length === 0) return
  const rows = await tx.rows<{ id: PersonId; manager_id: PersonId | null; name: string }>(
    `with recursive above as (select id, manager_id, name from person where id = any ($1)
       union select p.id, p.manager_id, p.name from person p join above a on p.id = a.manager_id) select * from above`,
    [moved.map(({ after }) => after.id)],
  )
  const found = new Map(rows.map((row) => [row.id, row]))
  const [circle] = circlesAmong(found.keys(), (id) => found.get(id)?.manager_id)
  if (!circle) return
  const names = [...circle, circle[0]!].map((id) => found.get(id)!.name).join(' → ')
  fail('reports-in-a-circle', said('Each would report to the next: {{names}}.', { names }))
}

/** The last who may do everything cannot cease to. */
async function refuseNoAdmin(tx: Db, changed: readonly { before: PersonState | null; after: PersonState }[]): Promise<void> {
  const isAdmin = (state: PersonState | null) => state?.active === true && state.permissions.includes('company.settings')
  if (!changed.some(({ before, after }) => isAdmin(before) && !isAdmin(after))) return
  const row = await tx.one<{ there: boolean }>(
    `select exists (select 1 from person where active and 'company.settings' = any (permissions) and level = 'admin') as there`,
  )
  if (!row?.there) fail('last-admin', 'Make somebody else an admin first.')
}

/** Refuses a mail address or a number that somebody else has, leavers too: they may return. */
async function refuseTaken(tx: Db, states: readonly PersonState[]): Promise<void> {
  for (const [field, say] of [
    ['mail', 'The mail address {{value}} belongs to {{name}} already.'],
    ['number', 'The personnel number {{value}} belongs to {{name}} already.'],
  ] as const) {
    const wanted = states.flatMap((state) => (state[field] === null ? [] : [{ id: state.id, value: state[field].toLowerCase() }]))
    if (wanted.length === 0) continue
    const taken = await tx.one<{ name: string; value: string }>(
      `select p.name, x.value from jsonb_to_recordset($1::jsonb) as x (id text, value text) join person p on lower(p.${field}) = x.value and p.id <> x.id
       where p.id <> all ($2) or lower(p.${field}) in (select y.value from jsonb_to_recordset($1::jsonb) as y (id text, value text) where y.id = p.id) limit 1`,
      [JSON.stringify(wanted), states.map(({ id }) => id)],
    )
    const seen = new Set<string>()
    const twice = wanted.find(({ value }) => seen.size === seen.add(value).size)
    if (taken) fail('already-taken', said(say, taken), [{ pointer: `/body/${field}`, detail: 'Somebody else has it' }])
    if (twice) {
      const first = states.find((state) => state[field]?.toLowerCase() === twice.value)!
      fail('already-taken', said(say, { value: twice.value, name: first.name }), [{ pointer: `/body/${field}`, detail: 'Given twice' }])
    }
  }
}

/** Whoever is in groups is in groups that there are, at a site among them, and reports to somebody who works here. */
async function refuseUnknown(tx: Db, changed: readonly { before: PersonState | null; after: PersonState }[]): Promise<void> {
  const groups = new Set(changed.flatMap(({ before, after }) => after.groups.filter((id) => !before?.groups.includes(id))))
  const sites = new Set(changed.filter(({ before, after }) => before?.siteId !== after.siteId).map(({ after }) => after.siteId))
  const rows = await tx.rows<{ id: string; kind_id: string }>(
    'select id, kind_id from people_group where id = any ($1) and closed_at is null',
    [[...groups, ...sites]],
  )
  const kinds = new Map(rows.map((row) => [row.id, row.kind_id]))
  if ([...groups].some((id) => !kinds.has(id)))
    failField('/body/groups', 'One of these groups does not exist any more. Load the page again.')
  if ([...sites].some((id) => kinds.get(id) !== 'site'))
    failField('/body/siteId', 'This site does not exist any more. Load the page again.')
  const managers = new Set(
    changed.flatMap(({ before, after }) => (after.managerId && before?.managerId !== after.managerId ? [after.managerId] : [])),
  )
  const added = new Set<PersonId>(changed.filter(({ before, after }) => !before && after.active).map(({ after }) => after.id))
  const outside = [...managers].filter((id) => !added.has(id))
  if ((await tx.in(PERSON).count({ id: outside, active: true })) < outside.length)
    failField('/body/managerId', 'Whom they are to report to does not work here (any more).')
}

/** Changes people: all that is asked for or nothing. What follows from it in audiences and assignments happens in the same transaction.
 * @returns what has changed of whom
 * @throws a problem when it is refused: `beyond-own-rights`, `reports-in-a-circle`, `last-admin`, `already-taken`, `invalid` */
export async function changePeople(tx: Db, parts: Parts, { ids, into, by, now }: Changing) {
  await holdAll(tx)
  await holdPeople(tx, ids)
  const before = await statesOf(tx, ids)
  const after = (await into(before)).map((state): PersonState => ({
    ...state,
    groups: state.active ? [...new Set([...state.groups, state.siteId])] : [],
  }))
  for (const state of after) refuseBeyond(by, before.get(state.id), state)
  const pairs = after.map((state) => ({ before: before.get(state.id) ?? null, after: state }))
  await refuseUnknown(tx, pairs)
  await refuseTaken(tx, after)
  const underBefore = await below(tx, pairs)
  const changed = await writeStates(tx, before, after, by?.id ?? null, now)
  await refuseCircles(tx, changed)
  await refuseNoAdmin(tx, changed)
  if (changed.length === 0) return changed
  const touched = [...new Set([...changed.map((each) => each.after.id), ...underBefore, ...(await below(tx, changed))])]
  const dated = changed.filter(
    ({ before: was, after: is }) => was?.siteId !== is.siteId || was.startedOn !== is.startedOn || was.active !== is.active,
  )
  const change = { touched, dated: dated.map((each) => each.after.id), by: by?.id ?? null, now }
  for (const follow of parts.peopleFollowers) await follow(tx, parts, change)
  return changed
}

/** Who reports, at any depth, to somebody whose manager or being here changes. */
async function below(tx: Db, pairs: readonly { before: PersonState | null; after: PersonState }[]): Promise<PersonId[]> {
  const moved = pairs.filter(({ before, after }) => before && (before.managerId !== after.managerId || before.active !== after.active))
  if (moved.length === 0) return []
  const rows = await tx.rows<{ id: PersonId }>(
    `with recursive under as (select id from person where manager_id = any ($1) union select p.id from person p join under u on p.manager_id = u.id) select id from under`,
    [moved.map(({ after }) => after.id)],
  )
  return rows.map((row) => row.id)
}
