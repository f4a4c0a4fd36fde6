import * as z from 'zod/mini'

/** Which entries are shown. */
export const InboxPart = z.enum(['all', 'unread', 'open'])
/** Read by {@link InboxPart}. */
export type InboxPart = z.infer<typeof InboxPart>
