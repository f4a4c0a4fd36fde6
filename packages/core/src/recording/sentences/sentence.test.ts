import { describe, expect, it } from 'vitest'
import { Verb } from '../../guides'
import { Doubt } from '../../guides'
import { draftFrom, linesOf } from '../draftFrom'
import { nameOf } from '../nameOf'
import { PLACES, placeOf } from '../place'
import { SentenceLanguage, type RawAction } from '../rawAction'
import { anAction, anElement } from '../testing'
import { seededIds } from '../../shared'
import { PHRASES } from './sentence'

const only = (action: RawAction, language: SentenceLanguage = 'en') => linesOf([action], language)[1]

describe('the phrases', () => {
  const slots = (template: string) => [...template.matchAll(/\{(\w+)\}/g)].map((match) => match[1]).sort()
  it.each(SentenceLanguage.options)('in %s say every verb with the same slots as in English, and end as sentences do', (language) => {
    const { templates } = PHRASES[language]
    expect(Object.keys(templates).sort()).toEqual(Object.keys(PHRASES.en.templates).sort())
    for (const [key, template] of Object.entries(templates)) {
      expect([key, slots(template)]).toEqual([key, slots(PHRASES.en.templates[key]!)])
      expect(template).toMatch(/\.$/)
    }
    for (const verb of Verb.options) expect(templates[verb]).toBeTypeOf('string')
    for (const place of PLACES) expect(PHRASES[language].places[place]).not.toBe('')
  })
})

describe('a sentence', () => {
  it.each([
    ['en', 'Type `3` in **Pallets**.'],
    ['pl', 'Wpisz `3` w polu **Pallets**.'],
    ['es', 'Escriba `3` en **Pallets**.'],
    ['de', 'Geben Sie in **Pallets** `3` ein.'],
  ] as const)('is written in %s', (language, sentence) => {
    expect(only(anAction('type', anElement('textbox', 'Pallets'), { value: '3' }), language)).toBe(sentence)
  })
  it.each([
    [
      'an icon by its place',
      anElement('button', '', { rect: { x: 1_200, y: 10, width: 30, height: 30 } }),
      'Select the icon at the top right.',
    ],
    ['a thing by what stands next to it', anElement('button', '', { nearby: 'Vents' }), 'Select the button next to **Vents**.'],
    ['a name made for programs by its place', anElement('button', 'btn_save_01'), 'Select the button at the top left.'],
    ['visible text where there is no name', anElement('button', '', { text: 'Go on' }), 'Select **Go on**.'],
    ['a name without its star and colon', anElement('button', 'Customer: *'), 'Select **Customer**.'],
    ['a name without how many there are', anElement('tab', 'Packed (12)'), 'Go to the tab **Packed**.'],
  ])('names %s', (_, element, sentence) => {
    expect(only(anAction('click', element))).toBe(sentence)
  })
  it('never shows a selector', () => {
    for (const name of ['#save', '.btn-primary', 'div > button', '${label}', 'icon.svg', 'user_name_field', 'btnSubmit2', '{{ t.save }}'])
      expect([name, nameOf(anElement('button', name)).words]).toEqual([name, ''])
  })
  it('tells one of several by its row, when the row tells it', () => {
    const locators = (unique: boolean) => [
      { kind: 'role-name' as const, value: 'button "Edit"', weight: 0.85, unique: false },
      { kind: 'role-name-context' as const, value: 'button "Edit" in "Tray 3"', weight: 0.9, unique },
    ]
    const around = [{ kind: 'row' as const, name: 'Tray 3' }]
    expect(only(anAction('click', anElement('button', 'Edit', { around, locators: locators(true) })))).toBe(
      'Select **Edit** in the row **Tray 3**.',
    )
    expect(only(anAction('click', anElement('button', 'Edit', { around, locators: locators(false) })))).toBe('Select **Edit**.')
  })
  it('says what kind of text was hidden', () => {
    expect(only(anAction('type', anElement('textbox', 'To'), { hidden: 'mail' }))).toBe('Type the mail address in **To**.')
    expect(only(anAction('choose', anElement('combobox', 'Who'), { hidden: 'person' }))).toBe('Choose an entry in **Who**.')
  })
  it('shows keys as they stand on the keyboard', () => {
    expect(only(anAction('key', undefined, { key: 'Ctrl+Shift+Enter' }), 'de')).toBe('Drücken Sie `Strg`+`Umschalt`+`Eingabe`.')
  })
})

describe('a place', () => {
  it('is one of nine, also outside of the window', () => {
    const at = (x: number, y: number) => placeOf({ x, y, width: 0, height: 0 }, { width: 900, height: 600 })
    expect([at(0, 0), at(450, 300), at(899, 599), at(-50, 900), at(5_000, 250)]).toEqual([
      'top-left',
      'middle',
      'bottom-right',
      'bottom-left',
      'right',
    ])
  })
})

describe('how sure a step is', () => {
  const newId = seededIds(4)
  const draft = (action: RawAction) =>
    draftFrom([action], { language: 'en', newId, storedShot: (id) => ({ id: id as never, widthPx: 2560, heightPx: 1600 }) })
  const step = (action: RawAction) => {
    const [item] = draft(action).items
    if (item?.kind !== 'step') throw new Error('no step')
    return item
  }
  it('is not marked when nothing is in doubt, and the frame is in pixels of the picture', () => {
    const sure = step(anAction('click', anElement('button', 'Save')))
    expect(sure.check).toBeUndefined()
    expect(sure.action?.element).toMatchObject({ rect: { x: 200, y: 200, width: 240, height: 64 }, of: { widthPx: 2560, heightPx: 1600 } })
    expect(sure.pictures[0]?.alt).toBe('The screen before this step; framed: Save')
  })
  const shot = anAction('click').shot!
  it.each([
    ['no-name', anAction('click', anElement('button', ''))],
    ['odd-name', anAction('click', anElement('button', 'btn_1'))],
    ['long-name', anAction('click', anElement('button', 'Say it all '.repeat(12)))],
    ['hidden-name', anAction('click', anElement('link', 'Write to …', { hid: ['mail'] }))],
    ['plain-area', anAction('click', anElement('generic', 'Card', { tag: 'div' }))],
    ['drawn-area', anAction('click', anElement('img', 'Plan', { tag: 'canvas' }))],
    ['vanished', anAction('click', anElement('button', 'Save'), { vanished: true })],
    ['picture-uncertain', anAction('click', anElement('button', 'Save'), { shot: { ...shot, certain: false } })],
    ['no-picture', anAction('click', anElement('button', 'Save'), { shot: undefined })],
    [
      'repeated-name',
      anAction('click', anElement('button', 'Edit', { locators: [{ kind: 'role-name', value: 'x', weight: 0.85, unique: false }] })),
    ],
  ] satisfies [Doubt, RawAction][])('tells of %s', (doubt, action) => {
    expect(step(action).check?.doubts).toEqual([doubt])
    expect(step(action).check!.sureness).toBeLessThan(0.9)
  })
  it('knows every doubt', () => {
    expect(Doubt.options).toHaveLength(10)
  })
})
