import type { Lack } from '@jackdaw/core/players'
import type { Texts } from '../../ui/words/texts'

/** What a step lacks, in words; empty when it lacks nothing. */
export function lackWords(lacks: readonly Lack[] | undefined, t: Texts['t']): string {
  // Asked for every step at every key: as a rule there is nothing to say.
  if (!lacks || lacks.length === 0) return ''
  const words: Record<Lack, string> = {
    'no-picture': t('no picture'),
    'no-element': t('no element on the picture'),
    'no-accepted-value': t('nothing says which entry is right'),
    'no-words-for-value': t('neither the task nor the step says in Solo what to enter: anything is taken'),
    'no-right-button': t('no button is right'),
    'no-key': t('no key'),
  }
  return lacks.map((lack) => words[lack]).join(', ')
}
