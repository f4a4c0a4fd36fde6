import { ENTRIES, type EntryKind } from '@jackdaw/core/inbox'
import { entriesOf, keysOf, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { readMailRules } from './mailRules'
import { MAIL_CHOICE } from './model'

/** Which kinds of entries somebody gets as mail too: as chosen, or as is usual; those that the company asks for in any case. */
export async function mailChoiceOf(db: Db, personId: PersonId): Promise<Record<EntryKind, boolean>> {
  const chosen = new Map((await db.in(MAIL_CHOICE).find({ personId })).map((row) => [row.kind, row.mail]))
  const { least } = await readMailRules(db)
  return Object.fromEntries(
    keysOf(ENTRIES).map((kind) => [kind, least.includes(kind) || (chosen.get(kind) ?? ENTRIES[kind].mail)]),
  ) as Record<EntryKind, boolean>
}

/** Writes down which kinds somebody wants as mail, and which not. */
export const choose = (db: Db, personId: PersonId, kinds: { [K in EntryKind]?: boolean | undefined }): Promise<void> =>
  db.in(MAIL_CHOICE).insertAll(
    entriesOf(kinds).map(([kind, mail]) => ({ personId, kind, mail })),
    { inPlaceOf: ['mail'] },
  )
