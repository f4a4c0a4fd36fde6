import type { GuideKind } from '@jackdaw/core/guides'

/** A kind of guide in words. */
export const kindName = (kind: GuideKind, t: (words: string) => string): string =>
  ({
    'how-to': t('How-to'),
    'work-instruction': t('Work instruction'),
    policy: t('Policy'),
    lesson: t('Lesson'),
    background: t('Background'),
  })[kind]
