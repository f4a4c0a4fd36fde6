import type { RequestHandler } from 'express'
import type { Parts, RelationFinders, Routes } from './http'

/** What a domain is to the server: all that has to be wired together, declared in one value. */
export type Domain = {
  /** Puts its endpoints on the router. */
  routes?: (routes: Routes) => void
  /** How callers stand to its things. */
  relations?: (parts: Parts) => Partial<RelationFinders>
  /** Finds out who calls, before any route. */
  whoIs?: (parts: Parts) => RequestHandler
  /** What is done when a server starts, before it listens. */
  atStart?: (parts: Parts) => Promise<void>
  /** By what the demo company is loaded: its part of the services, under their names. */
  demo?: (parts: Parts) => object
}
