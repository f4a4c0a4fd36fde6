import { FRESH_PAGES } from './freshPages'
import { HANDED_PAGES } from './handedPages'
import { LAYERED_PAGES } from './layeredPages'
import type { Scenario } from './scenario'

/** Pages that were made after the rules had been written. */
export const FURTHER_PAGES: Scenario[] = [...HANDED_PAGES, ...LAYERED_PAGES, ...FRESH_PAGES]
