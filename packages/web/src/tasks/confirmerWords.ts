import type { Confirmer } from '@jackdaw/core/tasks'
import type { Texts } from '../ui/words/texts'

/** Who confirms a task, in words. @param role the name of the role that does */
export const confirmerWords = (t: Texts['t'], { by }: Confirmer, role: string | null): string =>
  ({ manager: t('whoever one reports to'), mentor: t('the mentor'), role: role ?? t('a role that is closed') })[by]
