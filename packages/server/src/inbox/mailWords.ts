import { entrySaid, type EntryKind } from '@jackdaw/core/inbox'
import type { ItemRef } from '@jackdaw/core/items'
import { LocalDate } from '@jackdaw/core/shared'
import { escapeUTF8 } from 'entities'
import i18next from 'i18next'
import type { Mail } from '../mail'

/** The words for one. */
const FOR_ONE = {
  'It is a draft with {{count}} steps._one': 'It is a draft with one step.',
  'It is a draft with {{count}} steps. Pictures that are missing: {{missing}}._one':
    'It is a draft with one step. Pictures that are missing: {{missing}}.',
}
const texts = i18next.createInstance()
void texts.init({
  lng: 'en',
  fallbackLng: 'en',
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  resources: { en: { translation: FOR_ONE } },
})
const t = (key: string, into: Record<string, unknown> = {}): string => texts.t(key, into)

const asDay = (day: LocalDate): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`))
/** Days as people write them. */
const written = (into: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(into).map(([name, value]) => {
      const day = LocalDate.safeParse(value)
      return [name, day.success ? asDay(day.data) : value]
    }),
  )

/** What stands in a mail about an entry.
 * @param links addresses: of the application, and of the page that ends such mails */
export function mailAbout(
  entry: { kind: EntryKind; about: ItemRef; data: unknown },
  company: string,
  links: { publicUrl: string; stopUrl: string },
): Pick<Mail, 'subject' | 'text' | 'html' | 'stopUrl'> {
  const said = entrySaid(entry.kind, entry.about, entry.data)
  const into = written(said.into)
  const [subject, more, act] = [t(said.words, into), t(said.more, into), t(said.act)]
  const [to, choose] = [links.publicUrl + said.to, `${links.publicUrl}/inbox/mails`]
  const from = t('Jackdaw of {{company}}', { company })
  const [stop, chosen] = [t('No more mails of this kind'), t('Choose what comes as mail')]
  const text = `${subject}\n\n${more}\n\n${act}: ${to}\n\n--\n${from}\n${stop}: ${links.stopUrl}\n${chosen}: ${choose}\n`
  const link = (href: string, words: string, style = 'color:#095660') =>
    `<a href="${escapeUTF8(href)}" style="${style}">${escapeUTF8(words)}</a>`
  const html = `<!doctype html><html lang="en"><body style="margin:0;background:#f2f4f5;color:#17212b;font:16px/1.5 sans-serif">
<div style="max-width:560px;margin:0 auto;padding:28px;background:#ffffff">
<p style="font-size:19px;font-weight:600;margin:0 0 12px">${escapeUTF8(subject)}</p>
<p style="margin:0 0 20px">${escapeUTF8(more)}</p>
<p style="margin:0 0 28px">${link(to, act, 'display:inline-block;padding:10px 18px;background:#095660;color:#ffffff;text-decoration:none')}</p>
<p style="margin:0;padding-top:14px;border-top:1px solid #d5dbe0;font-size:13px">${escapeUTF8(from)}<br>${link(links.stopUrl, stop)} · ${link(choose, chosen)}</p>
</div></body></html>`
  return { subject, text, html, stopUrl: links.stopUrl }
}
