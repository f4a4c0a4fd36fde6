import * as z from 'zod/mini'
import { localTimeAt } from '../shared'
import { EntryKind } from './entries'

const Hour = z.int().check(z.minimum(0), z.maximum(23))
/** When mail about what somebody is told may leave, and which kinds nobody can switch off. Nothing leaves from `quietFrom` to `quietUntil`, hours of
 * the clock where the person works, over midnight where the first is later; never quiet where they are the same. */
export const MailRules = z.object({
  quietFrom: Hour,
  quietUntil: Hour,
  least: z.array(EntryKind).check(z.maxLength(50)),
})
/** Read by {@link MailRules}. */
export type MailRules = z.infer<typeof MailRules>
/** What holds until a company says otherwise: no mail after work, and who is late is told so. */
export const USUAL_MAIL_RULES: MailRules = { quietFrom: 18, quietUntil: 7, least: ['late'] }

/** Whether mail has to wait at an instant. @param at epoch milliseconds, UTC; @param zone where the person works */
export function isQuiet(at: number, zone: string, { quietFrom, quietUntil }: Pick<MailRules, 'quietFrom' | 'quietUntil'>): boolean {
  const hour = Number(localTimeAt(at, zone).slice(11, 13))
  return quietFrom <= quietUntil ? hour >= quietFrom && hour < quietUntil : hour >= quietFrom || hour < quietUntil
}
