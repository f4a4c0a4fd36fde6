import {
  changeFolder,
  changeGuide,
  createFolder,
  createGuide,
  duplicateGuide,
  findQuizzes,
  listFolders,
  listFoldersOf,
  listGuides,
  listGuidesOf,
  suggest,
} from '@jackdaw/contracts/library'
import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { emptyDocument, paragraph, type Change } from '@jackdaw/core/guides'
import { may } from '@jackdaw/core/people'
import type { FolderId, GuideId, StepId } from '@jackdaw/core/shared'
import { insertGuide, saveDraftChanges, findDraft } from '../guides'
import { fail, route, type Caller, type Routes } from '../http'
import { findCaller } from '../people'
import { duplicate } from './duplicate'
import { insertFolder, listFoldersFor, refuseMissingFolder, updateFolder } from './folders'
import { findGuides, PAGE_SIZE, updateGuide } from './guides'
import { findQuizzes as quizzesFor } from './quizzes'
import { findSuggestions } from './suggestions'

export function libraryRoutes(routes: Routes): void {
  const { database: db, newId } = routes.parts

  const foldersFor = ({ id, permissions }: Caller) =>
    listFoldersFor(db, id, permissions.has('guides.write') || permissions.has('folders.change'))
  route(routes, listFolders, (_input, { caller }) => foldersFor(caller))
  route(routes, listFoldersOf, async ({ params: { id } }) => foldersFor((await findCaller(db, id)) ?? fail('not-found')))
  route(routes, createFolder, async ({ body }, { now }) => insertFolder(db, { id: newId<FolderId>(), ...body, now }))
  route(routes, changeFolder, async ({ params, body }, { now }) => updateFolder(db, params.folderId, body, now))

  const guidesFor = async (caller: Caller, query: QueryOf<typeof listGuides>) => {
    const { rows, total } = await findGuides(db, caller, {
      ...query,
      find: query.find?.trim(),
      archived: query.archived === 'yes',
      sort: query.sort ?? 'number',
      down: query.direction === 'down',
      page: query.page ?? 1,
    })
    return { rows, total, pageSize: PAGE_SIZE }
  }
  route(routes, listGuides, ({ query }, { caller }) => guidesFor(caller, query))
  route(routes, listGuidesOf, async ({ params: { id }, query }) => guidesFor((await findCaller(db, id)) ?? fail('not-found'), query))
  route(routes, findQuizzes, async ({ query: { find = '', page = 1 } }, { caller }) => ({
    ...(await quizzesFor(db, caller.id, { find: find.trim(), page })),
    pageSize: PAGE_SIZE,
  }))
  route(routes, suggest, ({ query: { find } }, { caller }) => findSuggestions(db, caller.id, find))
  route(routes, createGuide, async ({ body }, { caller, now }) => {
    await refuseMissingFolder(db, body.folderId, '/body/folderId')
    const id = newId<GuideId>()
    const document = {
      ...emptyDocument(body.title, body.kind),
      items: [
        {
          kind: 'step' as const,
          id: newId<StepId>(),
          body: { type: 'doc' as const, content: [{ ...paragraph(), attrs: { id: newId() } }] },
          pictures: [],
        },
      ],
    }
    return {
      id,
      number: await insertGuide(db, {
        id,
        document,
        ownerId: caller.id,
        folderId: body.folderId,
        now,
      }),
    }
  })
  route(routes, duplicateGuide, async ({ params: { id }, body }, { caller, now }) => {
    if (!may(caller.permissions, 'item.create', new Set())) fail('not-allowed', 'Only who may write guides may duplicate one.')
    return duplicate(routes.parts, caller, id, body, now)
  })
  route(routes, changeGuide, async ({ params: { id }, body }, { caller, relations, now }) => {
    const handsOver = body.ownerId !== undefined || body.sharedWith !== undefined || body.archived !== undefined
    if (handsOver && !may(caller.permissions, 'item.hand-over', relations))
      fail('not-allowed', 'Only the owner or a lead may hand over, share or archive a guide.')
    const { title } = body
    await db.transaction(async (tx) => {
      await updateGuide(tx, routes.parts, caller, id, { ...body, ...(body.archived === true ? { archived: undefined } : {}) }, now)
      if (title !== undefined) {
        const draft = (await findDraft(tx, id, true)) ?? fail('not-found')
        const changes: Change[] = [{ type: 'set-facts', facts: { title } }]
        await saveDraftChanges(tx, routes.parts, caller, id, { baseRevision: draft.revision, changeSetId: newId(), changes }, now)
      }
      // Into the archive last, and out of it first: in there nothing can be changed.
      if (body.archived === true) await updateGuide(tx, routes.parts, caller, id, { archived: true }, now)
    })
  })
}
