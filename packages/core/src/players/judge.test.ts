import { describe, expect, it } from 'vitest'
import { elementOf, type Step } from '../guides'
import { doingOf, lacksOf, listedNames, nameOf, namesOf, saysWhatToEnter } from './doing'
import { judge, plainKeys, targetArea, type Act } from './judge'
import { acting, click, elementAt, guideOf, PICTURE, says } from './testing'

const doing = (step: Step) => doingOf(step, guideOf(step))
const at = (step: Step, act: Act, soFar = { placed: false, found: [] as string[] }) => judge(doing(step), act, soFar, 'en', 'en')
const ELSEWHERE = { is: 'wrong', why: 'elsewhere' }

describe('a click', () => {
  const step = acting(says('Save'))
  it('counts on the element and nowhere else, and not in another picture', () => {
    expect(at(step, click('element'))).toEqual({ is: 'right' })
    expect(at(step, click('beside'))).toEqual(ELSEWHERE)
    expect(
      at(step, { ...click('element'), pictureId: elementOf(acting(says('x')))!.pictureId.replace(/./, '_') as typeof PICTURE }),
    ).toEqual(ELSEWHERE)
    expect(at(step, { do: 'enter', entry: 'x' })).toEqual({ is: 'idle' })
  })
  it('has a margin where the element is small on the screen, larger for fingers', () => {
    const box = { x: 100, y: 100, width: 13, height: 13 }
    expect(targetArea(box, 1, 'mouse')).toEqual({ x: 94.5, y: 94.5, width: 24, height: 24 })
    expect(targetArea(box, 0.5, 'touch').width).toBe(88)
    expect(targetArea(box, 0.000_1, 'touch').width).toBe(220)
    expect(targetArea({ x: 0, y: 0, width: 300, height: 200 }, 1, 'touch')).toEqual({ x: 0, y: 0, width: 300, height: 200 })
    expect(at(step, click({ x: 205, y: 120 }))).toEqual(ELSEWHERE)
    expect(at(step, { ...click({ x: 150, y: 95 }), by: 'touch', scale: 0.5 })).toEqual({ is: 'right' })
  })
  it('is half of a double one, and the other button is another act', () => {
    const double = acting(says('Open'), 'double-click')
    expect(at(double, click('element'))).toEqual({ is: 'part' })
    expect(at(double, click('element', 'double'))).toEqual({ is: 'right' })
    expect(at(step, click('element', 'double'))).toEqual({ is: 'right' })
    expect(at(step, click('element', 'right'))).toEqual(ELSEWHERE)
    expect(at(acting(says('Menu'), 'right-click'), click('element', 'right'))).toEqual({ is: 'right' })
    expect(at(acting(says('Menu'), 'right-click'), click('element'))).toEqual(ELSEWHERE)
  })
  it('hits the field as well when it is on its label, or on the words beside a tick box', () => {
    const labelled = acting(says('Type'), 'type', { value: '6' })
    labelled.action!.element!.labels = [{ x: 20, y: 100, width: 60, height: 20 }]
    expect(at(labelled, click({ x: 40, y: 110 }))).toEqual({ is: 'part', placed: true })
    const box = acting(says('Tick'), 'tick', { name: 'Deliver on Saturdays' })
    Object.assign(box.action!.element!, { role: 'checkbox', rect: { x: 100, y: 100, width: 16, height: 16 } })
    expect(at(box, click({ x: 240, y: 108 }))).toEqual({ is: 'right' })
    expect(at(box, click({ x: 240, y: 160 }))).toEqual(ELSEWHERE)
    expect(at(box, click({ x: 400, y: 108 }))).toEqual(ELSEWHERE)
  })
  it('can be chosen from the list instead', () => {
    expect(at(step, { do: 'pick', name: 'Save', how: 'once' })).toEqual({ is: 'right' })
    expect(at(step, { do: 'pick', name: 'Cancel', how: 'once' })).toEqual(ELSEWHERE)
    expect(nameOf(elementAt(0, 0, ' '))).toBe('button (50, 20)')
  })
})

describe('the list for whoever does not point', () => {
  const [save, other] = [acting(says('Save')), acting(says('Print'), 'select', { name: 'Print' })]
  const guide = guideOf(save, other)
  const doing = doingOf(save, guide)
  it('holds what the picture shows, so that it does not tell which is right', () => {
    const shown = ['Orders', 'Cancel', 'Save', '14.2', 'Customers', 'A long sentence that explains what all of this is about, at length']
    expect(listedNames(guide, doing, shown)).toEqual(['Cancel', 'Customers', 'Orders', 'Save'])
  })
  it('holds the elements of the whole guide where nobody knows what is shown', () => {
    expect(listedNames(guide, doing, [])).toEqual(['Print', 'Save'])
  })
})

