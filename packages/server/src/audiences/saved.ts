import type { AudienceChoice, AudienceRow, AudienceShown } from '@jackdaw/contracts/audiences'
import { namedIn, NOBODY, ruleInWords, type AudienceRule } from '@jackdaw/core/audiences'
import { endOfLocalDay, type AudienceId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, failField, said, type Parts } from '../http'
import { GROUP, PERSON } from '../people'
import { AUDIENCE, AUDIENCE_MEMBER } from './model'
import { namesOf, ruleNames } from './names'
import { refreshAudience } from './refresh'

/** When a rule that is taken as of a day stops following: at the end of that day where the company is. */
async function asOfAt(db: Db, { asOf }: AudienceRule): Promise<number | null> {
  if (asOf === null) return null
  const row = await db.one<{ zone: string }>(
    "select zone from people_group where kind_id = 'site' order by closed_at is not null, created_at, id limit 1",
  )
  return endOfLocalDay(asOf, row?.zone ?? 'UTC')
}

/** Refuses a rule that speaks of what never was. What was and is no more may stand in it. */
async function refuseUnknown(db: Db, rule: AudienceRule): Promise<void> {
  const { groups, people } = namedIn(rule)
  if ((await db.in(GROUP).count({ id: [...groups] })) < groups.size)
    failField('/body/audience/groups', 'One of these groups does not exist. Load the page again.')
  if ((await db.in(PERSON).count({ id: [...people] })) < people.size)
    failField('/body/audience/people', 'One of these people does not exist. Load the page again.')
}

/** An audience that is saved; refused when there is none.
 * @throws `invalid` */
async function savedRule(db: Db, id: AudienceId): Promise<{ rule: AudienceRule; asOfAt: number | null; name: string }> {
  const row = await db.in(AUDIENCE).one({ id })
  if (!row || row.name === null || row.archivedAt !== null)
    return failField('/body/audience/saved', 'This audience does not exist any more.')
  return { rule: row.rule, asOfAt: row.asOfAt, name: row.name }
}

/** The rule of who is meant, and when it stops following.
 * @throws `invalid` when it speaks of what never was */
export async function ruleOf(db: Db, choice: AudienceChoice): Promise<{ rule: AudienceRule; asOfAt: number | null }> {
  if ('saved' in choice) return savedRule(db, choice.saved)
  await refuseUnknown(db, choice)
  return { rule: choice, asOfAt: await asOfAt(db, choice) }
}

/** The audience by which an item is given: a saved one, or one that belongs to the item alone.
 * @param own the item's audience so far, `null` where it had none
 * @returns its id */
export async function audienceFor(
  tx: Db,
  parts: Parts,
  choice: AudienceChoice,
  own: AudienceId | null,
  by: PersonId,
  now: number,
): Promise<AudienceId> {
  if ('saved' in choice) {
    await savedRule(tx, choice.saved)
    return choice.saved
  }
  await refuseUnknown(tx, choice)
  const before = own === null ? undefined : await tx.in(AUDIENCE).one({ id: own })
  const id = before && before.name === null ? before.id : parts.newId<AudienceId>()
  await tx.in(AUDIENCE).insertAll(
    [
      {
        ...{ id, name: null, rule: choice, asOfAt: await asOfAt(tx, choice) },
        ...{ createdBy: before?.createdBy ?? by, createdAt: before?.createdAt ?? now, changedAt: now, archivedAt: null },
      },
    ],
    { inPlaceOf: ['rule', 'asOfAt', 'changedAt'] },
  )
  await refreshAudience(tx, parts, id, by, now)
  return id
}

/** Removes an audience that belonged to one item alone, when that is given by another one. */
export const dropUnused = async (tx: Db, id: AudienceId): Promise<void> => {
  if ((await tx.in(AUDIENCE).one({ id }))?.name !== null) return
  await tx.in(AUDIENCE_MEMBER).remove({ audienceId: id })
  await tx.in(AUDIENCE).remove({ id })
}

