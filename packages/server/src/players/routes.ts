import { actInAttempt, getAttempt, getAttempts, getPlay, giveUpAttempt, keepPlay, openAttempt } from '@jackdaw/contracts/players'
import { getReader } from '@jackdaw/contracts/reading'
import { NEWEST_VERSION } from '@jackdaw/core/guides'
import type { GuideId, LocalDate, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { picturesOfEdition } from '../files'
import { noteGiven } from '../events'
import { amendedAt, documentToSend, findEdition } from '../guides'
import { fail, route, type Routes } from '../http'
import * as attempts from './attempts'
import { findPlay, ruledBy, savePlay } from './plays'

type Standing = {
  number: number
  newest_edition: number | null
  required_edition: number
  due_on: LocalDate | null
  assigned: boolean
  last_step_id: StepId | null
  finished_edition: number | null
  owner: string
  given: boolean
}

const standingOf = (db: Db, id: GuideId, personId: PersonId): Promise<Standing | undefined> =>
  db.one<Standing>(
    `select g.number, g.newest_edition, g.required_edition, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.id is not null as assigned, r.last_step_id, r.finished_edition, o.name as owner,
       exists (select 1 from edition_given x where x.guide_id = g.id and x.person_id = $2 and x.edition = g.newest_edition) as given
     from guide g join person o on o.id = g.owner_id left join assignment a on a.item_kind = 'guide' and a.item_id = g.id and a.person_id = $2
     left join reading r on r.guide_id = g.id and r.person_id = $2 where g.id = $1`,
    [id, personId],
  )

export function playerRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, getReader, async ({ params: { id } }, { caller, now }) => {
    const standing = await standingOf(db, id, caller.id)
    if (!standing || standing.newest_edition === null) return fail('not-found', 'This guide has not been published yet.')
    const [edition, steps, pictures, amended, reader] = await Promise.all([
      findEdition(db, id, standing.newest_edition),
      db.rows<{ step_id: StepId; viewed: boolean; acknowledged: boolean; confirmed: boolean }>(
        'select step_id, coalesce(viewed_edition >= $3, false) as viewed, coalesce(acknowledged_edition >= $3, false) as acknowledged, coalesce(confirmed_edition >= $3, false) as confirmed from reading_step where guide_id = $1 and person_id = $2',
        [id, caller.id, standing.required_edition],
      ),
      picturesOfEdition(db, id, standing.newest_edition),
      amendedAt(db, id, standing.newest_edition),
      ruledBy(db, caller.id),
    ])
    if (!edition) return fail('not-found')
    if (!standing.given) await noteGiven(db, caller.id, [{ guideId: id, edition: edition.number }], now)
    const seen = steps.flatMap((step) => (step.viewed ? [step.step_id] : []))
    return {
      guideId: id,
      number: standing.number,
      edition: edition.number,
      newestEdition: standing.newest_edition,
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
        lastStepId: seen.includes(standing.last_step_id as StepId) ? standing.last_step_id : null,
        seen,
        acknowledged: steps.flatMap((step) => (step.acknowledged ? [step.step_id] : [])),
        confirmed: steps.flatMap((step) => (step.confirmed ? [step.step_id] : [])),
        finishedEdition: standing.finished_edition,
        mustReread: standing.finished_edition !== null && standing.finished_edition < standing.required_edition,
      },
    }
  })

  route(routes, getPlay, async ({ params: { id, way } }, { caller }) => findPlay(db, caller.id, id, way))
  route(routes, keepPlay, async ({ params: { id, way }, body }, { caller, now }) => savePlay(db, caller.id, id, way, body, now))

  route(routes, getAttempts, async ({ params: { id } }, { caller, now }) => attempts.attemptsOf(db, id, caller.id, now))
  route(routes, openAttempt, async ({ params: { id }, body }, { caller, now }) =>
    attempts.openAttempt(db, routes.parts.newId, id, caller.id, body.language, now),
  )
  route(routes, getAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.findAttempt(db, id, attemptId, caller.id, now),
  )
  route(routes, actInAttempt, async ({ params: { id, attemptId }, body }, { caller, now }) =>
    attempts.actInAttempt(db, id, attemptId, caller.id, body, now),
  )
  route(routes, giveUpAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.giveUpAttempt(db, id, attemptId, caller.id, now),
  )
}
