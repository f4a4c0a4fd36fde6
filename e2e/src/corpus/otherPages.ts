import { PLAIN_PAGES } from './plainPages'
import { RICH_PAGES } from './richPages'
import type { Scenario } from './scenario'

/** Work in pages that are not the Order Book. */
export const OTHER_PAGES: Scenario[] = [...PLAIN_PAGES, ...RICH_PAGES]
