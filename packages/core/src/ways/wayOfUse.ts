import { keysOf } from '../shared'
/** How a guide is played in a way. All else is common to all of them: cautions, above all, are shown and acknowledged in every way. */
export type Policy = {
  /** Steps are confirmed before going on, where the author asks for it. */
  confirms: boolean
  /** The person does what the step asks for. */
  acts: boolean
  /** A wrong act gets a hint. */
  hints: boolean
  /** After as many tries as the author allows, a step counts as failed. */
  triesRunOut: boolean
  /** What "Show me" does: the step is done for the person, or it is left out and counts as not done. */
  showMe: 'shows' | 'leaves-out'
  /** Any step that is open may be gone to. */
  jumps: boolean
  /** It may also be read as one page: then what is on screen is where one is, and counts as read after a while. */
  scrolls: boolean
  /** Goes on by itself. */
  plays: boolean
  /** Which quizzes among the steps are met: all, those that must be settled before it goes on, or none. */
  quizzes: 'all' | 'needed' | 'none'
}

/** What the rest of the code needs to know of a way of use. */
export type WayOfUse = {
  /** What it is called, in English; other languages translate this word. */
  name: string
  policy: Policy
  /** What a guide must have to be used so: words, or a step with something to do on its pictures. */
  needs: 'words' | 'something-to-do'
  /** What a step must have at which something is done: nothing, what can be pointed at, or also what is taken as right. */
  stepNeeds: 'nothing' | 'a-place' | 'a-right-entry'
  /** Whether right answers stay with whoever judges: then words and labels that would tell are not sent. */
  judged: boolean
  /** Who tells what happens: the browser, which the server vouches for where it can, or the server itself. */
  toldBy: 'browser' | 'server'
  /** Where it is written down how far somebody is: with what is counted of the reading, as a play, or as an attempt. */
  keptAs: 'reading' | 'play' | 'attempt'
  /** What is counted: that steps were read; how often it was begun and finished; or also how the steps went. */
  counts: 'reading' | 'uses' | 'steps'
  /** Which of their two wordings labels on pictures show. */
  labels: 'read' | 'practise'
}

/** The ways of use, as data, in the order in which they are offered: a way that is added has to say all of it here. */
export const WAYS = {
  read: {
    name: 'Read',
    policy: {
      confirms: true,
      acts: false,
      hints: false,
      triesRunOut: false,
      showMe: 'shows',
      jumps: true,
      scrolls: true,
      plays: false,
      quizzes: 'all',
    },
    needs: 'words',
    stepNeeds: 'nothing',
    judged: false,
    toldBy: 'browser',
    keptAs: 'reading',
    counts: 'reading',
    labels: 'read',
  },
  watch: {
    name: 'Watch',
    policy: {
      confirms: false,
      acts: false,
      hints: false,
      triesRunOut: false,
      showMe: 'shows',
      jumps: true,
      scrolls: false,
      plays: true,
      quizzes: 'needed',
    },
    needs: 'something-to-do',
    // What is not known to be right is just not typed.
    stepNeeds: 'a-place',
    judged: false,
    toldBy: 'browser',
    keptAs: 'play',
    counts: 'uses',
    labels: 'read',
  },
  practise: {
    name: 'Practise',
    policy: {
      confirms: false,
      acts: true,
      hints: true,
      triesRunOut: false,
      showMe: 'shows',
      jumps: true,
      scrolls: false,
      plays: false,
      quizzes: 'needed',
    },
    needs: 'something-to-do',
    stepNeeds: 'a-right-entry',
    judged: false,
    toldBy: 'browser',
    keptAs: 'play',
    counts: 'steps',
    labels: 'practise',
  },
  solo: {
    name: 'Solo',
    policy: {
      confirms: false,
      acts: true,
      hints: false,
      triesRunOut: true,
      showMe: 'leaves-out',
      jumps: false,
      scrolls: false,
      plays: false,
      quizzes: 'none',
    },
    needs: 'something-to-do',
    stepNeeds: 'a-right-entry',
    judged: true,
    toldBy: 'server',
    keptAs: 'attempt',
    counts: 'steps',
    labels: 'read',
  },
} as const satisfies Record<string, WayOfUse>
/** A way in which a guide is used. */
export type Way = keyof typeof WAYS

/** The ways of which something holds, as a type. */
export type WayWhere<K extends keyof WayOfUse, V> = { [W in Way]: (typeof WAYS)[W][K] extends V ? W : never }[Way]
const ALL = keysOf(WAYS)
/** The ways of which something holds, in the order in which they are offered. */
export const waysWhere = <K extends keyof WayOfUse, V extends WayOfUse[K]>(key: K, ...values: V[]): WayWhere<K, V>[] =>
  ALL.filter((way): way is WayWhere<K, V> => (values as WayOfUse[K][]).includes(WAYS[way][key]))
/** All ways, in the order in which they are offered. */
export const ALL_WAYS: readonly Way[] = ALL
/** How a guide is played in a way. */
export const policyOf = (way: Way): Policy => WAYS[way].policy
