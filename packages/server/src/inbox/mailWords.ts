import { entrySaid, type AboutRef, type EntryKind } from '@jackdaw/core/inbox'
import type { Language } from '@jackdaw/core/people'
import { escapeUTF8 } from 'entities'
import type { Mail } from '../mail'
import { textsIn, withDaysWritten } from '../words'

type Told = { kind: EntryKind; about: AboutRef; data: unknown }
/** Addresses: of the application, and of the page that ends such mails. */
type Links = { publicUrl: string; stopUrl: string }
type Paragraph = { what: string; more: string; act: string; to: string }

/** What stands in a mail about what somebody is told: one entry, or all of a day.
 * @param language of whoever gets it */
export function mailOf(
  entries: readonly Told[],
  company: string,
  language: Language,
  { publicUrl, stopUrl }: Links,
): Pick<Mail, 'subject' | 'text' | 'html' | 'stopUrl'> {
  const t = textsIn(language)
  const paragraphs = entries.map((entry): Paragraph => {
    const said = entrySaid(entry.kind, entry.about, entry.data)
    const into = withDaysWritten(language, said.into)
    return { what: t(said.words, into), more: t(said.more, into), act: t(said.act), to: publicUrl + said.to }
  })
  const single = paragraphs.length === 1
  const subject = single ? paragraphs[0]!.what : t('{{count}} things for you in Jackdaw', { count: paragraphs.length })
  const from = t('Jackdaw of {{company}}', { company })
  const ends: End[] = [
    { words: single ? t('No more mails of this kind') : t('No more of these mails'), to: stopUrl },
    { words: t('Choose what comes as mail'), to: `${publicUrl}/inbox/mails` },
  ]
  const said = paragraphs.map(
    ({ what, more, act, to }) => `${single ? '' : '– '}${what}\n${single ? '\n' : '  '}${more}\n${single ? '\n' : '  '}${act}: ${to}\n`,
  )
  const text = `${single ? '' : `${subject}\n\n`}${said.join('\n')}\n--\n${from}\n${ends.map(({ words, to }) => `${words}: ${to}`).join('\n')}\n`
  return { subject, text, html: htmlOf({ language, subject, single, paragraphs, from, ends }), stopUrl }
}

type End = { words: string; to: string }
const link = (href: string, words: string, style = 'color:#095660') =>
  `<a href="${escapeUTF8(href)}" style="${style}">${escapeUTF8(words)}</a>`

type Page = { language: Language; subject: string; single: boolean; paragraphs: readonly Paragraph[]; from: string; ends: readonly End[] }
function htmlOf({ language, subject, single, paragraphs, from, ends }: Page): string {
  const entries = paragraphs.map(
    ({ what, more, act, to }) =>
      `${single ? '' : `<p style="font-weight:600;margin:0 0 4px">${escapeUTF8(what)}</p>\n`}<p style="margin:0 0 ${single ? 20 : 8}px">${escapeUTF8(more)}</p>
<p style="margin:0 0 28px">${single ? link(to, act, 'display:inline-block;padding:10px 18px;background:#095660;color:#ffffff;text-decoration:none') : link(to, act)}</p>`,
  )
  return `<!doctype html><html lang="${language}"><body style="margin:0;background:#f2f4f5;color:#17212b;font:16px/1.5 sans-serif">
<div style="max-width:560px;margin:0 auto;padding:28px;background:#ffffff">
<p style="font-size:19px;font-weight:600;margin:0 0 ${single ? 12 : 20}px">${escapeUTF8(subject)}</p>
${entries.join('\n')}
<p style="margin:0;padding-top:14px;border-top:1px solid #d5dbe0;font-size:13px">${escapeUTF8(from)}<br>${ends.map(({ to, words }) => link(to, words)).join(' · ')}</p>
</div></body></html>`
}
