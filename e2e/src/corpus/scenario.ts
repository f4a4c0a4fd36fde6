import type { SentenceLanguage } from '@jackdaw/core/recording'
import type { Page } from 'puppeteer-core'
import type { Hand } from '../hand'

/** What a scenario may need beside the hand. */
export type Bench = { book: string; pages: string; other: string; newTab: (address: string) => Promise<Page> }

/** Work that is recorded for the corpus, and the draft that an author would want from it: the title, then headings and steps, written down
 * before the rules are run. `aside`: not looked at while the rules are worked on. */
export type Scenario = {
  name: string
  aside?: true
  language?: SentenceLanguage
  /** Path in the Order Book, or the name of a page. */
  at: string
  want: string[]
  /** Done before the recording begins. */
  before?: (bench: Bench) => Promise<void>
  work: (hand: Hand, bench: Bench) => Promise<void>
}
