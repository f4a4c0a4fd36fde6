import { createHash, randomBytes, timingSafeEqual } from 'node:crypto'
import type { SetUp } from '@jackdaw/contracts/beginning'
import type { Db } from '../db'
import { findLook, writeLook } from '../guides'
import { fail, type Parts } from '../http'
import { found, isEmpty } from '../people'
import { dropSetting, readSetting, saveCompanyFacts, writeSetting } from '../settings'

const KEY = 'set-up'
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Makes the link by which a company is set up, once, by whoever has it; one that was made before ends.
 * @returns `null` where somebody is here already */
export async function offerSetUp({ database, config }: Parts): Promise<string | null> {
  if (!(await isEmpty(database))) return null
  const token = randomBytes(24).toString('base64url')
  await writeSetting(database, KEY, { hash: hashOf(token) })
  return `${config.publicUrl}/set-up#${token}`
}

/** Refuses a token that does not hold. */
export async function checkSetUp(db: Db, token: string): Promise<void> {
  const kept = await readSetting<{ hash: string }>(db, KEY)
  if (!kept || !timingSafeEqual(Buffer.from(kept.hash), Buffer.from(hashOf(token))) || !(await isEmpty(db)))
    fail('link-used-up', 'It was used already, or the server was started again since: the link that it printed last holds.')
}

/** Sets a company up. */
export const setUp = ({ database, ...rest }: Parts, { token, company, look, site, admin }: SetUp, now: number): Promise<void> =>
  database.transaction(async (tx) => {
    await checkSetUp(tx, token)
    const began = await found(tx, { database, ...rest }, { site, admin: { ...admin, mail: admin.mail.toLowerCase() } }, now)
    if (!began) fail('link-used-up', 'Somebody has set the company up already. Sign in.')
    await writeLook(tx, { ...(await findLook(tx)), ...look, name: company.name })
    await saveCompanyFacts(tx, { ...company, begun: false })
    await dropSetting(tx, KEY)
  })
