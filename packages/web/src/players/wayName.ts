import { WAYS, type Way } from '@jackdaw/core/ways'
import type { Texts } from '../ui/words/texts'

/** A way of using a guide, as it is called. */
export const wayName = (way: Way, t: Texts['t']): string => t(WAYS[way].name)
