import type { FirstStep } from '@jackdaw/core/beginning'
import { applications } from './applications'
import { assignments } from './assignments'
import { eventRulesOf, type Domain } from './domain'
import { audiences } from './audiences'
import { beginning } from './beginning'
import { calendar } from './calendar'
import { engagement } from './engagement'
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
import { plans } from './plans'
import { players } from './players'
import { quizzes } from './quizzes'
import { recording } from './recording'
import { records } from './records'
import { remarks } from './remarks'
import { sharing } from './sharing'
import { surveys } from './surveys'
import { tasks } from './tasks'

/** The domains of which the server consists: the one place that knows them all. */
export const DOMAINS: readonly Domain[] = [
  { routes: healthRoutes },
  people,
  calendar,
  audiences,
  { routes: jobRoutes },
  inbox,
  files,
  items,
  library,
  guides,
  exchange,
  sharing,
  tasks,
  quizzes,
  surveys,
  assignments,
  plans,
  players,
  events,
  records,
  engagement,
  applications,
  recording,
  remarks,
  beginning,
]

/** What follows in them when people have changed. */
export const PEOPLE_FOLLOWERS = DOMAINS.flatMap((domain) => domain.followsPeople ?? [])
/** What follows in them when people have come to belong to audiences, or ceased to. */
export const AUDIENCE_FOLLOWERS = DOMAINS.flatMap((domain) => domain.followsAudiences ?? [])
/** What follows in them when pictures have been blacked out. */
export const BLACKOUT_FOLLOWERS = DOMAINS.flatMap((domain) => domain.followsBlackouts ?? [])
/** What of them somebody who leaves hands over. */
export const HAND_OVERS = DOMAINS.flatMap((domain) => domain.handsOver ?? [])
/** What a new company comes to have in them. */
export const FIRST_STEPS: Partial<Record<FirstStep, string>> = Object.assign({}, ...DOMAINS.map((domain) => domain.firstSteps ?? {}))
/** What they declare of events. */
export const EVENT_RULES = eventRulesOf(DOMAINS)
