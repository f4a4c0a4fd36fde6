import { countInbox } from '@jackdaw/contracts/inbox'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { Op } from 'sequelize'
import { INBOX_ENTRY } from './model'
import { inboxRoutes } from './routes'
import { gatherMails, sendMail } from './sendMail'

/** What people are told, in the application and by mail. Nothing else sends mail. */
export const inbox = {
  routes: inboxRoutes,
  firstReads: { '*': [firstRead(countInbox)] },
  jobs: [job('send-mail', sendMail), job('gather-mails', async (parts, _nothing, { now }) => void (await gatherMails(parts, now)))],
  demo: ({ database }) => ({
    inboxesRead: (until: number) => database.in(INBOX_ENTRY).update({ readAt: until }, { readAt: null, at: { [Op.lte]: until } }),
  }),
} satisfies Domain
