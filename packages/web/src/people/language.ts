import { isLanguage, languageFor, type Language } from '@jackdaw/core/people'
import { changeMe, type Me } from '@jackdaw/contracts/people'
import { call, queryClient } from '../api'
import { speak } from '../ui/words/texts'
import { meQuery } from './session'

const KEPT = 'jackdaw-language'

/** What was spoken here before. In frames of other sites browsers may keep nothing. */
function kept(): string {
  try {
    return localStorage.getItem(KEPT) ?? ''
  } catch {
    return ''
  }
}
/** Speaks as this browser did last, or as it is set, until it is known who reads. */
export function speakAsBefore(): Promise<void> {
  const before = kept()
  return speak(isLanguage(before) ? before : languageFor(navigator.languages))
}
/** Speaks a language, and does so the next time too. */
export function speakFromNow(language: Language): Promise<void> {
  try {
    localStorage.setItem(KEPT, language)
  } catch {
    // It is spoken now all the same.
  }
  return speak(language)
}
/** Sets the language of whoever is signed in. */
export async function setMyLanguage(language: Language): Promise<void> {
  await call(changeMe, { body: { language } })
  queryClient.setQueryData<Me | null>(meQuery.queryKey, (me) => me && { ...me, language })
  await speakFromNow(language)
}
