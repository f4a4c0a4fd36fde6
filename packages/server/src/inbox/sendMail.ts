import { aboutRefOf, isQuiet } from '@jackdaw/core/inbox'
import type { JobData } from '@jackdaw/core/jobs'
import type { Language } from '@jackdaw/core/people'
import { localDateAt, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts } from '../http'
import { putJobs, type Running } from '../jobs'
import { issueToken } from '../people'
import { readMailRules } from './mailRules'
import { mailOf } from './mailWords'
import { DAY_MAIL, INBOX_ENTRY } from './model'
import { mayBeMailed, peopleToMail, unmailedFor } from './unmailed'

/** How long the link holds that ends mails of a kind. */
const STOP_HOLDS_MS = 60 * 86_400_000

type ToMail = { name: string; mail: string; language: Language; zone: string }

/** Mails somebody all that they are told and have not seen, if they want it: one mail a day, outside of the quiet hours. While it may not leave, nothing is
 * done; it is found again later. Stopped between the sending and the end, it is sent once more, under the same id. */
export async function sendMail(parts: Parts, { personId }: JobData<'send-mail'>, { now, finish }: Running): Promise<void> {
  // Another server may know by which way mail leaves; with this one nothing is lost.
  if (!parts.mail) throw new Error('no mail server is named on this server (SMTP_URL)')
  await finish(async (tx) => {
    await tx.rows(`select pg_advisory_xact_lock(hashtextextended('day-mail ' || $1, 0))`, [personId])
    const person = await tx.one<ToMail>(
      `select p.name, p.mail, p.language, s.zone from person p join people_group s on s.id = p.site_id
       where p.id = $1 and p.active and p.mail is not null and ${mayBeMailed('$2')}`,
      [personId, new Date(now)],
    )
    if (person) await mailAll(tx, parts, personId, person, now)
  })
}

async function mailAll(tx: Db, { mail, config }: Parts, personId: PersonId, person: ToMail, now: number): Promise<void> {
  const rules = await readMailRules(tx)
  if (isQuiet(now, person.zone, rules)) return
  const entries = await unmailedFor(tx, personId, rules, now)
  const [first] = entries
  if (!first) return
  const day = localDateAt(now, person.zone)
  const detail = entries.length === 1 ? first.kind : 'all'
  const token = await issueToken(tx, { purpose: 'stop-mails', personId, detail, expiresAt: now + STOP_HOLDS_MS })
  const { publicUrl, company } = config
  const told = entries.map((entry) => ({ kind: entry.kind, about: aboutRefOf(entry.about_kind, entry.about_id), data: entry.data }))
  const words = mailOf(told, company, person.language, { publicUrl, stopUrl: `${publicUrl}/stop-mails#${token}` })
  await mail!({ id: `${personId}.${day}`, to: { name: person.name, address: person.mail }, ...words })
  await tx.in(INBOX_ENTRY).update({ mailedAt: now }, { id: entries.map(({ id }) => id) })
  await tx.in(DAY_MAIL).insert({ personId, day, sentAt: now, entries: entries.length })
}

/** Has those mailed for whom a mail of the day is due: who was told something some time ago, has not seen it, and has had no mail today. */
export async function gatherMails({ database, mail, config }: Parts, now: number): Promise<number> {
  if (!mail) return 0
  const rules = await readMailRules(database)
  const people = await peopleToMail(database, rules, now - config.mailGatherS * 1_000, now)
  const due = people.filter(({ zone }) => !isQuiet(now, zone, rules))
  await putJobs(
    database,
    'send-mail',
    due.map(({ id: personId, zone }) => ({ data: { personId }, key: `${personId} ${localDateAt(now, zone)}` })),
  )
  return due.length
}
