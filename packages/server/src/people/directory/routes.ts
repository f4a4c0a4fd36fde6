import {
  addPerson,
  saveAbsences as saveAbsencesOf,
  getHoldings,
  changeMyFacts,
  changePerson,
  dropMyFace,
  getDirectory,
  getDirectorySettings,
  getFace,
  getOrgChart,
  getOrgChartPdf,
  getPerson,
  leavePerson,
  returnPerson,
  saveDirectorySettings,
  setMyFace,
  type PersonFields,
} from '@jackdaw/contracts/directory'
import {
  addGroup,
  addGroupKind,
  changeGroup,
  changeMembers,
  closeGroup,
  getGroup,
  listGroupKinds,
  listGroupRows,
  saveDuties,
} from '@jackdaw/contracts/groups'
import { LEVEL_PRESETS, newcomer, type PersonState } from '@jackdaw/core/people'
import { localDateAt, type GroupId, type GroupKindId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField, route, type Caller, type Parts, type Routes } from '../../http'
import { changePeople } from '../changing/changePeople'
import { giveBack, handOver, holdingsOf } from '../changing/handover'
import * as groups from '../changing/groups'
import { GROUP_KIND, PERSON } from '../model'
import { endSessions } from '../signingIn/sessions'
import { saveAbsences } from './absences'
import { directory } from './directory'
import { saveDutiesOf } from './duties'
import { saveFace, sendFace } from './faces'
import { groupRows, groupShown } from './groups'
import { chartPdf } from './chartPdf'
import { orgChart } from './orgChart'
import { personShown } from './personShown'
import { directorySettings, saveSettings } from './settings'

/** What everybody may read of people and groups, and what they say of themselves. */
export function directoryRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, getDirectory, ({ query: { find = '', group, page = 1, all } }, { caller, now }) =>
    directory(db, { find, group, page, all: all === 'yes', today: localDateAt(now, caller.zone) }),
  )
  route(routes, getPerson, ({ params: { id } }, { caller, relations, now }) => personShown(db, id, caller, relations, now))
  route(routes, saveAbsencesOf, ({ params: { id }, body: { absences } }, { caller, now }) => saveAbsences(parts, id, absences, caller, now))
  route(routes, getOrgChart, () => orgChart(db))
  route(routes, getOrgChartPdf, async ({ body: { open } }, { res }) => {
    const pdf = await chartPdf(await orgChart(db), new Set(open), 'Org chart')
    res.setHeader('Cache-Control', 'no-store')
    res.setHeader('Content-Disposition', 'attachment; filename="org-chart.pdf"')
    res.type('application/pdf').send(pdf)
  })
  route(routes, getFace, ({ params: { id } }, { req, res }) => sendFace(parts, id, req, res))
  route(routes, changeMyFacts, async ({ body }, { caller }) => void (await db.in(PERSON).update(body, { id: caller.id })))
  route(routes, setMyFace, ({ bytes }, { caller }) => saveFace(parts, caller.id, bytes))
  route(routes, dropMyFace, async (_input, { caller }) => void (await db.in(PERSON).update({ faceHash: null }, { id: caller.id })))
  route(routes, getDirectorySettings, () => directorySettings(db))
  route(routes, saveDirectorySettings, ({ body }) => saveSettings(db, body))
  changingRoutes(routes)
  groupRoutes(routes)
}

/** Whoever may only invite adds people who report to them, at any depth. */
async function refuseOthersReports(parts: Parts, caller: Caller, managerId: PersonId | null): Promise<void> {
  if (caller.permissions.has('people.manage')) return
  const under =
    managerId === caller.id ||
    (managerId && (await parts.database.one('select 1 from reports_of($1) r where r.person_id = $2', [caller.id, managerId])))
  if (!under)
    fail('not-allowed', 'You can add people who report to you. Choose yourself, or somebody who reports to you, as their manager.')
}

/** What somebody wrote goes to somebody else who may write. */
async function refuseReceiver(tx: Db, from: PersonId, to: PersonId): Promise<void> {
  const person = to === from ? undefined : await tx.in(PERSON).one({ id: to, active: true })
  if (!person?.permissions.includes('guides.write')) failField('/body/guidesTo', 'Choose somebody who works here and may write guides.')
}

