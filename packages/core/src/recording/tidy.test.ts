import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { linesOf } from './draftFrom'
import type { RawAction } from './rawAction'
import { aPage, anAction, anElement } from './testing'
import { tidy } from './tidy'

const field = anElement('textbox', 'Haulier')
const pallets = anElement('textbox', 'Pallets')
const save = anElement('button', 'Save', { submits: true })
const box = anElement('checkbox', 'Chilled')
const menu = anElement('button', 'More', { opens: 'menu' })
const list = anElement('combobox', 'Herb')
const steps = (...actions: RawAction[]) =>
  linesOf(actions, 'en')
    .slice(1)
    .filter((line) => !line.startsWith('#'))

describe('raw actions', () => {
  it('count once and in order, however often and in whatever order they come', () => {
    const actions = [anAction('click', field), anAction('type', field, { value: 'Two Rivers' }), anAction('click', save)]
    const plain = tidy(actions)
    fc.assert(
      fc.property(fc.shuffledSubarray([...actions, ...actions], { minLength: 6 }), (mixed) => {
        expect(tidy(mixed)).toEqual(plain)
      }),
    )
  })
  it('each stand in exactly one act, or in none', () => {
    const kinds = fc.constantFrom<() => RawAction>(
      () => anAction('click', field),
      () => anAction('click', save),
      () => anAction('click', menu),
      () => anAction('type', field, { value: 'a' }),
      () => anAction('type', pallets, { value: '3' }),
      () => anAction('tick', box, { ticked: true }),
      () => anAction('tick', box, { ticked: false }),
      () => anAction('choose', list, { value: 'Sage' }),
      () => anAction('key', undefined, { key: 'Escape' }),
      () => anAction('double-click', save),
      () => anAction('page', undefined, { opened: 'followed' }),
      () => anAction('back'),
      () => anAction('scroll', undefined, { scrolled: { fromY: 0, toY: 500 } }),
    )
    fc.assert(
      fc.property(fc.array(kinds, { maxLength: 14 }), (made) => {
        const actions = made.map((make) => make())
        const from = tidy(actions).flatMap((act) => act.from)
        expect(new Set(from).size).toBe(from.length)
        const known = new Set(actions.map((action) => action.id))
        expect(from.every((id) => known.has(id))).toBe(true)
      }),
    )
  })
})

describe('typing', () => {
  it('swallows the click into the field and keeps the picture of the click', () => {
    const click = anAction('click', field)
    const [act, ...rest] = tidy([click, anAction('type', field, { value: 'Two Rivers', shot: undefined })])
    expect(rest).toEqual([])
    expect(act).toMatchObject({ verb: 'type', value: 'Two Rivers', action: { shot: click.shot } })
  })
  it('that is corrected later counts with its last value at its first place', () => {
    expect(
      steps(
        anAction('type', field, { value: 'Tow' }),
        anAction('type', pallets, { value: '3' }),
        anAction('type', field, { value: 'Two' }),
      ),
    ).toEqual(['Type `Two` in **Haulier**.', 'Type `3` in **Pallets**.'])
  })
  it('after something was sent is another step', () => {
    expect(steps(anAction('type', field, { value: 'a' }), anAction('click', save), anAction('type', field, { value: 'b' }))).toHaveLength(3)
  })
  it('of a password never tells what was typed', () => {
    expect(steps(anAction('type', anElement('password', 'PIN'), { hidden: 'password' }))).toEqual(['Type the password in **PIN**.'])
  })
  it('ended by Enter swallows the click that the browser makes of it', () => {
    const typed = anAction('type', field, { value: 'a' })
    const enter = anAction('key', field, { key: 'Enter' })
    const made = anAction('click', save, { byKeyboard: true, at: enter.at + 5 })
    expect(steps(typed, enter, made)).toEqual(['Type `a` in **Haulier**.', 'Press `Enter` in **Haulier**.'])
  })
})

