import type { LinkAsks } from '@jackdaw/core/sharing'
import type { Texts } from '../ui/words/texts'

/** What a link asks a guest for. */
export function asksName(asks: LinkAsks, t: Texts['t']): string {
  const names: Record<LinkAsks, string> = { session: t('Session number'), job: t('Job number'), vehicle: t('Vehicle number') }
  return names[asks]
}
