import type { FirstStep } from '@jackdaw/core/beginning'
import type { ApplicationScope } from '@jackdaw/contracts/applications'
import type { RecorderId } from '@jackdaw/contracts/recording'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type {
  ApplicationId,
  AudienceId,
  BankId,
  CheckInId,
  ClipId,
  ExportId,
  HandInId,
  NewId,
  PersonId,
  PictureId,
  QuizAttemptId,
} from '@jackdaw/core/shared'
import type { Language, Level, Permission, Relation, RelationTo, Thing } from '@jackdaw/core/people'
import type { Request, Response } from 'express'
import type { Logger } from 'pino'
import type { Config } from '../config'
import type { Database, Db } from '../db'
import type { Decoder } from '../decoding'
import type { EventRules } from '../eventRules'
import type { Mailer } from '../mail'
import type { ContentStore } from '../storage'
import type { Writer } from '../writing'

/** Who asks. */
export type Caller = {
  id: PersonId
  name: string
  level: Level
  permissions: ReadonlySet<Permission>
  hasReports: boolean
  zone: string
  language: Language
  /** Whether they read guides as one page. */
  readsAsPage: boolean
  /** Whether they came in with a password that was given to them: until they have chosen their own, they may do nothing else. */
  passwordToChoose: boolean
}

/** The parts from which the server is put together, once, in `main.ts`. */
export type Parts = {
  config: Config
  database: Database
  content: ContentStore
  log: Logger
  /** Epoch milliseconds, UTC. */
  clock: () => number
  newId: NewId
  /** What the domains declare of events. */
  events: EventRules
  /** What follows when people have changed. */
  peopleFollowers: readonly PeopleFollower[]
  /** What follows when people have come to belong to audiences, or ceased to. */
  audienceFollowers: readonly AudienceFollower[]
  /** What follows when pictures have been blacked out. */
  blackoutFollowers: readonly BlackoutFollower[]
  /** What somebody who leaves hands over. */
  handOvers: readonly HandOver[]
  /** What a new company comes to have: SQL that is true when it is there. */
  firstSteps: Partial<Record<FirstStep, string>>
  /** Reads strangers' files, in processes of their own. */
  decoder: Decoder
  /** Writes guides as files, in a process of its own. */
  writer: Writer
  /** By what mail leaves; `null` where none is sent. */
  mail: Mailer | null
  /** Folder of the built browser extension. */
  recorderDir: string
}

/** People of whom something has changed, or who report to such a one: who has to be looked at anew.
 * `by`: who changed it; `null` where nobody did, as when a day has passed. */
type Touching = { touched: readonly PersonId[]; by: PersonId | null; now: number }
/** The same, with those among them whose days count anew: their place of work, their first day, whether they work here, or their absences have changed. */
export type PeopleChange = Touching & { dated: readonly PersonId[] }
/** What follows when people have changed, in the same transaction: a port for which domains above people declare themselves. */
export type PeopleFollower = (tx: Db, parts: Parts, change: PeopleChange) => Promise<void>

/** People who have come to belong to audiences, or ceased to, and the audiences of which that is so. */
type AudienceChange = Touching & { audiences: readonly AudienceId[] }
/** What follows when who belongs to audiences has changed, in the same transaction. */
export type AudienceFollower = (tx: Db, parts: Parts, change: AudienceChange) => Promise<void>

/** What follows when pictures have been blacked out, in the same transaction: whatever was made of their older files goes. */
export type BlackoutFollower = (tx: Db, parts: Telling, pictures: readonly PictureId[], now: number) => Promise<void>
/** What is needed to tell people of it. */
type Telling = Pick<Parts, 'newId' | 'mail' | 'config'>

/** A kind of things that somebody who leaves hands over: a port for which domains above people declare themselves. */
export type HandOver = {
  kind: string
  /** The ids of all that somebody has of it. */
  heldBy: (db: Db, person: PersonId) => Promise<string[]>
  /** Makes things somebody else's, as far as they are still the first one's. @returns those that went over */
  pass: (tx: Db, things: readonly string[], from: PersonId, to: PersonId) => Promise<string[]>
}

/** Ids of the things that rights are asked for. */
type ThingIds = { [K in ItemKind]: ItemId<K> } & {
  item: ItemId
  person: PersonId
  'hand-in': HandInId
  'check-in': CheckInId
  bank: BankId
  'quiz-attempt': QuizAttemptId
  clip: ClipId
  export: ExportId
}
/** How a caller's relations to things are found: a port that the domains fill in. `null`: there is no such thing. */
export type RelationFinders = {
  [T in Thing]: (caller: Caller, id: ThingIds[T]) => Promise<ReadonlySet<RelationTo<T>> | null>
}

declare global {
  // eslint-disable-next-line @typescript-eslint/no-namespace -- this is how Express takes the types of what layers hand on
  namespace Express {
    /** What layers hand on to those after them. `caller`: of a session; `recorder`: of a pairing, with its id; `application`: of its token. */
    interface Locals {
      requestId?: string
      route?: string
      params?: unknown
      relations?: ReadonlySet<Relation>
      caller?: Caller | null
      recorder?: Caller | null
      recorderId?: RecorderId
      application?: { id: ApplicationId; scopes: readonly ApplicationScope[]; owner: Caller | null }
    }
  }
}

/** What a handler knows of its request. `C`: the caller; where anyone may call, there may be none. */
export type Context<C extends Caller | null = Caller> = {
  caller: C
  relations: ReadonlySet<Relation>
  now: number
  req: Request
  res: Response
}
