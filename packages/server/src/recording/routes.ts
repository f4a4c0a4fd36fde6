import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import {
  discardRecording,
  endPairing,
  finishRecording,
  getPairing,
  getRecorderZip,
  listRecorders,
  MAX_SHOTS,
  newPairingCode,
  pairRecorder,
  putActions,
  putShot,
  revokeRecorder,
  startRecording,
} from '@jackdaw/contracts/recording'
import { may } from '@jackdaw/core/people'
import { marksOf, MAX_ACTIONS, type RecordingId } from '@jackdaw/core/recording'
import type { GuideId } from '@jackdaw/core/shared'
import type { Request } from 'express'
import { readPicture, storeContent } from '../files'
import { findFacts } from '../guides'
import { countTry, forgiveTries, PERSON } from '../people'
import { fail, route, type Caller, type Routes, said } from '../http'
import { companyName } from '../settings'
import { throwAway } from './cleanUp'
import { finish } from './finish'
import { endPairingOf, givePairingCode, pair, recordersOf } from './pairing'
import { recorderZip } from './recorderZip'
import {
  actionsOf,
  countActions,
  countShots,
  directoryNames,
  findRecording,
  insertActions,
  insertRecording,
  insertShot,
  shotsOf,
} from './store'

/** Where people reach this Jackdaw, as the request itself says: it only decides what the asker's own extension speaks to. */
const originOf = (req: Request, https: boolean): string => {
  const host = req.headers.host ?? ''
  if (!/^[\w.-]+(:\d{1,5})?$|^\[[0-9a-f:]+\](:\d{1,5})?$/i.test(host)) fail('bad-request', 'The request does not say which host it is for.')
  return `${https ? 'https' : 'http'}://${host}`
}

function pairingRoutes(routes: Routes): void {
  const { database: db, config, newId, recorderDir } = routes.parts

  route(routes, newPairingCode, async (_input, { caller, now }) => givePairingCode(db, caller.id, now))
  route(routes, listRecorders, async (_input, { caller }) => recordersOf(db, caller.id))
  route(routes, revokeRecorder, async ({ params: { id } }, { caller }) => {
    if (!(await endPairingOf(db, caller.id, id))) fail('not-found')
  })
  route(routes, getRecorderZip, async (_input, { req, res }) => {
    if (!existsSync(join(recorderDir, 'manifest.json'))) fail('not-found', 'The extension has not been built.')
    const zip = await recorderZip(recorderDir, originOf(req, config.https))
    res.setHeader('Content-Disposition', 'attachment; filename="jackdaw-recorder.zip"')
    res.setHeader('Cache-Control', 'private, no-cache')
    res.type('application/zip').send(zip)
  })
  route(routes, pairRecorder, async ({ body }, { req, now }) => {
    const address = req.ip ?? ''
    const tried = { account: `pairing from ${address}`, address, device: null }
    const waitS = await countTry(db, tried, now)
    if (waitS > 0) fail('too-many-tries', said('Wait {{minutes}} min, then try again.', { minutes: Math.ceil(waitS / 60) }), [], waitS)
    const paired = await pair(db, newId, body, now)
    if (!paired) return fail('wrong-code', 'Codes hold for ten minutes and for one browser. Let Jackdaw show a new one and type that.')
    await forgiveTries(db, tried)
    const person = await db.in(PERSON).one({ id: paired.personId }, { only: ['name'] })
    return { token: paired.token, person: person?.name ?? '', company: await companyName(db, config.company) }
  })
  route(routes, getPairing, async (_input, { caller }) => ({ person: caller.name, company: await companyName(db, config.company) }))
  route(routes, endPairing, async (_input, { caller, res }) => {
    await endPairingOf(db, caller.id, res.locals.recorderId ?? fail('not-paired'))
  })
}

function intakeRoutes(routes: Routes): void {
  const { database: db, content, decoder } = routes.parts
  const over = () => fail('recording-over', 'It has become a draft already; nothing can be added to it.')
  const find = async (id: RecordingId, caller: Caller) => (await findRecording(db, id, caller.id)) ?? fail('not-found')
  const open = async (id: RecordingId, caller: Caller) => {
    const recording = await find(id, caller)
    return recording.outcome ? over() : recording
  }
  /** Asks the table of rights about the guide into which somebody records. */
  const mayEdit = async (caller: Caller, id: GuideId): Promise<void> => {
    const relations = await routes.relations.guide(caller, id)
    if (!relations || !may(caller.permissions, 'item.read', relations)) {
      if (!relations || !may(caller.permissions, 'item.edit', relations)) fail('not-found', 'There is no such guide to record into.')
    } else if (!may(caller.permissions, 'item.edit', relations)) fail('not-allowed', 'You may read this guide but not change it.')
    if ((await findFacts(db, id))?.archived) fail('item-archived', 'Take the guide out of the archive to record into it.')
  }

  route(routes, startRecording, async ({ body }, { caller, now }) => {
    if (body.target) await mayEdit(caller, body.target.guideId)
    await insertRecording(db, { ...body, personId: caller.id, nameSalt: randomBytes(12).toString('base64url'), now })
    const { nameSalt } = await open(body.id, caller)
    return { names: { salt: nameSalt, marks: marksOf(await directoryNames(db), nameSalt) } }
  })
  route(routes, putShot, async ({ params, bytes }, { caller }) => {
    const recording = await find(params.id, caller)
    const known = (await shotsOf(db, params.id)).find((shot) => shot.shotId === params.shotId)
    // What is there already may come once more, also after the end: its answer was lost, or two senders had it.
    if (known) return { widthPx: known.widthPx, heightPx: known.heightPx }
    if (recording.outcome) over()
    if ((await countShots(db, params.id)) >= MAX_SHOTS)
      fail('recording-full', said('A recording holds {{most}} pictures.', { most: MAX_SHOTS }))
    const picture = await readPicture(decoder, bytes)
    await insertShot(db, params.id, { shotId: params.shotId, ...(await storeContent(content, picture)) })
    return { widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, putActions, async ({ params, body }, { caller }) => {
    const recording = await find(params.id, caller)
    if (recording.outcome) {
      const known = new Set((await actionsOf(db, params.id)).map((action) => action.id))
      return body.actions.every((action) => known.has(action.id)) ? { kept: body.actions.length } : over()
    }
    if ((await countActions(db, params.id)) + body.actions.length > MAX_ACTIONS)
      fail(
        'recording-full',
        said('A recording holds {{most}} actions. End it, and record the rest as a second one.', { most: MAX_ACTIONS }),
      )
    await insertActions(db, params.id, body.actions)
    return { kept: body.actions.length }
  })
  route(routes, finishRecording, async ({ params, body }, { caller, now }) =>
    finish(routes.parts, { caller, id: params.id, wish: body, mayEdit: (guideId) => mayEdit(caller, guideId), now }),
  )
  route(routes, discardRecording, async ({ params }, { caller }) => {
    await open(params.id, caller)
    await throwAway(db, content, params.id)
  })
}

export function recordingRoutes(routes: Routes): void {
  pairingRoutes(routes)
  intakeRoutes(routes)
}
