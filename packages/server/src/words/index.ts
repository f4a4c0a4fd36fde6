import { SIGN_NAMES_GERMAN } from '@jackdaw/core/annotations'
import { LANGUAGES, type Language } from '@jackdaw/core/people'
import { LocalDate } from '@jackdaw/core/shared'
import i18next from 'i18next'
import { german } from './german'

/** The words for one. */
const FOR_ONE = {
  'It is a draft with {{count}} steps._one': 'It is a draft with one step.',
  'It is a draft with {{count}} steps. Pictures that are missing: {{missing}}._one':
    'It is a draft with one step. Pictures that are missing: {{missing}}.',
}
const texts = i18next.createInstance()
void texts.init({
  lng: 'en',
  fallbackLng: 'en',
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  resources: { en: { translation: FOR_ONE }, de: { translation: { ...german, ...SIGN_NAMES_GERMAN } } },
})

/** Words of a key in a language, with what is put into their places. */
export type Texts = (key: string, into?: Record<string, unknown>) => string

/** What the server itself says, in mails and in files, in a language. English is its own key. */
export function textsIn(language: Language): Texts {
  const t = texts.getFixedT(language)
  return (key, into = {}) => t(key, into)
}

/** A day written out, as in "Tuesday, 3 November". */
const dayIn = (language: Language, day: LocalDate): string =>
  new Intl.DateTimeFormat(LANGUAGES[language].locale, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  )

/** What is put into words, with its days written out. */
export const withDaysWritten = (language: Language, into: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(into).map(([name, value]) => {
      const day = LocalDate.safeParse(value)
      return [name, day.success ? dayIn(language, day.data) : value]
    }),
  )
