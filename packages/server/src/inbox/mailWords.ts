import { entrySaid, type EntryKind } from '@jackdaw/core/inbox'
import type { ItemRef } from '@jackdaw/core/items'
import type { Language } from '@jackdaw/core/people'
import { escapeUTF8 } from 'entities'
import type { Mail } from '../mail'
import { textsIn, withDaysWritten } from '../words'

/** What stands in a mail about an entry.
 * @param language of whoever gets it
 * @param links addresses: of the application, and of the page that ends such mails */
export function mailAbout(
  entry: { kind: EntryKind; about: ItemRef; data: unknown },
  company: string,
  language: Language,
  links: { publicUrl: string; stopUrl: string },
): Pick<Mail, 'subject' | 'text' | 'html' | 'stopUrl'> {
  const said = entrySaid(entry.kind, entry.about, entry.data)
  const t = textsIn(language)
  const into = withDaysWritten(language, said.into)
  const [subject, more, act] = [t(said.words, into), t(said.more, into), t(said.act)]
  const [to, choose] = [links.publicUrl + said.to, `${links.publicUrl}/inbox/mails`]
  const from = t('Jackdaw of {{company}}', { company })
  const [stop, chosen] = [t('No more mails of this kind'), t('Choose what comes as mail')]
  const text = `${subject}\n\n${more}\n\n${act}: ${to}\n\n--\n${from}\n${stop}: ${links.stopUrl}\n${chosen}: ${choose}\n`
  const link = (href: string, words: string, style = 'color:#095660') =>
    `<a href="${escapeUTF8(href)}" style="${style}">${escapeUTF8(words)}</a>`
  const html = `<!doctype html><html lang="${language}"><body style="margin:0;background:#f2f4f5;color:#17212b;font:16px/1.5 sans-serif">
<div style="max-width:560px;margin:0 auto;padding:28px;background:#ffffff">
<p style="font-size:19px;font-weight:600;margin:0 0 12px">${escapeUTF8(subject)}</p>
<p style="margin:0 0 20px">${escapeUTF8(more)}</p>
<p style="margin:0 0 28px">${link(to, act, 'display:inline-block;padding:10px 18px;background:#095660;color:#ffffff;text-decoration:none')}</p>
<p style="margin:0;padding-top:14px;border-top:1px solid #d5dbe0;font-size:13px">${escapeUTF8(from)}<br>${link(links.stopUrl, stop)} · ${link(choose, chosen)}</p>
</div></body></html>`
  return { subject, text, html, stopUrl: links.stopUrl }
}
