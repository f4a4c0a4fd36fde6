import type { RequestHandler } from 'express'
import type { FirstStep } from '@jackdaw/core/beginning'
import type { Verbs } from '@jackdaw/core/events'
import type { EventCheck, EventRules, RollUp } from './eventRules'
import type {
  AudienceFollower,
  BlackoutFollower,
  FirstRead,
  Framed,
  HandOver,
  Parts,
  PeopleFollower,
  RelationFinders,
  Routes,
} from './http'
import type { Job } from './jobs'

/** What a domain is to the server: all that has to be wired together, declared in one value. */
export type Domain = {
  /** Puts its endpoints on the router. */
  routes?: (routes: Routes) => void
  /** What goes along with pages, so that they can be drawn at once, by their paths; `*` with every page. */
  firstReads?: Readonly<Record<string, readonly FirstRead[]>>
  /** What can happen in it, how that is checked before it is taken, and what is counted from it. `rollUps` is given all verbs of all domains. */
  verbs?: Verbs
  checks?: Record<string, EventCheck>
  rollUps?: (verbs: Verbs) => readonly RollUp[]
  /** Pages that other sites may show in a frame. */
  framed?: (parts: Parts) => Framed
  /** How callers stand to its things. */
  relations?: (parts: Parts) => Partial<RelationFinders>
  /** Finds out who calls, before any route. */
  whoIs?: (parts: Parts) => RequestHandler
  /** What follows in it when people have changed. */
  followsPeople?: PeopleFollower
  /** What follows in it when people have come to belong to audiences, or ceased to. */
  followsAudiences?: AudienceFollower
  /** What follows in it when pictures have been blacked out. */
  followsBlackouts?: BlackoutFollower
  /** What of it somebody who leaves hands over. */
  handsOver?: HandOver
  /** What a new company comes to have in it: SQL that is true when it is there. */
  firstSteps?: Partial<Record<FirstStep, string>>
  /** How its jobs are carried out. */
  jobs?: readonly ((parts: Parts) => Job)[]
  /** By what the demo company is loaded: its part of the services, under their names. */
  demo?: (parts: Parts) => object
}

/** What goes along with pages, of all domains. */
export function firstReadsOf(domains: readonly Domain[]): Record<string, readonly FirstRead[]> {
  const all: Record<string, FirstRead[]> = {}
  for (const { firstReads = {} } of domains) for (const [path, reads] of Object.entries(firstReads)) (all[path] ??= []).push(...reads)
  return all
}

/** All that domains declare of events, put together. */
export function eventRulesOf(domains: readonly Domain[]): EventRules {
  const verbs: Verbs = Object.assign({}, ...domains.map((domain) => domain.verbs ?? {}))
  const checks: EventRules['checks'] = Object.assign({}, ...domains.map((domain) => domain.checks ?? {}))
  return { verbs, checks, rollUps: domains.flatMap((domain) => domain.rollUps?.(verbs) ?? []) }
}
