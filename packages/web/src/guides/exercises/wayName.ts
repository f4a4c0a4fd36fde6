import type { Way } from '@jackdaw/core/players'
import type { Texts } from '../../ui/texts'

/** A way of using a guide, as it is called. */
export const wayName = (way: Way, t: Texts['t']): string =>
  ({ read: t('Read'), watch: t('Watch'), practise: t('Practise'), solo: t('Solo') })[way]
