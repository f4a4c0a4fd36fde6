import {
  getDropOff,
  getPersonGuide,
  getPersonRecords,
  getPersonRecordsCsv,
  getWhoFinished,
  getWaySteps,
  getWhoFinishedCsv,
  listGuideRecords,
  listPersonRecords,
} from '@jackdaw/contracts/records'
import { may } from '@jackdaw/core/people'
import { localDateAt, type GuideId, type PersonId } from '@jackdaw/core/shared'
import type { Response } from 'express'
import { fail, route, type Caller, type Context, type Routes } from '../http'
import { attemptsOfPerson } from '../players'
import {
  countsOfGuide,
  dropOffOf,
  guideRecords,
  guidesOfPerson,
  PAGE_SIZE,
  personRecords,
  soloCountsOf,
  whoFinished,
  type Scope,
} from './readings'
import { stepsOfPerson, wayStepsOf } from './wayUses'
import { guideCsv, personCsv } from './tables'

const CSV_ROWS = 100_000

const scopeOf = (caller: Caller): Scope =>
  caller.permissions.has('records.all') ? { everybody: true } : { everybody: false, reportsTo: caller.id }

function sendCsv(res: Response, name: string, text: string): void {
  res.setHeader('Cache-Control', 'no-store')
  res.setHeader('Content-Disposition', `attachment; filename="${name}"`)
  res.type('text/csv; charset=utf-8').send(text)
}

export function recordRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  const publishedGuide = async (id: GuideId) =>
    (await db.one<{ id: GuideId; number: number; title: string; edition: number; required: number }>(
      'select id, number, published_title as title, newest_edition as edition, required_edition as required from guide where id = $1 and newest_edition is not null',
      [id],
    )) ?? fail('not-found', 'This guide has not been published yet, so there is nothing to count.')
  const personOf = async (id: PersonId) =>
    (await db.one<{ id: PersonId; name: string; site: string; department: string }>(
      'select p.id, p.name, s.name as site, d.name as department from person p join site s on s.id = p.site_id join department d on d.id = p.department_id where p.id = $1',
      [id],
    )) ?? fail('not-found')

  route(routes, listGuideRecords, async ({ query }, { caller, now }) => ({
    ...(await guideRecords(db, scopeOf(caller), query.page ?? 1, now)),
    pageSize: PAGE_SIZE,
  }))
  route(routes, listPersonRecords, async ({ query }, { caller, now }) => ({
    ...(await personRecords(db, scopeOf(caller), query.find ?? '', query.page ?? 1, now)),
    pageSize: PAGE_SIZE,
  }))

  route(routes, getWhoFinished, async ({ params: { id }, query }, { caller, relations, now }: Context) => {
    const guide = await publishedGuide(id)
    const scope = scopeOf(caller)
    const filter = {
      state: query.state,
      find: query.find?.trim(),
      furthest: query.furthest,
      solo: query.solo,
      sort: query.sort ?? 'state',
      down: query.direction === 'down',
      page: query.page ?? 1,
    }
    const [counts, { passed, tried }, { rows, total }] = await Promise.all([
      countsOfGuide(db, id, scope, now),
      soloCountsOf(db, id, scope),
      whoFinished(db, id, scope, filter, now),
    ])
    return {
      guide: { ...guide, mayEdit: may(caller.permissions, 'guide.edit', relations) },
      counts,
      soloCounts: { passed, notPassed: tried - passed, notTaken: counts.people - tried },
      rows,
      total,
      pageSize: PAGE_SIZE,
      onlyReports: !scope.everybody,
    }
  })
  route(routes, getDropOff, async ({ params: { id } }, { caller }) => {
    const { edition, required } = await publishedGuide(id)
    return dropOffOf(db, id, edition, required, scopeOf(caller))
  })

  route(routes, getWaySteps, async ({ params: { id, way } }, { caller }) => {
    const { edition } = await publishedGuide(id)
    const scope = scopeOf(caller)
    return wayStepsOf(db, id, edition, way, scope.everybody ? null : scope.reportsTo)
  })

  route(routes, getWhoFinishedCsv, async ({ params: { id } }, { caller, now, res }) => {
    const guide = await publishedGuide(id)
    const { rows } = await whoFinished(db, id, scopeOf(caller), { sort: 'name', down: false, page: 1, pageSize: CSV_ROWS }, now)
    sendCsv(res, `guide-${guide.number}-who-finished-${localDateAt(now, caller.zone)}.csv`, guideCsv(guide, rows))
  })

  route(routes, getPersonRecords, async ({ params: { id } }, { now }) => ({
    person: await personOf(id),
    rows: await guidesOfPerson(db, id, now),
  }))
  route(routes, getPersonGuide, async ({ params: { id, guideId } }, { now }) => {
    const record = (await guidesOfPerson(db, id, now)).find((each) => each.guideId === guideId)
    return {
      person: await personOf(id),
      record: record ?? fail('not-found', 'This person has not been given the guide and has not used it.'),
      attempts: await attemptsOfPerson(db, guideId, id),
      steps: await stepsOfPerson(db, guideId, id),
    }
  })
  route(routes, getPersonRecordsCsv, async ({ params: { id } }, { caller, now, res }) => {
    const person = await personOf(id)
    sendCsv(res, `records-${localDateAt(now, caller.zone)}.csv`, personCsv(person, await guidesOfPerson(db, id, now)))
  })
}
