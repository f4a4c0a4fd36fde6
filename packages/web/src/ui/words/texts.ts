import type { Language } from '@jackdaw/core/people'
import i18next, { type TFunction } from 'i18next'
import { useSyncExternalStore } from 'react'
import { english } from './english'
import { writeIn } from './format'

/** English is written where it is used and is its own key; other languages are added as resources. */
void i18next.init({
  lng: 'en',
  fallbackLng: 'en',
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  resources: { en: { translation: english } },
})

/** The words of each language; they are loaded when somebody speaks it. */
const WORDS: Record<Exclude<Language, 'en'>, () => Promise<Record<string, string>>> = {
  de: async () => (await import('./german')).german,
}
let wished: Language = 'en'

/** Speaks a language from now on. Without a network it goes on in the one before. */
export async function speak(language: Language): Promise<void> {
  wished = language
  if (language !== 'en' && !i18next.hasResourceBundle(language, 'translation'))
    try {
      i18next.addResourceBundle(language, 'translation', await WORDS[language]())
    } catch {
      // The words could not be fetched: the page goes on in the language that it has.
      return
    }
  if (wished !== language || i18next.language === language) return
  writeIn(language)
  if (typeof document !== 'undefined') document.documentElement.lang = language
  await i18next.changeLanguage(language)
}
/** The language that is spoken, or is about to be. */
export const spoken = (): Language => wished

/** Whether the language that is spoken has words for a key. */
export const isKnown = (key: string): boolean => i18next.exists(key)

/** Words in the language of the person. `t`: of a key, with what is to be put into it. */
export type Texts = { t: TFunction }

/** Texts of the language that is spoken now. Words into which nothing is put are looked up once: a long guide asks for thousands. */
function textsNow(): Texts {
  const plain = new Map<string, string>()
  const t = (key: string, into?: Record<string, unknown>): string => {
    if (into) return i18next.t(key, into)
    const known = plain.get(key)
    if (known !== undefined) return known
    const words = i18next.t(key)
    plain.set(key, words)
    return words
  }
  return { t: t as TFunction }
}

let texts = textsNow()
const listeners = new Set<() => void>()
i18next.on('languageChanged', () => {
  texts = textsNow()
  for (const listener of listeners) listener()
})
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
const now = (): Texts => texts

/** Texts for what is drawn; drawn anew when the language changes. */
export const useTexts = (): Texts => useSyncExternalStore(subscribe, now, now)
