import type { QueryOf } from '@jackdaw/contracts/endpoint'
import {
  getCautionRecords,
  getCautionRecordsCsv,
  getDropOff,
  getOverTime,
  getPersonGuide,
  getPersonRecords,
  getPersonRecordsCsv,
  getRecordsCsv,
  getWaitingHere,
  getWhoFinished,
  getWaySteps,
  getWhoFinishedCsv,
  listItemRecords,
  listPersonRecords,
  listRecordGroups,
} from '@jackdaw/contracts/records'
import { guideItem, type ItemId } from '@jackdaw/core/items'
import { may } from '@jackdaw/core/people'
import { overTime } from '@jackdaw/core/records'
import { localDateAt, type GuideId, type PersonId, type StepId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { draftsThatWait } from '../guides'
import { fail, route, type Context, type Routes } from '../http'
import { ITEM, knownItem } from '../items'
import { amongFor, type Among } from '../people'
import { attemptsOfPerson, cautionRecords, cautionsOfPerson, cautionSteps, dropOffOf, stepsOfPerson, wayStepsOf } from '../players'
import { aboutPerson, groupsAmong } from './groups'
import { allRecords, countLatePeople, itemRecords, itemsOfPerson, personRecords } from './lists'
import { sendCsv } from './sendCsv'
import { datesOf } from './datesOf'
import { textsIn } from '../words'
import { cautionTable, itemTable, personTable, recordTable } from './tables'
import { PAGE_SIZE, whoFinished, type WhoFilter } from './whoFinished'

const CSV_ROWS = 100_000

/** What of the people of a guide is listed, and in which order. */
const filterOf = (query: Omit<QueryOf<typeof getWhoFinished>, 'page'>) => ({
  state: query.state,
  find: query.find?.trim(),
  furthest: query.furthest,
  solo: query.solo,
  sort: query.sort ?? ('state' as const),
  down: query.direction === 'down',
})

const unpublished = () => fail('not-found', 'This has not been published yet, so there is nothing to count.')
/** The newest edition of a guide, of which records are counted. */
const publishedGuide = async (db: Db, id: GuideId) =>
  (await db.one<{ id: GuideId; number: number; title: string; edition: number; required: number }>(
    "select id, number, title, edition, required_edition as required from item where kind = 'guide' and id = $1 and edition is not null",
    [id],
  )) ?? unpublished()
const whoFinishedItem = async (db: Db, id: ItemId, among: Among, filter: WhoFilter, now: number) => {
  const item = await knownItem(db, id)
  return { item, ...((await whoFinished(db, item, among, filter, now)) ?? unpublished()) }
}
/** The name of a CSV file that is made today. */
const fileName = (of: string, zone: string, now: number): string => `${of}-${localDateAt(now, zone)}.csv`

/** Everybody and everything: lists, and what waits. */
function listRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getWaitingHere, async (_input, { caller, now }) => {
    const among = amongFor(caller)
    const drafts = caller.permissions.has('guides.all') ? await draftsThatWait(db) : { notReady: [], clashes: [] }
    return { everybody: among.reportsTo === null, latePeople: await countLatePeople(db, among, now), ...drafts }
  })
  route(routes, listItemRecords, async ({ query }, { caller, now }) => ({
    ...(await itemRecords(db, amongFor(caller, query), query.page ?? 1, query.state, now)),
    pageSize: PAGE_SIZE,
  }))
  route(routes, listPersonRecords, async ({ query }, { caller, now }) => ({
    ...(await personRecords(db, amongFor(caller, query), query.find ?? '', query.page ?? 1, query.state, query.manager, now)),
    pageSize: PAGE_SIZE,
  }))
  route(routes, listRecordGroups, (_input, { caller }) => groupsAmong(db, amongFor(caller)))
  route(routes, getRecordsCsv, async ({ query }, { caller, now, res }) => {
    const rows = await allRecords(db, amongFor(caller, query), query, CSV_ROWS, now)
    await sendCsv(res, fileName('records', caller.zone, now), recordTable(textsIn(caller.language), rows))
  })
}

