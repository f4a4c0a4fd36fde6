import { getPublication, previewAudience, publishGuide, type Edition } from '@jackdaw/contracts/publishing'
import { getToday } from '@jackdaw/contracts/reading'
import { NOBODY } from '@jackdaw/core/audiences'
import { USUAL_DUE } from '@jackdaw/core/assignments'
import { findingsBeforePublishing, itemName } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import { findDraft, findFacts } from '../guides'
import { fail, route, type Routes } from '../http'
import { ITEM, listEditions } from '../items'
import { PERSON } from '../people'
import { membersOf, standings, type Standing } from './audience'
import { ITEM_AUDIENCE } from './model'
import { publish } from './publish'
import { todayOf } from './today'

export function assignmentRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getToday, async (_input, { caller, now }) => todayOf(db, caller, now))

  route(routes, getPublication, async ({ params: { id } }) => {
    const [facts, draft, editions] = await Promise.all([findFacts(db, id), findDraft(db, id), listEditions(db, guideItem(id))])
    if (!facts || !draft) return fail('not-found')
    const [given, item] = await Promise.all([
      db.in(ITEM_AUDIENCE).one({ itemKind: 'guide', itemId: id }),
      db.in(ITEM).one({ kind: 'guide', id }, { only: ['openToAll'] }),
    ])
    const audience = given?.rule ?? NOBODY
    return {
      title: draft.document.title,
      number: facts.number,
      revision: draft.revision,
      archived: facts.archived,
      editions: editions.map((edition): Edition => ({
        number: edition.number,
        publishedAt: edition.published_at.getTime(),
        publishedBy: { id: edition.publisher_id, name: edition.publisher },
        changeNote: edition.change_note,
        mustReread: edition.must_reread,
        steps: edition.parts,
      })),
      changedSinceEdition: editions[0]?.revision !== draft.revision,
      audience,
      named: await db.in(PERSON).find({ id: audience.people }, { only: ['id', 'name'], order: ['name'] }),
      openToAll: item?.openToAll ?? false,
      due: given?.due ?? USUAL_DUE,
      findings: findingsBeforePublishing(draft.document).map((finding) => ({
        ...finding,
        where: itemName(draft.document, finding.itemId),
      })),
    }
  })
  route(routes, previewAudience, async ({ params: { id }, body: { audience } }) => {
    const [members, before] = await Promise.all([membersOf(db, audience), standings(db, guideItem(id))])
    const standing = new Map<string, Standing>(before.map((each) => [each.person_id, each]))
    const staying = new Set<string>(members.map((member) => member.id))
    return {
      people: members.map((member) => {
        const was = standing.get(member.id)
        return {
          id: member.id,
          name: member.name,
          site: member.site,
          why: member.why.map((why) => why || 'named'),
          now: was === undefined ? ('new' as const) : was.done ? ('done' as const) : ('not-done' as const),
        }
      }),
      leaving: before.filter((each) => !staying.has(each.person_id)).map((each) => ({ id: each.person_id, name: each.name })),
    }
  })
  route(routes, publishGuide, async ({ params: { id }, body }, { caller, now }) => publish(db, routes.parts, id, body, caller.id, now))
}
