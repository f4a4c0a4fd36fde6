import type { Beginning } from '@jackdaw/core/quizzes'
import { momentOf } from '../ui'
import type { Texts } from '../ui/words/texts'

/** Why no attempt can be begun now, in words; `null` when one can. */
export function whyNot(t: Texts['t'], begins: Beginning): string | null {
  if (begins.may) return null
  switch (begins.reason) {
    case 'not-open-yet':
      return t('It opens {{moment}}.', { moment: momentOf(begins.at) })
    case 'too-soon':
      return t('The next attempt can be begun {{moment}}.', { moment: momentOf(begins.at) })
    case 'closed':
      return t('It is closed.')
    case 'none-left':
      return t('All attempts have been made. Whoever you report to, or the author, can allow another one.')
    case 'waits':
      return t('Your last attempt still waits to be judged by a person.')
  }
}
