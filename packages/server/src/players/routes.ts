import { actInAttempt, getAttempt, getAttempts, getPlay, giveUpAttempt, keepPlay, openAttempt } from '@jackdaw/contracts/players'
import { getReader } from '@jackdaw/contracts/reading'
import { NEWEST_VERSION } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, LocalDate, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { picturesOfEdition } from '../files'
import { noteGiven } from '../events'
import { documentToSend } from '../guides'
import { fail, route, type Routes } from '../http'
import { amendedAt, findEdition, partsDone } from '../items'
import * as attempts from './attempts'
import { findPlay, ruledBy, savePlay } from './plays'

type Standing = {
  number: number
  edition: number | null
  required_edition: number
  due_on: LocalDate | null
  assigned: boolean
  last_part_id: StepId | null
  finished_edition: number | null
  owner: string
  given: boolean
}

const standingOf = (db: Db, id: GuideId, personId: PersonId): Promise<Standing | undefined> =>
  db.one<Standing>(
    `select i.number, i.edition, i.required_edition, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.id is not null as assigned, r.last_part_id, r.finished_edition, o.name as owner,
       exists (select 1 from edition_given x where x.item_kind = i.kind and x.item_id = i.id and x.person_id = $2 and x.edition = i.edition) as given
     from item i join guide g on g.id = i.id join person o on o.id = g.owner_id
     left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $2
     left join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = $2 where i.kind = 'guide' and i.id = $1`,
    [id, personId],
  )

export function playerRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, getReader, async ({ params: { id } }, { caller, now }) => {
    const standing = await standingOf(db, id, caller.id)
    if (!standing || standing.edition === null) return fail('not-found', 'This guide has not been published yet.')
    const item = guideItem(id)
    const [edition, done, pictures, amended, reader] = await Promise.all([
      findEdition(db, item, standing.edition),
      partsDone(db, item, caller.id, standing.required_edition),
      picturesOfEdition(db, item, standing.edition),
      amendedAt(db, item, standing.edition),
      ruledBy(db, caller.id),
    ])
    if (!edition) return fail('not-found')
    if (!standing.given) await noteGiven(db, caller.id, [{ item, edition: edition.number }], now)
    const stepIds = (ids: ReadonlySet<string>) => [...ids] as StepId[]
    return {
      guideId: id,
      number: standing.number,
      edition: edition.number,
      newestEdition: standing.edition,
      publishedAt: edition.published_at.getTime(),
      changeNote: edition.change_note,
      minutes: edition.minutes,
      owner: standing.owner,
      // Canonical JSON ends with its version.
      document: documentToSend(edition.bytes, edition.bytes.endsWith(`"version":${NEWEST_VERSION}}`)),
      amendedAt: amended,
      assigned: standing.assigned,
      dueOn: standing.due_on,
      reader,
      pictureSizes: Object.fromEntries(pictures.map((picture) => [picture.id, { widthPx: picture.widthPx, heightPx: picture.heightPx }])),
      progress: {
        // After a new edition that must be read, reading begins at the front again.
        lastStepId: standing.last_part_id !== null && done.seen.has(standing.last_part_id) ? standing.last_part_id : null,
        seen: stepIds(done.seen),
        acknowledged: stepIds(done.acknowledged),
        confirmed: stepIds(done.confirmed),
        finishedEdition: standing.finished_edition,
        mustReread: standing.finished_edition !== null && standing.finished_edition < standing.required_edition,
      },
    }
  })

  route(routes, getPlay, async ({ params: { id, way } }, { caller }) => findPlay(db, caller.id, id, way))
  route(routes, keepPlay, async ({ params: { id, way }, body }, { caller, now }) => savePlay(db, caller.id, id, way, body, now))

  route(routes, getAttempts, async ({ params: { id } }, { caller, now }) => attempts.attemptsOf(db, id, caller.id, now))
  route(routes, openAttempt, async ({ params: { id }, body }, { caller, now }) =>
    attempts.openAttempt(parts, id, caller.id, body.language, now),
  )
  route(routes, getAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.findAttempt(parts, id, attemptId, caller.id, now),
  )
  route(routes, actInAttempt, async ({ params: { id, attemptId }, body }, { caller, now }) =>
    attempts.actInAttempt(parts, id, attemptId, caller.id, body, now),
  )
  route(routes, giveUpAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.giveUpAttempt(parts, id, attemptId, caller.id, now),
  )
}
