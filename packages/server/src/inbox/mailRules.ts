import { MailRules, USUAL_MAIL_RULES } from '@jackdaw/core/inbox'
import type { Db } from '../db'
import { readSetting, writeSetting } from '../settings'

const KEY = 'mail-rules'
/** When mail may leave, and what nobody can switch off. What was written down before a kind was there still holds. */
export async function readMailRules(db: Db): Promise<MailRules> {
  const { data } = MailRules.safeParse(await readSetting(db, KEY))
  return data ?? USUAL_MAIL_RULES
}
export const writeMailRules = (db: Db, rules: MailRules): Promise<void> => writeSetting(db, KEY, rules)
