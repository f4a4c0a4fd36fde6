import { MyReminders } from '../assignments'
import { MailsPage } from '../inbox/MailsPage'

/** What of the inbox comes as mail, and how one is reminded. */
export const MailsHomePage = () => <MailsPage more={<MyReminders />} />
