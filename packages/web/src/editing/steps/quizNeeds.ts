import type { GuideQuiz } from '@jackdaw/core/guides'
import type { Texts } from '../../ui/words/texts'

/** What is needed of a quiz among the steps before it goes on, in words. */
export const needWords = (t: Texts['t']): Record<GuideQuiz['need'], string> => ({
  nothing: t('It goes on in any case'),
  'handed-in': t('It goes on once it is handed in'),
  passed: t('It goes on once it is passed'),
})
