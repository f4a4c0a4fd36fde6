import { readGuideLink } from './guideLink'

const SAFE_LINK = /^(https?:\/\/|mailto:|tel:)/i
/** Whether an address may be put behind a link: guides of this Jackdaw, web, mail and telephone only. */
export const isSafeLink = (href: string): boolean => (SAFE_LINK.test(href.trim()) || readGuideLink(href) !== null) && href.length <= 4_000
