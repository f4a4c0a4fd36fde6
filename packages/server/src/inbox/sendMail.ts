import { itemRefOf } from '@jackdaw/core/items'
import type { JobData } from '@jackdaw/core/jobs'
import type { Parts } from '../http'
import type { Running } from '../jobs'
import { issueToken, PERSON } from '../people'
import { mailChoiceOf } from './mailChoice'
import { mailAbout } from './mailWords'
import { INBOX_ENTRY } from './model'

/** How long the link holds that ends mails of a kind. */
const STOP_HOLDS_MS = 60 * 86_400_000

/** Mails an entry to whom it is for, unless they have seen it, do not want it, or it was told anew since. Stopped between the sending and the
 * end, it is sent once more, under the same id. */
export async function sendMail(
  { database, mail, config }: Parts,
  { entryId, at }: JobData<'send-mail'>,
  { now, finish }: Running,
): Promise<void> {
  // Another server may know by which way mail leaves; with this one nothing is lost.
  if (!mail) throw new Error('no mail server is named on this server (SMTP_URL)')
  const entry = await database.in(INBOX_ENTRY).one({ id: entryId })
  if (!entry || entry.at !== at || entry.readAt !== null || entry.mailedAt !== null) return
  const person = await database.in(PERSON).one({ id: entry.personId, active: true }, { only: ['name', 'mail', 'language'] })
  if (!person || person.mail === null || !(await mailChoiceOf(database, entry.personId))[entry.kind]) return
  const token = await issueToken(database, {
    purpose: 'stop-mails',
    personId: entry.personId,
    detail: entry.kind,
    expiresAt: now + STOP_HOLDS_MS,
  })
  const { publicUrl, company } = config
  const about = itemRefOf(entry.aboutKind, entry.aboutId)
  const words = mailAbout({ kind: entry.kind, about, data: entry.data }, company, person.language, {
    publicUrl,
    stopUrl: `${publicUrl}/stop-mails#${token}`,
  })
  await mail({ id: `${entryId}.${at}`, to: { name: person.name, address: person.mail }, ...words })
  await finish((tx) => tx.in(INBOX_ENTRY).update({ mailedAt: now }, { id: entryId, at }))
}
