import { randomInt } from 'node:crypto'
import type { Invitation, InvitationTime, LinkKind } from '@jackdaw/contracts/account'
import { mayChangeAccount } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField, said, type Caller } from '../../http'
import { INVITATION, PERSON } from '../model'
import { mailLink } from './accountMail'
import { lookAtToken, redeemToken, voidTokens } from './oneTimeToken'
import { hashPassword, verifyPassword } from './password'
import { endSessions } from './sessions'

type Known = { id: PersonId; name: string; mail: string | null; number: string | null }

/** Refuses a password that whoever knows the person would try first. */
function refuseObvious(password: string, { name, mail, number }: Known, pointer: string): void {
  const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')
  const typed = plain(password)
  const known = [name, mail ?? '', mail?.split('@')[0] ?? '', number ?? ''].map(plain).filter((each) => each.length > 3)
  if (known.includes(typed) || /^(.)\1*$/.test(typed) || /^(password|passwort|12345678)\d*$/.test(typed))
    failField(pointer, 'Others would try this one first. Take several words that have nothing to do with you.')
}

async function setPassword(tx: Db, id: PersonId, password: string, given: boolean): Promise<void> {
  await tx.in(PERSON).update({ passwordHash: await hashPassword(password), passwordGiven: given }, { id })
  await voidTokens(tx, 'new-password', id)
  await voidTokens(tx, 'invitation', id)
}

/** Changes one's own password; other sessions end.
 * @throws `wrong-credentials` when the present one is another */
export async function changePassword(db: Db, id: PersonId, change: { current: string; next: string }, session: string): Promise<void> {
  const person = await db.in(PERSON).one({ id })
  if (!person || !(await verifyPassword(person.passwordHash, change.current)))
    return fail('wrong-credentials', 'This is not your present password.', [
      { pointer: '/body/current', detail: 'Not your present password' },
    ])
  refuseObvious(change.next, person, '/body/next')
  await db.transaction((tx) => setPassword(tx, id, change.next, false))
  await endSessions(db, id, session)
}

/** Sets the first password of somebody who has just begun. */
export async function chooseFirstPassword(tx: Db, id: PersonId, password: string, pointer: string): Promise<void> {
  const person = (await tx.in(PERSON).one({ id })) ?? fail('not-found')
  refuseObvious(password, person, pointer)
  await setPassword(tx, id, password, false)
}

const USED_UP = 'It was used already, was withdrawn, or is too old. Ask for a new one.'
const accountOf = ({ mail, number }: Pick<Known, 'mail' | 'number'>): string => mail ?? number ?? ''

/** Whom a link is for. */
export async function personOfLink(db: Db, kind: LinkKind, token: string, now: number): Promise<{ name: string; account: string }> {
  const id = await lookAtToken(db, kind, token, now)
  const person = id === null ? undefined : await db.in(PERSON).one({ id, active: true })
  if (!person) return fail('link-used-up', USED_UP)
  return { name: person.name, account: accountOf(person) }
}

/** Chooses the password that a link is for; all sessions end. @returns what one signs in with */
export const chooseByLink = (db: Db, kind: LinkKind, token: string, password: string, now: number): Promise<string> =>
  db.transaction(async (tx) => {
    const found = await redeemToken(tx, kind, token, now)
    const person = found ? await tx.in(PERSON).one({ id: found.personId, active: true }) : undefined
    if (!person) return fail('link-used-up', USED_UP)
    refuseObvious(password, person, '/body/password')
    await setPassword(tx, person.id, password, false)
    await endSessions(tx, person.id, null)
    return accountOf(person)
  })

/** Has a link mailed to whoever has this mail address, if anybody has. */
export async function mailForgotten(db: Db, account: string, now: number): Promise<void> {
  const row = await db.one<{ id: PersonId }>(
    'select id from person where active and password_hash is not null and lower(mail) = lower($1)',
    [account],
  )
  if (row) await mailLink(db, 'new-password', row.id, now)
}

/** Somebody whose account may be touched by whoever asks. */
async function touchable(db: Db, id: PersonId, by: Caller): Promise<Known & { active: boolean }> {
  const person = (await db.in(PERSON).one({ id })) ?? fail('not-found')
  if (!mayChangeAccount(by.permissions, person.permissions))
    fail('beyond-own-rights', said('{{name}} may do more than you; ask an admin.', { name: person.name }))
  if (!person.active) fail('not-allowed', 'They have left. Let them return first.')
  return person
}

/** How an invitation stands. */
export async function invitationOf(db: Db, id: PersonId): Promise<Invitation | null> {
  const row = await db.in(INVITATION).one({ personId: id })
  const by = row && (await db.in(PERSON).one({ id: row.byId }, { only: ['id', 'name'] }))
  return row && by ? { sendAt: row.sendAt, sentAt: row.sentAt, withdrawnAt: row.withdrawnAt, by } : null
}

/** Invites somebody. A link that was mailed before ends. */
export const invite = (db: Db, id: PersonId, when: InvitationTime, by: Caller, now: number): Promise<void> =>
  db.transaction(async (tx) => {
    const person = await touchable(tx, id, by)
    if (person.mail === null) fail('no-mail-address', 'Without one they sign in with their number: give them a password.')
    const sendAt = when === 'now' ? now : when === 'not-yet' ? null : when
    await voidTokens(tx, 'invitation', id)
    await tx.in(INVITATION).insertAll([{ personId: id, byId: by.id, createdAt: now, sendAt, sentAt: null, withdrawnAt: null }], {
      inPlaceOf: ['byId', 'createdAt', 'sendAt', 'sentAt', 'withdrawnAt'],
    })
    if (sendAt !== null && sendAt <= now) await mailLink(tx, 'invitation', id, now)
  })

/** Withdraws an invitation. */
export const withdraw = (db: Db, id: PersonId, by: Caller, now: number): Promise<void> =>
  db.transaction(async (tx) => {
    await touchable(tx, id, by)
    await voidTokens(tx, 'invitation', id)
    await tx.in(INVITATION).update({ withdrawnAt: now }, { personId: id })
  })

/** Letters and digits that are not taken for one another when they are read out or written down. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz'
const some = (from: string, count: number): string => Array.from({ length: count }, () => from[randomInt(from.length)]).join('')

/** Gives somebody a password for their next sign-in, in the stead of the one that they had. */
export const give = (db: Db, id: PersonId, by: Caller): Promise<{ password: string; account: string }> =>
  db.transaction(async (tx) => {
    const person = await touchable(tx, id, by)
    const account = person.number ?? person.mail ?? fail('no-account-name', 'Give them a personnel number or a mail address first.')
    const password = `${some(LETTERS, 4)}-${some('23456789', 4)}-${some(LETTERS, 4)}`
    await setPassword(tx, id, password, true)
    await endSessions(tx, id, null)
    return { password, account }
  })
