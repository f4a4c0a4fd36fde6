import type { GuideDocument } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'

const keyOf = (id: GuideId): string => `jackdaw-tried ${id}`

/** Hands a draft, saved or not, to the same preview in a phone's width: a frame of this tab.
 * @returns whether the browser had room for it; else the frame shows what is saved */
export function handTried(id: GuideId, document: GuideDocument): boolean {
  try {
    sessionStorage.setItem(keyOf(id), JSON.stringify(document))
    return true
  } catch {
    sessionStorage.removeItem(keyOf(id))
    return false
  }
}

/** The draft that was handed over, if any. */
export function takeTried(id: GuideId): GuideDocument | null {
  const text = sessionStorage.getItem(keyOf(id))
  return text === null ? null : JSON.parse(text)
}
