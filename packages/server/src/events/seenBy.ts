import Bowser from 'bowser'
import type { Request } from 'express'

/** By what somebody told an event: the kind of device, the browser and the language that it asks for, as far as it says. */
export type SeenBy = { device: string | null; browser: string | null; language: string | null }
export const UNSEEN: SeenBy = { device: null, browser: null, language: null }

const DEVICES: Record<string, string> = { desktop: 'computer', mobile: 'phone', tablet: 'tablet' }
const LANGUAGE = /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*/

/** What a request says of it. Only the kind and the name are kept, no version and no model: nobody is to be known by them. */
export function seenBy(req: Request): SeenBy {
  const agent = req.headers['user-agent']?.slice(0, 500)
  const { platform, browser } = agent ? Bowser.parse(agent) : { platform: {}, browser: {} }
  return {
    device: DEVICES[platform.type ?? ''] ?? null,
    browser: browser.name?.slice(0, 60) ?? null,
    language: LANGUAGE.exec(req.headers['accept-language'] ?? '')?.[0].slice(0, 35) ?? null,
  }
}
