import { expect, it } from 'vitest'
import { languageFor } from './language'

it('takes the first language that is spoken, whatever country it is from, and English otherwise', () => {
  expect(languageFor(['pl', 'de-AT', 'en'])).toBe('de')
  expect(languageFor(['EN-us', 'de'])).toBe('en')
  expect(languageFor(['pl', 'dex'])).toBe('en')
})