/** An audience as it is shown where it is chosen; the one that takes nobody in where there is none. */
export async function audienceShown(db: Db, id: AudienceId | null): Promise<AudienceShown> {
  const row = id === null ? undefined : await db.in(AUDIENCE).one({ id })
  const rule = row?.rule ?? NOBODY
  const names = await namesOf(db, [rule])
  return {
    choice: row && row.name !== null ? { saved: row.id } : rule,
    rule,
    name: row?.name ?? null,
    sentence: ruleInWords(rule, ruleNames(names)),
    names,
  }
}

/** The saved audiences, by name. */
export async function listSaved(db: Db): Promise<AudienceRow[]> {
  const rows = await db.rows<Omit<AudienceRow, 'sentence' | 'changedAt'> & { rule: AudienceRule; changed_at: Date }>(
    `select a.id, a.name, a.about, a.rule, a.changed_at, (select count(*)::int from audience_member m join person p on p.id = m.person_id and p.active where m.audience_id = a.id) as people,
       (select count(distinct i.id)::int from giving x join item i on i.kind = x.item_kind and i.id = x.item_id and i.archived_at is null where x.audience_id = a.id) as "usedBy"
     from audience a where a.name is not null and a.archived_at is null order by a.name`,
  )
  const names = ruleNames(
    await namesOf(
      db,
      rows.map((row) => row.rule),
    ),
  )
  return rows.map(({ rule, changed_at, ...row }) => ({ ...row, sentence: ruleInWords(rule, names), changedAt: changed_at.getTime() }))
}

type Saving = { name: string; about: string; rule: AudienceRule }
async function refuseName(tx: Db, name: string, except: AudienceId | null): Promise<void> {
  const same = await tx.one('select 1 from audience where lower(name) = lower($1) and archived_at is null and id is distinct from $2', [
    name,
    except,
  ])
  if (same) fail('already-taken', said('There is an audience “{{name}}” already.', { name }), [{ pointer: '/body/name', detail: 'Taken' }])
}

/** Saves a new audience. */
export async function createSaved(tx: Db, parts: Parts, id: AudienceId, saving: Saving, by: PersonId, now: number): Promise<void> {
  await refuseName(tx, saving.name, null)
  await refuseUnknown(tx, saving.rule)
  await tx.in(AUDIENCE).insert({
    ...{ id, ...saving, asOfAt: await asOfAt(tx, saving.rule) },
    ...{ createdBy: by, createdAt: now, changedAt: now, archivedAt: null },
  })
  await refreshAudience(tx, parts, id, by, now)
}

async function held(tx: Db, id: AudienceId): Promise<void> {
  const [row] = await tx.in(AUDIENCE).find({ id }, { lock: true })
  if (!row || row.name === null || row.archivedAt !== null) fail('not-found')
}

/** Changes a saved audience, and what follows from it for people. */
export async function changeSaved(tx: Db, parts: Parts, id: AudienceId, saving: Saving, by: PersonId, now: number): Promise<void> {
  await held(tx, id)
  await refuseName(tx, saving.name, id)
  await refuseUnknown(tx, saving.rule)
  await tx.in(AUDIENCE).update({ ...saving, asOfAt: await asOfAt(tx, saving.rule), changedAt: now }, { id })
  await refreshAudience(tx, parts, id, by, now)
}

/** Takes an audience out of the list. */
export async function archiveSaved(tx: Db, id: AudienceId, now: number): Promise<void> {
  await held(tx, id)
  const used = await tx.one<{ items: number; title: string }>(
    'select count(distinct i.id)::int as items, min(i.title) as title from giving x join item i on i.kind = x.item_kind and i.id = x.item_id where x.audience_id = $1 having count(*) > 0',
    [id],
  )
  const inPlan = await tx.one<{ title: string }>(
    "select l.document ->> 'title' as title from plan_giving g join plan l on l.id = g.plan_id where g.audience_id = $1 order by g.given_at limit 1",
    [id],
  )
  if (inPlan) fail('audience-in-use', said('It is given the plan “{{title}}”. End that first.', inPlan))
  if (used) fail('audience-in-use', said('It is used for {{items}} items, such as “{{title}}”. Publish them to another one first.', used))
  await tx.in(AUDIENCE).update({ archivedAt: now }, { id })
}
