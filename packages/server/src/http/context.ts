import type { Level, Permission, Relation } from '@jackdaw/core/people'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Request, Response } from 'express'
import type { Logger } from 'pino'
import type { Config } from '../config'
import type { Database } from '../db'
import type { Decoder } from '../decoding'
import type { ContentStore } from '../storage'

/** Who asks. */
export type Caller = { id: PersonId; name: string; level: Level; permissions: ReadonlySet<Permission>; hasReports: boolean; zone: string }

/** The parts from which the server is put together, once, in `main.ts`. */
export type Parts = {
  config: Config
  database: Database
  content: ContentStore
  log: Logger
  /** Epoch milliseconds, UTC. */
  clock: () => number
  newId: () => string
  /** Reads strangers' files, in processes of their own. */
  decoder: Decoder
  /** Folder of the built browser extension. */
  recorderDir: string
}

/** How a caller's relations to a thing are found: a port that the domains fill in. `null`: there is no such thing. */
export type RelationFinders = {
  guide: (caller: Caller, id: GuideId) => Promise<ReadonlySet<Relation> | null>
  person: (caller: Caller, id: PersonId) => Promise<ReadonlySet<Relation> | null>
}

/** What a handler knows of its request. */
export type Context = {
  /** Signed in, unless the endpoint is open to anyone. */
  caller: Caller
  relations: ReadonlySet<Relation>
  now: number
  req: Request
  res: Response
}