const withFields = (state: PersonState, fields: Partial<PersonFields>): PersonState => ({
  ...state,
  ...fields,
  ...(fields.level && fields.level !== state.level ? { permissions: LEVEL_PRESETS[fields.level] } : {}),
})

/** Who comes, changes, leaves and returns. */
function changingRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  const alone = (id: PersonId, into: (state: PersonState) => readonly PersonState[], caller: Caller, now: number) =>
    db.transaction(async (tx) => {
      await changePeople(tx, parts, {
        ids: [id],
        by: caller,
        now,
        into: (states) => into(states.get(id) ?? fail('not-found')),
      })
    })

  route(routes, addPerson, async ({ body }, { caller, now }) => {
    await refuseOthersReports(parts, caller, body.managerId)
    const id = parts.newId<PersonId>()
    await db.transaction((tx) =>
      changePeople(tx, parts, { ids: [], by: caller, now, into: () => [withFields(newcomer(id, body.name, body.siteId), body)] }),
    )
    return { id }
  })
  route(routes, changePerson, ({ params: { id }, body: { permissions, ...fields } }, { caller, now }) =>
    alone(
      id,
      (state) => {
        if (!state.active) fail('not-allowed', 'They have left. Let them return first.')
        return [{ ...withFields(state, fields as Partial<PersonFields>), ...(permissions ? { permissions } : {}) }]
      },
      caller,
      now,
    ),
  )
  route(routes, getHoldings, async ({ params: { id } }) => ({
    guides: (await holdingsOf(parts, db, id))['guides'] ?? 0,
    reports: await db.in(PERSON).count({ managerId: id, active: true }),
  }))
  route(routes, leavePerson, ({ params: { id }, body: { reportsTo, guidesTo } }, { caller, now }) =>
    db.transaction(async (tx) => {
      const under = await tx.rows<{ id: PersonId }>('select id from person where manager_id = $1 and active', [id])
      if (reportsTo === id) failField('/body/reportsTo', 'Choose somebody who stays.')
      await changePeople(tx, parts, {
        ids: [id, ...under.map((row) => row.id)],
        by: caller,
        now,
        into: (states) =>
          [...states.values()].map((state) => (state.id === id ? { ...state, active: false } : { ...state, managerId: reportsTo })),
      })
      if (guidesTo) {
        await refuseReceiver(tx, id, guidesTo)
        await handOver(tx, parts, id, guidesTo, now)
      }
      await endSessions(tx, id, null)
    }),
  )
  route(routes, returnPerson, ({ params: { id }, body }, { caller, now }) =>
    db.transaction(async (tx) => {
      await changePeople(tx, parts, {
        ids: [id],
        by: caller,
        now,
        into: (states) => [...states.values()].map((state) => ({ ...state, ...body, active: true })),
      })
      await giveBack(tx, parts, id)
    }),
  )
}

/** Groups, their kinds, members and duties. */
function groupRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, listGroupKinds, () => db.in(GROUP_KIND).find({}, { order: [['builtIn', 'desc'], 'name'] }))
  route(routes, addGroupKind, async ({ body: { name } }) => {
    const id = parts.newId<GroupKindId>()
    await db.transaction((tx) => groups.addGroupKind(tx, id, name))
    return { id }
  })
  route(routes, listGroupRows, () => groupRows(db))
  route(routes, getGroup, ({ params, query: { page = 1 } }, { caller }) => groupShown(db, params.groupId, page, caller))
  route(routes, addGroup, async ({ body: { kind, ...facts } }, { now }) => {
    const id = parts.newId<GroupId>()
    await db.transaction((tx) => groups.addGroup(tx, id, kind, facts, now))
    return { id }
  })
  route(routes, changeGroup, ({ params, body }) => db.transaction((tx) => groups.changeGroup(tx, params.groupId, body)))
  route(routes, changeMembers, async ({ params: { groupId: group }, body }, { caller: by, now }) => {
    await db.transaction((tx) => groups.changeMembers(tx, parts, { group, ...body, by, now }))
  })
  route(routes, closeGroup, ({ params: { groupId: group }, body }, { caller: by, now }) =>
    db.transaction((tx) => groups.closeGroup(tx, parts, { group, ...body, by, now })),
  )
  route(routes, saveDuties, ({ params, body }, { caller }) =>
    db.transaction((tx) => saveDutiesOf(tx, params.groupId, body.duties, caller.id)),
  )
}
