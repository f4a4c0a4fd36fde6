import { fileURLToPath } from 'node:url'
import { createServer, type Server } from 'node:http'
import type { Express } from 'express'
import type { ItemRef } from '@jackdaw/core/items'
import { THINGS } from '@jackdaw/core/people'
import { nanoid } from 'nanoid'
import pino from 'pino'
import type { Config } from './config'
import { openDatabase } from './db'
import { Decoder } from './decoding'
import { firstReadsOf } from './domain'
import { AUDIENCE_FOLLOWERS, BLACKOUT_FOLLOWERS, DOMAINS, EVENT_RULES, FIRST_STEPS, HAND_OVERS, PEOPLE_FOLLOWERS } from './domains'
import { buildApp, newRoutes, type Parts, type Caller, type RelationFinders, type Routes } from './http'
import { findItem } from './items'
import { mailer } from './mail'
import { Runner, type RunnerTimes } from './jobs'
import { localStore } from './storage'
import { Writer } from './writing'

export type BuiltServer = { parts: Parts; routes: Routes; app: Express; server: Server; runner: Runner; stop: () => Promise<void> }

/** The real parts of a server: database, storage, clock, ids, log. */
export function realParts(config: Config, over: Partial<Parts> = {}): Parts {
  return {
    config,
    database: openDatabase(config.databaseUrl, config.dbConnections),
    content: localStore(config.storageDir),
    log: pino({ level: config.logLevel, base: undefined }),
    clock: () => Date.now(),
    newId: () => nanoid(),
    events: EVENT_RULES,
    peopleFollowers: PEOPLE_FOLLOWERS,
    audienceFollowers: AUDIENCE_FOLLOWERS,
    blackoutFollowers: BLACKOUT_FOLLOWERS,
    handOvers: HAND_OVERS,
    firstSteps: FIRST_STEPS,
    decoder: new Decoder(new URL('./decoding.mjs', import.meta.url)),
    writer: new Writer(new URL('./writing.mjs', import.meta.url)),
    mail: mailer(config),
    recorderDir: fileURLToPath(new URL('../recorder', import.meta.url)),
    ...over,
  }
}

/** What carries out the jobs of all domains. */
export function runnerFor(parts: Parts, times?: RunnerTimes): Runner {
  const { database, clock, log, config } = parts
  const jobs = DOMAINS.flatMap((domain) => domain.jobs ?? []).map((each) => each(parts))
  return new Runner({ database, clock, log, jobs: new Map(jobs.map((each) => [each.name, each])) }, config.databaseUrl, times)
}

const present = <T>(value: T | undefined): T[] => (value === undefined ? [] : [value])

/** Wires the domains together. */
export function buildServer(parts: Parts): BuiltServer {
  const { database } = parts
  const relations: RelationFinders = Object.assign({}, ...DOMAINS.map((domain) => domain.relations?.(parts)))
  relations.item = async (caller, id) => {
    const item = await findItem(database, id)
    return item && relationsTo(item, caller)
  }
  // The id is one of that kind: both stood together.
  const relationsTo = ({ kind, id }: ItemRef, caller: Caller) => relations[kind](caller, id as never)
  const lacking = Object.keys(THINGS).filter((thing) => !(thing in relations))
  if (lacking.length > 0) throw new Error(`no domain says how somebody stands to: ${lacking.join(', ')}`)
  const routes = newRoutes(parts, relations)
  for (const domain of DOMAINS) domain.routes?.(routes)
  const { app, close } = buildApp(
    parts,
    routes,
    DOMAINS.flatMap((domain) => present(domain.whoIs?.(parts))),
    firstReadsOf(DOMAINS),
    DOMAINS.flatMap((domain) => present(domain.framed?.(parts))),
  )
  const server = createServer(app)
  const runner = runnerFor(parts)
  server.requestTimeout = 120_000
  server.keepAliveTimeout = 65_000
  return {
    parts,
    routes,
    app,
    server,
    runner,
    stop: async () => {
      await Promise.all([stopListening(server), runner.stop()])
      await close()
      await database.close()
      parts.decoder.stop()
      parts.writer.stop()
    },
  }
}

const GRACE_MS = 8_000

/** Takes no new requests and lets the running ones end. */
async function stopListening(server: Server): Promise<void> {
  await new Promise<void>((resolve) => {
    if (!server.listening) return resolve()
    const timer = setTimeout(() => server.closeAllConnections(), GRACE_MS)
    server.close(() => {
      clearTimeout(timer)
      resolve()
    })
    server.closeIdleConnections()
  })
}
