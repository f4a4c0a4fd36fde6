import i18next, { type TFunction } from 'i18next'
import { useSyncExternalStore } from 'react'
import { english } from './english'

/** English is written where it is used and is its own key; other languages are added as resources. */
void i18next.init({
  lng: 'en',
  fallbackLng: 'en',
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  resources: { en: { translation: english } },
})

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
