import { keysOf } from '../shared'
import type { Way } from '../ways'

/** What every kind of item declares: all that Today, records, assignments and rights have to know of it. */
export type KindOfItem = {
  /** What one is called, in English; other languages translate this word. */
  name: string
  /** Where it is opened. @param id as it stands in an address */
  path: (id: string) => string
  /** The ways of use whose events say how far somebody is. None: it is not used in any way, and the server tells what happens with it. */
  ways: readonly Way[]
  /** Whether "finished" is the word of whoever used it, or must also have been judged as passed. */
  done: 'finished' | 'passed'
  /** Whether what is only claimed closes an item for somebody, unless the item says otherwise. What is judged is never only claimed. */
  claimSuffices: boolean
}

/** The kinds of items that can be given to people: one that is added says all of it here. */
export const ITEM_KINDS = {
  guide: {
    name: 'guide',
    path: (id) => `/guides/${id}`,
    ways: ['read'],
    done: 'finished',
    claimSuffices: true,
  },
  task: { name: 'task', path: (id) => `/tasks/${id}`, ways: [], done: 'finished', claimSuffices: false },
  quiz: { name: 'quiz', path: (id) => `/quizzes/${id}`, ways: [], done: 'passed', claimSuffices: false },
} as const satisfies Record<string, KindOfItem>
/** A kind of item. */
export type ItemKind = keyof typeof ITEM_KINDS
/** All kinds of items. */
export const ALL_ITEM_KINDS: readonly ItemKind[] = keysOf(ITEM_KINDS)
