import { askClipUpload, sendClipPart } from '@jackdaw/contracts/clips'
import type { ProblemCode } from '@jackdaw/contracts/problems'
import type { RelationTo } from '@jackdaw/core/people'
import type { ClipId } from '@jackdaw/core/shared'
import { DataStore, Server, Upload } from '@tus/server'
import type { Request, Response as Answer } from 'express'
import { buffer } from 'node:stream/consumers'
import type { Readable } from 'node:stream'
import type { Database, Db } from '../../db'
import { fail, Refused, route, type Caller, type Routes } from '../../http'
import type { ContentStore } from '../../storage'
import { addToClip } from './clipStore'
import { CLIP } from './model'

/** How a caller stands to a clip on its way here; `null` when there is none. */
export async function relationsToClip(db: Db, caller: Caller, id: ClipId): Promise<ReadonlySet<RelationTo<'clip'>> | null> {
  const clip = await db.in(CLIP).one({ id }, { only: ['createdBy'] })
  return clip ? new Set(clip.createdBy === caller.id ? ['self' as const] : []) : null
}

/** Clips as the protocol sees them: what has come of each stands in the database, its bytes in the storage. Any server goes on with any of them. */
class ClipUploads extends DataStore {
  constructor(
    private readonly db: Database,
    private readonly content: ContentStore,
  ) {
    super()
  }
  override async getUpload(id: string): Promise<Upload> {
    const { bytes, receivedBytes } = (await this.db.in(CLIP).one({ id: id as ClipId })) ?? fail('not-found')
    return new Upload({ id, size: bytes, offset: receivedBytes })
  }
  override async write(stream: Readable, id: string, offset: number): Promise<number> {
    return addToClip(this.db, this.content, id as ClipId, offset, await buffer(stream))
  }
}
/** Two that send at once are told apart by the database, on whatever servers they are. */
const NO_LOCK = { newLock: () => ({ lock: async () => undefined, unlock: async () => undefined }) }

/** What the protocol's own refusals are here. */
const PROBLEM_OF: Readonly<Record<number, ProblemCode>> = {
  404: 'not-found',
  409: 'upload-moved-on',
  412: 'precondition-failed',
  413: 'too-large',
}
const problemOf = (status: number, words: string): never => fail(PROBLEM_OF[status] ?? 'bad-request', words.trim())
type TusFault = { status_code?: number; body?: string }

const SAID_BY_SENDER = ['tus-resumable', 'upload-offset', 'upload-length', 'content-type', 'content-length'] as const
const SAID_BY_US = ['Tus-Resumable', 'Upload-Offset', 'Upload-Length', 'Cache-Control'] as const

/** Sound and video is sent by the tus protocol, in pieces, so that a long upload goes on where it broke off. */
export function clipUploadRoutes(routes: Routes): void {
  const { database, content } = routes.parts
  const tus = new Server({
    path: '/api/clip-uploads',
    datastore: new ClipUploads(database, content),
    locker: NO_LOCK,
    // Nobody sends from another site.
    allowedOrigins: [],
    onResponseError: (_request, error) => {
      const fault = error as TusFault
      if (error instanceof Refused || fault.status_code === undefined) throw error
      return problemOf(fault.status_code, fault.body ?? '')
    },
  })
  const answer = async (req: Request, res: Answer, bytes?: Buffer): Promise<void> => {
    const headers = Object.fromEntries(
      SAID_BY_SENDER.flatMap((name) => (req.headers[name] === undefined ? [] : [[name, req.headers[name]]])),
    )
    const request = new Request(`http://uploads${req.path}`, {
      method: req.method,
      headers: headers as Record<string, string>,
      ...(bytes ? { body: new Uint8Array(bytes), duplex: 'half' as const } : {}),
    } as RequestInit)
    const said = await tus.handleWeb(request as never)
    if (said.status >= 400) problemOf(said.status, await said.text())
    for (const name of SAID_BY_US) if (said.headers.has(name)) res.setHeader(name, said.headers.get(name)!)
    res.status(said.status).end()
  }
  route(routes, askClipUpload, (_input, { req, res }) => answer(req, res))
  route(routes, sendClipPart, ({ bytes }, { req, res }) => answer(req, res, bytes))
}
