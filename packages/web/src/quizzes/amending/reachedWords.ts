import type { Reached } from '@jackdaw/contracts/amendments'
import type { Texts } from '../../ui/words/texts'

/** What an amendment does to results, in words. */
export function reachedWords(t: Texts['t'], { passes, fails, points }: Reached): string {
  if (passes + fails + points === 0) return t('no result changes by it.')
  const parts = [
    passes > 0 && t('{{count}} pass now', { count: passes }),
    fails > 0 && t('{{count}} do not pass any more', { count: fails }),
    points > 0 && t('{{count}} have only other points', { count: points }),
  ]
  return `${parts.filter((part) => part !== false).join(' · ')}.`
}
