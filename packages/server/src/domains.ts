import { assignments } from './assignments'
import { eventRulesOf, type Domain } from './domain'
import { events } from './events'
import { exchange } from './exchange'
import { files } from './files'
import { guides } from './guides'
import { healthRoutes } from './http'
import { inbox } from './inbox'
import { items } from './items'
import { jobRoutes } from './jobs'
import { library } from './library'
import { people } from './people'
import { players } from './players'
import { recording } from './recording'
import { records } from './records'
import { remarks } from './remarks'

/** The domains of which the server consists: the one place that knows them all. */
export const DOMAINS: readonly Domain[] = [
  { routes: healthRoutes },
  people,
  { routes: jobRoutes },
  inbox,
  files,
  items,
  library,
  guides,
  exchange,
  assignments,
  players,
  events,
  records,
  recording,
  remarks,
]

/** What they declare of events. */
export const EVENT_RULES = eventRulesOf(DOMAINS)
