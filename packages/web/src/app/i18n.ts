import i18next from 'i18next'
import { initReactI18next } from 'react-i18next'
import { english } from './english'

/** English is written where it is used and is its own key; other languages are added as resources. */
void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  resources: { en: { translation: english } },
})

export { i18next }