describe('an entry', () => {
  const step = acting(says('Type'), 'type', { value: '6' })
  it('needs the right field first', () => {
    expect(at(step, { do: 'enter', entry: '6' })).toEqual({ is: 'idle' })
    expect(at(step, click('element'))).toEqual({ is: 'part', placed: true })
    expect(at(step, click('beside'))).toEqual(ELSEWHERE)
    expect(at(step, { do: 'enter', entry: '6' }, { placed: true, found: [] })).toEqual({ is: 'right', entry: '6' })
    expect(at(step, { do: 'enter', entry: '7' }, { placed: true, found: [] })).toEqual({ is: 'wrong', why: 'not-accepted' })
  })
  it('is taken as it comes in a test that does not say what to enter', () => {
    const guide = guideOf(step)
    expect(doingOf(step, guide, true)).toMatchObject({ accept: { how: 'anything' } })
    const told = { ...guide, solo: { ...guide.solo, task: 'Six crates: 6.' } }
    expect(doingOf(step, told, true)).toMatchObject({ accept: { how: 'same', value: '6' } })
    expect(lacksOf(step, guide, true)).toEqual(['no-words-for-value'])
    expect(lacksOf(step, told, true)).toEqual([])
    expect(saysWhatToEnter(step, told.solo, { how: 'anything' })).toBe(true)
  })
  it('is chosen from a list when the author names further entries', () => {
    const choose = { ...acting(says('Choose'), 'choose', { value: 'Thyme' }), exercise: { options: ['Basil', 'Mint'] } }
    expect(doing(choose)).toMatchObject({ options: ['Basil', 'Mint', 'Thyme'] })
    expect(doing(acting(says('Choose'), 'choose', { value: 'Thyme' }))).toMatchObject({ options: null })
  })
})

describe('dragging, keys, several elements and pop-ups', () => {
  const pointed = { pictureId: PICTURE, by: 'mouse' as const, scale: 1 }
  it('takes the right thing to the right place, by hand or by name', () => {
    const step = acting(says('Drag'), 'drag', { name: 'Crate' })
    expect(at(step, { do: 'drag', ...pointed, from: { x: 150, y: 120 }, to: { x: 650, y: 420 } })).toEqual({ is: 'right' })
    expect(at(step, { do: 'drag', ...pointed, from: { x: 150, y: 120 }, to: { x: 10, y: 10 } })).toEqual(ELSEWHERE)
    expect(at(step, { do: 'pick', name: 'Crate', how: 'once', onto: 'Bin' })).toEqual({ is: 'right' })
    expect(at(step, { do: 'pick', name: 'Bin', how: 'once', onto: 'Crate' })).toEqual(ELSEWHERE)
    expect(at(step, click('element'))).toEqual({ is: 'part' })
    expect(namesOf(guideOf(step))).toEqual(['Bin', 'Crate'])
  })
  it('knows keys in any way of writing', () => {
    expect(plainKeys('Shift+Control+S')).toBe('ctrl+shift+s')
    expect(plainKeys('Esc')).toBe('escape')
    expect(plainKeys('Ctrl++')).toBe('ctrl++')
    const step = acting(says('Press'), 'press', { key: 'Ctrl+S' })
    expect(at(step, { do: 'keys', keys: 'Control+s' })).toEqual({ is: 'right' })
    expect(at(step, { do: 'keys', keys: 's' })).toEqual({ is: 'wrong', why: 'other-keys' })
    expect(at(step, click('element'))).toEqual(ELSEWHERE)
  })
  it('takes several elements in any order, each once', () => {
    const elements = [
      { id: 'first-1', element: elementAt(100, 100, 'Tue') },
      { id: 'second-2', element: elementAt(300, 300, 'Fri') },
    ]
    const step: Step = { ...says('Tick both'), pictures: [{ id: PICTURE, alt: '' }], exercise: { task: { kind: 'several', elements } } }
    expect(at(step, click({ x: 350, y: 320 }))).toEqual({ is: 'part', found: 'second-2' })
    expect(at(step, click({ x: 350, y: 320 }), { placed: false, found: ['second-2'] })).toEqual({ is: 'part' })
    expect(at(step, click('element'), { placed: false, found: ['second-2'] })).toEqual({ is: 'right' })
    expect(at(step, click('beside'))).toEqual(ELSEWHERE)
  })
  it('waits for the right button of a pop-up', () => {
    const buttons = [
      { id: 'keep-it', words: 'Keep', right: true },
      { id: 'drop-it', words: 'Discard', right: false },
    ]
    const step: Step = { ...says('Keep it'), exercise: { task: { kind: 'pop-up', title: 'Changes', words: 'Keep them?', buttons } } }
    expect(at(step, { do: 'press', buttonId: 'keep-it' })).toEqual({ is: 'right' })
    expect(at(step, { do: 'press', buttonId: 'drop-it' })).toEqual({ is: 'wrong', why: 'other-button' })
    expect(at(step, { do: 'press', buttonId: 'made-up' })).toEqual({ is: 'idle' })
    expect(at(step, click('element'))).toEqual({ is: 'idle' })
  })
})

describe('a step that lacks something', () => {
  it('is read instead, and says what is missing', () => {
    const bare = { ...acting(says('Save')), pictures: [] }
    expect(doing(bare)).toEqual({ kind: 'nothing' })
    expect(lacksOf(bare, guideOf(bare), false)).toEqual(['no-picture'])
    const cropped = { ...acting(says('Save')), pictures: [{ id: PICTURE, alt: '', shown: { x: 500, y: 0, width: 100, height: 100 } }] }
    expect(doing(cropped)).toEqual({ kind: 'nothing' })
    expect(lacksOf(cropped, guideOf(cropped), false)).toEqual(['no-element'])
    expect(lacksOf(acting(says('Type'), 'type'), guideOf(), false)).toEqual(['no-accepted-value'])
    expect(lacksOf(acting(says('Press'), 'press'), guideOf(), false)).toEqual(['no-key'])
    expect(lacksOf(acting(says('Open'), 'open'), guideOf(), true)).toEqual([])
    expect(lacksOf(says('Only words'), guideOf(), true)).toEqual([])
    expect(at(says('Only words'), { do: 'go-on' })).toEqual({ is: 'right' })
  })
})
