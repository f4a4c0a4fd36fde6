import type { LinkKind } from '@jackdaw/contracts/account'
import type { JobData } from '@jackdaw/core/jobs'
import type { Language } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import { escapeUTF8 } from 'entities'
import type { Db } from '../../db'
import type { Parts } from '../../http'
import { putJob, type Running } from '../../jobs'
import type { Mail } from '../../mail'
import { companyName } from '../../settings'
import { textsIn } from '../../words'
import { INVITATION, PERSON } from '../model'
import { issueToken, voidTokens } from './oneTimeToken'

const HOUR_MS = 3_600_000
/** How long the links hold. */
const LINK_HOLDS_MS: Record<LinkKind, number> = { invitation: 14 * 24 * HOUR_MS, 'new-password': 2 * HOUR_MS }

/** Has a link mailed by which somebody chooses a password. */
export const mailLink = (tx: Db, kind: LinkKind, personId: PersonId, now: number): Promise<unknown> =>
  putJob(tx, 'send-account-mail', { personId, kind, at: now }, `${kind} ${personId} ${now}`)

/** What stands in such a mail. */
function linkMail(
  kind: LinkKind,
  language: Language,
  into: { name: string; by: string; company: string },
  url: string,
): Pick<Mail, 'subject' | 'text' | 'html'> {
  const t = textsIn(language)
  const invited = kind === 'invitation'
  const subject = invited ? t('{{by}} invites you to Jackdaw of {{company}}', into) : t('Choose a new password for Jackdaw', into)
  const more = invited
    ? t('There you find how work is done here, and what you are to read. Choose a password first; the link holds for 14 days.', into)
    : t(
        'Somebody, probably you, has said that you forgot your password. The link holds for two hours. If it was not you, leave this mail alone: your password stays as it is.',
        into,
      )
  const act = t('Choose a password')
  const hello = t('Hello {{name}},', into)
  const text = `${hello}\n\n${more}\n\n${act}: ${url}\n`
  const html = `<!doctype html><html lang="${language}"><body style="margin:0;background:#f2f4f5;color:#17212b;font:16px/1.5 sans-serif">
<div style="max-width:560px;margin:0 auto;padding:28px;background:#ffffff">
<p style="margin:0 0 12px">${escapeUTF8(hello)}</p>
<p style="margin:0 0 20px">${escapeUTF8(more)}</p>
<p style="margin:0"><a href="${escapeUTF8(url)}" style="display:inline-block;padding:10px 18px;background:#095660;color:#ffffff;text-decoration:none">${escapeUTF8(act)}</a></p>
</div></body></html>`
  return { subject, text, html }
}

/** Mails the link, unless it is no longer wanted: withdrawn, sent anew since, or somebody who left. A link that was mailed before ends. */
export async function sendAccountMail(
  parts: Parts,
  { personId, kind, at }: JobData<'send-account-mail'>,
  { now, finish }: Running,
): Promise<void> {
  const { database, mail, config } = parts
  if (!mail) throw new Error('no mail server is named on this server (SMTP_URL)')
  const person = await database.in(PERSON).one({ id: personId, active: true }, { only: ['name', 'mail', 'language'] })
  const invitation = kind === 'invitation' ? await database.in(INVITATION).one({ personId }) : null
  const unwanted =
    kind === 'invitation' && (!invitation || invitation.withdrawnAt !== null || invitation.sendAt === null || invitation.sendAt > now)
  if (!person?.mail || unwanted) return
  const inviter = invitation ? await database.in(PERSON).one({ id: invitation.byId }, { only: ['name'] }) : undefined
  const token = await database.transaction(async (tx) => {
    await voidTokens(tx, kind, personId)
    return issueToken(tx, { purpose: kind, personId, detail: '', expiresAt: now + LINK_HOLDS_MS[kind] })
  })
  const url = `${config.publicUrl}/${kind === 'invitation' ? 'welcome' : 'new-password'}#${token}`
  const company = await companyName(database, config.company)
  const into = { name: person.name, by: inviter?.name ?? company, company }
  await mail({
    id: `${personId}.${kind}.${at}`,
    to: { name: person.name, address: person.mail },
    ...linkMail(kind, person.language, into, url),
  })
  await finish(async (tx) => {
    if (kind === 'invitation') await tx.in(INVITATION).update({ sentAt: now }, { personId, withdrawnAt: null })
  })
}

/** Has those invitations mailed whose time has come. */
export async function sendDueInvitations({ database }: Parts, now: number): Promise<void> {
  const due = await database.rows<{ person_id: PersonId; send_at: Date }>(
    'select person_id, send_at from invitation where sent_at is null and withdrawn_at is null and send_at <= $1',
    [new Date(now)],
  )
  for (const { person_id, send_at } of due) await mailLink(database, 'invitation', person_id, send_at.getTime())
}
