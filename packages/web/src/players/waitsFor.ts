import { END, indexOf } from '@jackdaw/core/flow'
import { choicesAt, isClosed, isWaiting, type Play, type PlayerState } from '@jackdaw/core/players'
import type { Texts } from '../ui/words/texts'

/** What keeps somebody from going on by key, in words, and the selector of what to press; `null` when nothing does. */
export function waitsFor(play: Play, state: PlayerState, t: Texts['t']): { words: string; press: string } | null {
  if (state.at === END) return null
  if (isWaiting(play, state, state.at)) return { words: t('First say that you have read the caution.'), press: '[data-caution] button' }
  if (isClosed(play, state, state.at) && play.script.steps[indexOf(play.script, state.at)]?.quiz)
    return { words: t('First the quiz: going on depends on it.'), press: '[data-quiz-on]' }
  if (isClosed(play, state, state.at)) return { words: t('First confirm this step.'), press: '[data-onward]' }
  if (choicesAt(play, state)) return { words: t('First choose how it goes on.'), press: '[data-ways] button' }
  return null
}

/** Brings what is waited for into sight and puts the focus on it; but not on what says that a caution was read: the next key must not say so. */
export function showWaitedFor(press: string): void {
  const button = document.querySelector<HTMLElement>(press)
  button?.scrollIntoView({ block: 'center' })
  if (!button?.closest('[data-caution]')) button?.focus({ preventScroll: true })
}
