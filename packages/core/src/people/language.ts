import * as z from 'zod/mini'

/** A language in which the pages speak to a person, BCP 47. */
export const Language = z.enum(['en', 'de'])
/** Read by {@link Language}. */
export type Language = z.infer<typeof Language>

/** All that is to be known of a language: what it calls itself, and how days and numbers are written in it (BCP 47). */
export const LANGUAGES: Record<Language, { name: string; locale: string }> = {
  en: { name: 'English', locale: 'en-GB' },
  de: { name: 'Deutsch', locale: 'de-DE' },
}

/** Whether the pages speak what is written as a language. */
export const isLanguage = (text: string): text is Language => Object.hasOwn(LANGUAGES, text)

/** The first language of somebody's that the pages speak; English where there is none.
 * @param wished languages in the order in which somebody wants them, BCP 47 */
export const languageFor = (wished: readonly string[]): Language => {
  for (const each of wished) {
    const found = each.toLowerCase().split('-')[0] ?? ''
    if (isLanguage(found)) return found
  }
  return 'en'
}
