import { fileURLToPath } from 'node:url'
import { createServer, type Server } from 'node:http'
import type { Express } from 'express'
import { nanoid } from 'nanoid'
import pino from 'pino'
import { assignmentRoutes } from './assignments'
import type { Config } from './config'
import { openDatabase, type Database } from './db'
import { Decoder } from './decoding'
import { eventRoutes } from './events'
import { exchangeRoutes } from './exchange'
import { guideRoutes } from './guides'
import { buildApp, healthRoutes, newRoutes, type Parts, type Routes } from './http'
import { libraryRoutes } from './library'
import { findCaller, peopleRoutes, relationsToGuide, relationsToPerson, whoIs } from './people'
import { playerRoutes } from './players'
import { recordRoutes } from './records'
import { remarkRoutes } from './remarks'
import { recordingRoutes, whoRecords } from './recording'
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
    decoder: new Decoder(new URL('./decoding.mjs', import.meta.url)),
    recorderDir: fileURLToPath(new URL('../recorder', import.meta.url)),
    ...over,
  }
}

/** Wires the domains together: the one place that knows them all. */
export function buildServer(parts: Parts): BuiltServer {
  const { database } = parts
  const routes = newRoutes(parts, {
    guide: (caller, id) => relationsToGuide(database, caller, id),
    person: (caller, id) => relationsToPerson(database, caller, id),
  })
  for (const add of [
    healthRoutes,
    peopleRoutes,
    libraryRoutes,
    guideRoutes,
    exchangeRoutes,
    assignmentRoutes,
    playerRoutes,
    eventRoutes,
    recordRoutes,
    recordingRoutes,
    remarkRoutes,
  ])
    add(routes)
  const { app, close } = buildApp(parts, routes, [whoIs(parts), whoRecords(parts, (id) => findCaller(database, id))])
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