/** One item: who finished; and of a guide where they stopped, how it went step by step. */
function itemRecordRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getOverTime, async ({ params: { id }, query }, { caller, now }) => {
    const item = await knownItem(db, id)
    const published = await db.in(ITEM).one({ kind: item.kind, id: item.id, edition: { [Op.ne]: null } }, { only: ['id'] })
    if (!published) return unpublished()
    return { days: overTime(await datesOf(db, item, amongFor(caller, query), now), caller.zone, now) }
  })
  route(routes, getWhoFinished, async ({ params: { id }, query }, { caller, relations, now }: Context) => {
    const among = amongFor(caller, query)
    const { item, about, ...found } = await whoFinishedItem(db, id, among, { ...filterOf(query), page: query.page ?? 1 }, now)
    return {
      of: {
        item,
        ...about,
        mayEdit: may(caller.permissions, 'item.edit', relations),
        mayAssign: may(caller.permissions, 'assignment.change', relations),
      },
      ...found,
      pageSize: PAGE_SIZE,
      onlyReports: among.reportsTo !== null,
    }
  })
  route(routes, getDropOff, async ({ params: { id } }, { caller }) => {
    const { edition, required } = await publishedGuide(db, id)
    return dropOffOf(db, guideItem(id), edition, required, amongFor(caller))
  })
  route(routes, getWaySteps, async ({ params: { id, way } }, { caller }) => {
    const { edition } = await publishedGuide(db, id)
    return wayStepsOf(db, id, edition, way, amongFor(caller))
  })
  route(routes, getWhoFinishedCsv, async ({ params: { id }, query }, { caller, now, res }) => {
    const filter = { ...filterOf(query), page: 1, pageSize: CSV_ROWS }
    const { item, about, rows } = await whoFinishedItem(db, id, amongFor(caller, query), filter, now)
    const name = fileName(`${item.kind}-${about.number}-who-finished`, caller.zone, now)
    await sendCsv(res, name, itemTable(textsIn(caller.language), about, rows))
  })
}

const cautionFilter = (query: { find?: string; step?: StepId; missing?: 'yes' | 'no' }) => ({ ...query, missing: query.missing === 'yes' })

/** The cautions of a guide, and who has acknowledged them. */
function cautionRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getCautionRecords, async ({ params: { id }, query: { page = 1, ...query } }, { caller }) => {
    const guide = await publishedGuide(db, id)
    const among = amongFor(caller, query)
    const [steps, { rows, total }] = await Promise.all([
      cautionSteps(db, id, among),
      cautionRecords(db, id, { ...cautionFilter(query), ...among }, page, PAGE_SIZE),
    ])
    return { guide, steps, rows, total, pageSize: PAGE_SIZE }
  })
  route(routes, getCautionRecordsCsv, async ({ params: { id }, query }, { caller, now, res }) => {
    const guide = await publishedGuide(db, id)
    const { rows } = await cautionRecords(db, id, { ...cautionFilter(query), ...amongFor(caller, query) }, 1, CSV_ROWS)
    const name = fileName(`guide-${guide.number}-cautions`, caller.zone, now)
    await sendCsv(res, name, cautionTable(textsIn(caller.language), guide, rows))
  })
}

/** One person: all their items, and one of them in full. */
function personRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  const personOf = async (id: PersonId) => (await aboutPerson(db, id)) ?? fail('not-found')

  route(routes, getPersonRecords, async ({ params: { id } }, { now }) => ({
    person: await personOf(id),
    rows: await itemsOfPerson(db, id, now),
  }))
  route(routes, getPersonGuide, async ({ params: { id, guideId } }, { now }) => {
    const record = (await itemsOfPerson(db, id, now)).find(({ item }) => item.kind === 'guide' && item.id === guideId)
    return {
      person: await personOf(id),
      record: record ?? fail('not-found', 'This person has not been given the guide and has not used it.'),
      cautions: await cautionsOfPerson(db, guideId, id),
      attempts: await attemptsOfPerson(db, guideId, id),
      steps: await stepsOfPerson(db, guideId, id),
    }
  })
  route(routes, getPersonRecordsCsv, async ({ params: { id } }, { caller, now, res }) => {
    const person = await personOf(id)
    const table = personTable(textsIn(caller.language), person, await itemsOfPerson(db, id, now))
    await sendCsv(res, fileName('records', caller.zone, now), table)
  })
}

export function recordRoutes(routes: Routes): void {
  listRoutes(routes)
  itemRecordRoutes(routes)
  cautionRoutes(routes)
  personRoutes(routes)
}
