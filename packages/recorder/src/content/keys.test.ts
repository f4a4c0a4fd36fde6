import { describe, expect, it } from 'vitest'
import { keyThatMatters, type KeyPlace } from './keys'

const event = (
  key: string,
  more: Partial<Record<'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey' | 'repeat' | 'isComposing' | 'altGraph', boolean>> = {},
) =>
  ({
    key,
    ctrlKey: false,
    metaKey: false,
    altKey: false,
    shiftKey: false,
    repeat: false,
    isComposing: false,
    ...more,
    getModifierState: () => more.altGraph ?? false,
  }) as unknown as KeyboardEvent

describe('a key', () => {
  it.each<[string, KeyboardEvent, KeyPlace, string | null]>([
    ['Enter in a line of text', event('Enter'), 'line', 'Enter'],
    ['Enter in a text of several lines', event('Enter'), 'lines', null],
    ['Ctrl and Enter there', event('Enter', { ctrlKey: true }), 'lines', 'Ctrl+Enter'],
    ['Enter on a button, which is a click', event('Enter'), 'pressable', null],
    ['Escape', event('Escape'), 'line', 'Escape'],
    ['a letter', event('a'), 'line', null],
    ['copying in a field', event('c', { ctrlKey: true }), 'line', null],
    ['copying elsewhere', event('c', { ctrlKey: true }), 'other', 'Ctrl+C'],
    ['saving in a field', event('s', { ctrlKey: true }), 'lines', 'Ctrl+S'],
    ['a shortcut with three keys', event('p', { ctrlKey: true, shiftKey: true }), 'other', 'Ctrl+Shift+P'],
    ['a function key', event('F4'), 'line', 'F4'],
    ['Delete on a card', event('Delete'), 'pressable', 'Delete'],
    ['Delete in a field', event('Delete'), 'line', null],
    ['a held key', event('Escape', { repeat: true }), 'other', null],
    ['a sign made with AltGr', event('@', { ctrlKey: true, altKey: true, altGraph: true }), 'line', null],
    ['a key in the middle of an input method', event('Enter', { isComposing: true }), 'line', null],
    ['a modifier alone', event('Shift', { shiftKey: true }), 'other', null],
    ['Tab', event('Tab'), 'line', null],
  ])('%s', (_, pressed, place, wanted) => {
    expect(keyThatMatters(pressed, place)).toBe(wanted)
  })
})
