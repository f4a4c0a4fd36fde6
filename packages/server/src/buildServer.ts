import { fileURLToPath } from 'node:url'
import { createServer, type Server } from 'node:http'
import type { Express } from 'express'
import { THINGS } from '@jackdaw/core/people'
import { nanoid } from 'nanoid'
import pino from 'pino'
import type { Config } from './config'
import { openDatabase, type Database } from './db'
import { Decoder } from './decoding'
import { DOMAINS, EVENT_RULES } from './domains'
import { buildApp, newRoutes, type Parts, type RelationFinders, type Routes } from './http'
import { localStore } from './storage'

export type BuiltServer = { parts: Parts; routes: Routes; app: Express; server: Server; stop: () => Promise<void> }

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
    decoder: new Decoder(new URL('./decoding.mjs', import.meta.url)),
    recorderDir: fileURLToPath(new URL('../recorder', import.meta.url)),
    ...over,
  }
}

const present = <T>(value: T | undefined): T[] => (value === undefined ? [] : [value])

/** Wires the domains together. */
export function buildServer(parts: Parts): BuiltServer {
  const { database } = parts
  const relations: RelationFinders = Object.assign({}, ...DOMAINS.map((domain) => domain.relations?.(parts)))
  const lacking = Object.keys(THINGS).filter((thing) => !(thing in relations))
  if (lacking.length > 0) throw new Error(`no domain says how somebody stands to: ${lacking.join(', ')}`)
  const routes = newRoutes(parts, relations)
  for (const domain of DOMAINS) domain.routes?.(routes)
  const { app, close } = buildApp(
    parts,
    routes,
    DOMAINS.flatMap((domain) => present(domain.whoIs?.(parts))),
  )
  const server = createServer(app)
  server.requestTimeout = 120_000
  server.keepAliveTimeout = 65_000
  return {
    parts,
    routes,
    app,
    server,
    stop: async () => {
      await stopServer(server, close, database)
      parts.decoder.stop()
    },
  }
}

const GRACE_MS = 8_000

/** Takes no new requests, lets the running ones end, then lets go of the database. */
async function stopServer(server: Server, closeSessions: () => Promise<void>, database: Database): Promise<void> {
  await new Promise<void>((resolve) => {
    if (!server.listening) return resolve()
    const timer = setTimeout(() => server.closeAllConnections(), GRACE_MS)
    server.close(() => {
      clearTimeout(timer)
      resolve()
    })
    server.closeIdleConnections()
  })
  await closeSessions()
  await database.close()
}
