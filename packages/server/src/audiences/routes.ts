import {
  archiveAudience,
  changeAudience,
  createAudience,
  explainAudience,
  getGivenToGroup,
  getAudience,
  listAudiences,
  readAudience,
  tryAudience,
} from '@jackdaw/contracts/audiences'
import { may } from '@jackdaw/core/people'
import { explain, partInWords, ruleInWords } from '@jackdaw/core/audiences'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { AudienceId } from '@jackdaw/core/shared'
import { fail, failField, route, type Routes } from '../http'
import { GROUP, PERSON } from '../people'
import { askedOf, companyDay } from './facts'
import { AUDIENCE, AUDIENCE_MEMBER } from './model'
import { namesOf, readSentence, ruleNames } from './names'
import { membersOf } from './people'
import { archiveSaved, audienceShown, changeSaved, createSaved, listSaved, ruleOf } from './saved'

export function audienceRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts

  route(routes, listAudiences, () => listSaved(db))
  route(routes, getAudience, async ({ params: { audienceId: id } }) => {
    const row = await db.in(AUDIENCE).one({ id })
    if (!row || row.name === null || row.archivedAt !== null) return fail('not-found')
    const by = await db.in(PERSON).one({ id: row.createdBy }, { only: ['id', 'name'] })
    const usedBy = await db.rows<{ kind: ItemKind; id: ItemId; number: number; title: string }>(
      'select distinct i.kind, i.id, i.number, i.title from giving x join item i on i.kind = x.item_kind and i.id = x.item_id where x.audience_id = $1 and i.archived_at is null order by i.title',
      [id],
    )
    return {
      ...(await audienceShown(db, id)),
      ...{ id, name: row.name, about: row.about, createdBy: by!, changedAt: row.changedAt },
      people: await db.in(AUDIENCE_MEMBER).count({ audienceId: id }),
      usedBy: usedBy.map((item) => ({ item: itemRefOf(item.kind, item.id), number: item.number, title: item.title })),
    }
  })
  route(routes, createAudience, async ({ body }, { caller, now }) => {
    const id = parts.newId<AudienceId>()
    await db.transaction((tx) => createSaved(tx, parts, id, body, caller.id, now))
    return { id }
  })
  route(routes, changeAudience, ({ params, body }, { caller, now }) =>
    db.transaction((tx) => changeSaved(tx, parts, params.audienceId, body, caller.id, now)),
  )
  route(routes, archiveAudience, ({ params }, { now }) => db.transaction((tx) => archiveSaved(tx, params.audienceId, now)))
  route(routes, getGivenToGroup, async ({ params: { groupId } }, { caller }) => {
    if ((await db.in(GROUP).count({ id: groupId })) === 0) return fail('not-found')
    const speaks = `exists (select 1 from jsonb_path_query(a.rule, '$.of.**.groups[*]') g where g #>> '{}' = $1)`
    const items = await db.rows<{ kind: ItemKind; id: ItemId; number: number; title: string }>(
      `select distinct i.kind, i.id, i.number, i.title from giving x join audience a on a.id = x.audience_id join item i on i.kind = x.item_kind and i.id = x.item_id and i.archived_at is null
       where ${speaks} and exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = i.kind and v.item_id = i.id) order by i.title`,
      [groupId, caller.id],
    )
    const mayUse = may(caller.permissions, 'audience.use', new Set())
    return {
      items: items.map((row) => ({ item: itemRefOf(row.kind, row.id), number: row.number, title: row.title })),
      audiences: mayUse
        ? await db.rows<{ id: AudienceId; name: string }>(
            `select a.id, a.name from audience a where a.name is not null and a.archived_at is null and ${speaks} order by a.name`,
            [groupId],
          )
        : [],
    }
  })
  tryingRoutes(routes)
}

/** What is asked of a rule before it is used. */
function tryingRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, tryAudience, async ({ body: { audience, find = '' } }, { now }) => {
    const { rule } = await ruleOf(db, audience)
    const names = await namesOf(db, [rule])
    return {
      ...(await membersOf(db, audience, find, now)),
      everybody: await db.in(PERSON).count({ active: true }),
      sentence: ruleInWords(rule, ruleNames(names)),
      names,
      gone: [...names.groups.filter((group) => group.closed), ...names.people.filter((person) => !person.active)].map((each) => each.name),
    }
  })
  route(routes, explainAudience, async ({ body: { audience, personId } }, { now }) => {
    const { rule } = await ruleOf(db, audience)
    const person = await db.in(PERSON).one({ id: personId }, { only: ['name'] })
    if (!person) return failField('/body/personId', 'There is nobody like that.')
    const asked = (await askedOf(db, [personId], await companyDay(db, now))).get(personId)
    if (!asked) return { name: person.name, belongs: false, excepted: false, active: false, join: rule.join, parts: [] }
    const names = ruleNames(await namesOf(db, [rule]))
    const { belongs, excepted, parts } = explain(rule, asked)
    return {
      ...{ name: person.name, belongs, excepted, active: true, join: rule.join },
      parts: parts.map(({ part, holds, decides }) => ({ words: partInWords(part, names), holds, decides })),
    }
  })
  route(routes, readAudience, async ({ body: { sentence } }) => {
    const read = await readSentence(db, sentence)
    return 'rule' in read ? { rule: read.rule, names: await namesOf(db, [read.rule]) } : { at: read.at, expected: read.expected }
  })
}
