import type { Way } from '@jackdaw/core/players'
import type { useTranslation } from 'react-i18next'

/** A way of using a guide, as it is called. */
export const wayName = (way: Way, t: ReturnType<typeof useTranslation>['t']): string =>
  ({ read: t('Read'), watch: t('Watch'), practise: t('Practise'), solo: t('Solo') })[way]