describe('what is undone', () => {
  it.each([
    ['a menu opened and closed by Escape', () => [anAction('click', menu), anAction('key', undefined, { key: 'Escape' })]],
    ['a menu closed by its own button', () => [anAction('click', menu), anAction('click', menu)]],
    ['a box ticked and unticked', () => [anAction('tick', box, { ticked: true }), anAction('tick', box, { ticked: false })]],
    ['a way gone and gone back', () => [anAction('click', anElement('link', 'Rules')), anAction('back')]],
    [
      'a dialog left by Escape',
      () => [
        anAction('click', anElement('button', 'Book')),
        anAction('key', anElement('textbox', 'X', { around: [{ kind: 'dialog', name: 'Book' }] }), { key: 'Escape' }),
      ],
    ],
    ['another browser tab looked at', () => [anAction('switch-tab', undefined, { tab: 1 }), anAction('switch-tab')]],
  ])('%s is no step', (_, slip) => {
    const before = anAction('click', save)
    expect(steps(before, ...slip())).toEqual(['Select **Save**.'])
  })
  it('keeps what was really done between opening and closing', () => {
    expect(
      steps(anAction('click', menu), anAction('click', anElement('menuitem', 'Copy')), anAction('key', undefined, { key: 'Escape' })),
    ).toHaveLength(3)
  })
})

describe('lists', () => {
  it('are one step with what was chosen', () => {
    const opener = anElement('button', 'Paper', { opens: 'listbox' })
    expect(steps(anAction('click', opener), anAction('click', anElement('option', 'White 60 mm')))).toEqual([
      'Choose **White 60 mm** in **Paper**.',
    ])
  })
  it('of the browser’s own count with the last choice', () => {
    expect(steps(anAction('choose', list, { value: 'Sage' }), anAction('choose', list, { value: 'Mint' }))).toEqual([
      'Choose **Mint** in **Herb**.',
    ])
  })
  it('do not swallow a box of another name', () => {
    expect(steps(anAction('click', list), anAction('click', save))).toEqual(['Select **Herb**.', 'Select **Save**.'])
  })
})

describe('pages, waits and scrolls', () => {
  it('that come of a click are no step; a typed address is', () => {
    const typed = anAction('page', undefined, { opened: 'typed', at: 1_770_000_000_000 })
    expect(steps(anAction('click', anElement('link', 'Stock')), anAction('page', undefined, { opened: 'followed' }), typed)).toEqual([
      'Open **Stock**.',
      'Open **Order Book**.',
    ])
  })
  it('matter when a page was busy for long, and when the element was out of sight', () => {
    expect(steps(anAction('click', save), anAction('click', field, { waitedMs: 1_800 }))[1]).toBe(
      'Wait until the page is ready. Click into **Haulier**.',
    )
    const scroll = (toY: number) => anAction('scroll', undefined, { scrolled: { fromY: 0, toY } })
    expect(steps(anAction('click', box), scroll(900), anAction('click', save))[1]).toBe('Scroll down. Select **Save**.')
    expect(steps(anAction('click', box), scroll(100), anAction('click', save))[1]).toBe('Select **Save**.')
  })
  it('in another application begin a section', () => {
    const desk = aPage('https://desk.example/leave', { application: 'Staff Desk', heading: 'Ask for leave' })
    const there = (name: string) => anAction('click', anElement('button', name), { page: desk, tab: 1 })
    expect(
      linesOf([anAction('click', save), anAction('switch-tab', undefined, { page: desk, tab: 1 }), there('Send'), there('Done')], 'en'),
    ).toEqual([
      'Done in Staff Desk',
      '# Orders',
      'Select **Save**.',
      '# Ask for leave',
      'Go to the browser tab **Staff Desk**.',
      'Select **Send**.',
      'Select **Done**.',
    ])
  })
})

describe('clicks', () => {
  it('that are doubled are one step', () => {
    expect(steps(anAction('click', save), anAction('click', save), anAction('click', save))).toHaveLength(3)
    const first = anAction('click', save)
    const quick = [first, anAction('click', save, { at: first.at + 150 }), anAction('double-click', save, { at: first.at + 160 })]
    expect(steps(...quick)).toEqual(['Double-click **Save**.'])
  })
  it('into a field count only when nothing else follows', () => {
    expect(steps(anAction('click', field), anAction('click', save))).toEqual(['Select **Save**.'])
    expect(steps(anAction('click', field))).toEqual(['Click into **Haulier**.'])
  })
})
