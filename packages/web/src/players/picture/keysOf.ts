const MODIFIERS = new Set(['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock'])
/** Keys that move about in this page or lead out of it: they are chosen from the list instead. */
const OWN = new Set(['Tab', 'Escape', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'PageUp', 'PageDown', 'Home', 'End', ' '])

/** What people do with these keys to their browser, not to the page. */
const BROWSER =
  /^(F5|F11|F12|Ctrl\+(Shift\+)?[RLTWNJIPH0+=-]|Ctrl\+Tab|Ctrl\+PageUp|Ctrl\+PageDown|Alt\+(ArrowLeft|ArrowRight|Home|F4)|Meta\+.*)$/

/** Whether keys belong to the browser as long as nobody has put the focus on the picture. */
export const belongToBrowser = (keys: string): boolean => BROWSER.test(keys)

/** The keys of an event in the way in which steps write them, such as `Ctrl+S`.
 * @returns `null` for modifiers alone and for keys that belong to the page */
export function keysOf({
  key,
  ctrlKey,
  altKey,
  shiftKey,
  metaKey,
}: {
  key: string
  ctrlKey: boolean
  altKey: boolean
  shiftKey: boolean
  metaKey: boolean
}): string | null {
  if (MODIFIERS.has(key)) return null
  const modified = ctrlKey || altKey || metaKey
  if (!modified && OWN.has(key)) return null
  const name = key.length === 1 ? key.toUpperCase() : key
  return [ctrlKey && 'Ctrl', altKey && 'Alt', shiftKey && (modified || key.length > 1) && 'Shift', metaKey && 'Meta', name]
    .filter(Boolean)
    .join('+')
}

/** Keys that can be chosen from a list. */
export const LISTED_KEYS = [
  ...['Enter', 'Escape', 'Tab', 'Space', 'Backspace', 'Delete', 'Insert', 'Home', 'End', 'PageUp', 'PageDown'],
  ...['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'],
  ...Array.from({ length: 12 }, (_, n) => `F${n + 1}`),
  ...Array.from({ length: 26 }, (_, n) => String.fromCharCode(65 + n)),
  ...Array.from({ length: 10 }, (_, n) => String(n)),
]
