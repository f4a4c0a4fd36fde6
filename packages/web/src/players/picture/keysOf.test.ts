import { plainKeys } from '@jackdaw/core/players'
import { describe, expect, it } from 'vitest'
import { belongToBrowser, keysOf, LISTED_KEYS } from './keysOf'

const NONE = { ctrlKey: false, altKey: false, shiftKey: false, metaKey: false }

describe('the keys of an event', () => {
  it.each([
    [{ key: 's', ctrlKey: true }, 'Ctrl+S'],
    [{ key: 'S', ctrlKey: true, shiftKey: true }, 'Ctrl+Shift+S'],
    [{ key: 'F2' }, 'F2'],
    [{ key: 'Enter', altKey: true }, 'Alt+Enter'],
    [{ key: 'F10', shiftKey: true }, 'Shift+F10'],
    [{ key: 'A', shiftKey: true }, 'A'],
    [{ key: 'ArrowDown', ctrlKey: true }, 'Ctrl+ArrowDown'],
  ])('are written as steps write them: %o', (event, keys) => expect(keysOf({ ...NONE, ...event })).toBe(keys))

  it.each(['Control', 'Shift', 'Tab', 'Escape', 'ArrowLeft', ' '])('are none where they belong to the page: %s', (key) =>
    expect(keysOf({ ...NONE, key })).toBeNull(),
  )

  it('leave the browser its own', () => {
    for (const keys of ['F5', 'Ctrl+R', 'Ctrl+Shift+R', 'Ctrl+W', 'Alt+ArrowLeft', 'Meta+Q']) expect(belongToBrowser(keys)).toBe(true)
    for (const keys of ['Enter', 'F2', 'Ctrl+S', 'Ctrl+Enter', 'Ctrl+Shift+S', 'A', 'Delete']) expect(belongToBrowser(keys)).toBe(false)
  })

  it('that can be chosen from the list are each another one', () => {
    expect(new Set(LISTED_KEYS.map(plainKeys)).size).toBe(LISTED_KEYS.length)
  })
})
