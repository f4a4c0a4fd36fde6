import i18next from 'i18next'
import { createElement, Fragment } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { afterEach, describe, expect, it } from 'vitest'
import { useTexts, type Texts } from './texts'

/** What a component shows that asks for texts. */
const shown = (words: (t: Texts['t']) => string): string => {
  const Words = () => createElement(Fragment, null, words(useTexts().t))
  return renderToStaticMarkup(createElement(Words))
}
afterEach(async () => {
  await i18next.changeLanguage('en')
})

describe('texts', () => {
  it('are the English that stands where they are used, also with dots and colons in it', () => {
    expect(shown((t) => t('Saved. Next: publish'))).toBe('Saved. Next: publish')
  })
  it('have forms of number', () => {
    expect([0, 1, 2].map((count) => shown((t) => t('{{count}} steps', { count })))).toEqual(['0 steps', '1 step', '2 steps'])
  })
  it('take in values as they are; what looks like HTML stays words on the page', () => {
    expect(shown((t) => t('Step after: {{name}}', { name: '<b>Save</b>' }))).toBe('Step after: &lt;b&gt;Save&lt;/b&gt;')
  })
  it('are those of another language once it is spoken, and what it lacks is English', async () => {
    const say = (t: Texts['t']) => `${t('Save')} / ${t('Publish …')} / ${t('{{count}} steps', { count: 5 })}`
    expect(shown(say)).toBe('Save / Publish … / 5 steps')
    i18next.addResourceBundle('pl', 'translation', { Save: 'Zapisz', '{{count}} steps_many': '{{count}} kroków' })
    await i18next.changeLanguage('pl')
    expect(shown(say)).toBe('Zapisz / Publish … / 5 kroków')
    await i18next.changeLanguage('en')
    expect(shown(say)).toBe('Save / Publish … / 5 steps')
  })
})
