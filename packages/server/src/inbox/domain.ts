import { countInbox } from '@jackdaw/contracts/inbox'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { Op } from 'sequelize'
import { INBOX_ENTRY } from './model'
import { inboxRoutes } from './routes'
import { sendMail } from './sendMail'

/** What people are told, in the application and by mail. Nothing else sends mail. */
export const inbox = {
  routes: inboxRoutes,
  firstReads: { '*': [firstRead(countInbox)] },
  jobs: [job('send-mail', sendMail)],
  demo: ({ database }) => ({
    inboxesRead: (until: number) => database.in(INBOX_ENTRY).update({ readAt: until }, { readAt: null, at: { [Op.lte]: until } }),
  }),
} satisfies Domain
