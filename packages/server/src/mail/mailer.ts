import { createTransport } from 'nodemailer'
import type { Config } from '../config'

/** A mail to one person, as text and as HTML that says the same. `id`: the same for the same mail, so that whoever takes it in knows it when
 * it comes twice. `stopUrl`: where mails of its kind are ended, if that can be. */
export type Mail = { id: string; to: { name: string; address: string }; subject: string; text: string; html: string; stopUrl?: string }
/** Hands a mail to the server by which mail leaves. */
export type Mailer = (mail: Mail) => Promise<void>

const WAIT_MS = 15_000

/** By what mail leaves; `null` where the configuration names no server. */
export function mailer({ smtpUrl, mailFrom, publicUrl }: Pick<Config, 'smtpUrl' | 'mailFrom' | 'publicUrl'>): Mailer | null {
  if (smtpUrl === '') return null
  const transport = createTransport({
    url: smtpUrl,
    connectionTimeout: WAIT_MS,
    greetingTimeout: WAIT_MS,
    socketTimeout: WAIT_MS,
    disableFileAccess: true,
    disableUrlAccess: true,
  })
  return async ({ id, to, stopUrl, ...mail }) =>
    void (await transport.sendMail({
      ...mail,
      from: mailFrom,
      to,
      messageId: `<${id}@${new URL(publicUrl).hostname}>`,
      headers: { ...(stopUrl ? { 'List-Unsubscribe': `<${stopUrl}>` } : {}), 'Auto-Submitted': 'auto-generated' },
    }))
}
