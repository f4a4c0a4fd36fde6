import type { DemoServices } from '@jackdaw/demo'
import { v7 as uuidV7 } from 'uuid'
import { assignments } from './assignments'
import { audiences } from './audiences'
import { calendar } from './calendar'
import { engagement } from './engagement'
import { events } from './events'
import { exchange } from './exchange'
import { files } from './files'
import { guides } from './guides'
import type { Parts } from './http'
import { inbox } from './inbox'
import { items } from './items'
import { library } from './library'
import { people } from './people'
import { plans } from './plans'
import { players } from './players'
import { quizzes } from './quizzes'
import { sharing } from './sharing'
import { surveys } from './surveys'
import { tasks } from './tasks'

/** The server's own services as the demo company is loaded through them: each domain's part. One that is missing does not compile. */
export const demoServices = (parts: Parts): DemoServices => ({
  newId: parts.newId,
  newEventId: uuidV7,
  ...people.demo(parts),
  ...calendar.demo(parts),
  ...audiences.demo(parts),
  ...library.demo(parts),
  ...guides.demo(parts),
  ...files.demo(parts),
  ...tasks.demo(parts),
  ...quizzes.demo(parts),
  ...assignments.demo(parts),
  ...plans.demo(parts),
  ...players.demo(parts),
  ...events.demo(parts),
  ...inbox.demo(parts),
  ...items.demo(parts),
  ...sharing.demo(parts),
  ...exchange.demo(parts),
  ...engagement.demo(parts),
  ...surveys.demo(parts),
})
