import type { SharingRules } from '@jackdaw/contracts/sharing'
import { frameOrigin } from '@jackdaw/core/sharing'
import type { Db } from '../db'
import { fail, said } from '../http'
import { readSetting, writeSetting } from '../settings'

const KEY = 'sharing'
const NOTHING: SharingRules = { anyone: false, frames: [] }

/** What the company allows; what was never said is not allowed. */
export const sharingRules = async (db: Db): Promise<SharingRules> => ({
  ...NOTHING,
  ...(await readSetting<Partial<SharingRules>>(db, KEY)),
})

/** Says what the company allows. Sites are kept by their origins. */
export async function saveSharingRules(db: Db, { anyone, frames }: SharingRules): Promise<SharingRules> {
  const origins = frames.map(
    (text, n) =>
      frameOrigin(text) ??
      fail(
        'invalid',
        said('“{{text}}” is not the address of a site: write it as https://wiki.example.org.', { text: text.slice(0, 100) }),
        [{ pointer: `/body/frames/${n}`, detail: 'Not the address of a site' }],
      ),
  )
  const rules = { anyone, frames: [...new Set(origins)] }
  await writeSetting(db, KEY, rules)
  return rules
}
