/** Where keys do something. */
export type KeyPlace = 'everywhere' | 'reading' | 'players' | 'writing' | 'annotating'
/** A thing that keys do. `keys`: what is pressed, each in a way of its own (`$mod` is Ctrl, on a Mac ⌘); `words`: what it does.
 * `whileTyping`: also while somebody types into a field. */
type KeyRule = { place: KeyPlace; keys: readonly string[]; words: string; whileTyping?: true }

/** Every key that the pages hear, as it is heard and as the page of keys lists it. Those of the text are heard by its editor. */
export const KEY_LIST = {
  find: { place: 'everywhere', keys: ['/', 'Shift+/'], words: 'Find a guide' },
  keys: { place: 'everywhere', keys: ['?', 'Shift+?'], words: 'Show this page' },
  next: { place: 'reading', keys: ['ArrowRight', 'PageDown'], words: 'Next step' },
  back: { place: 'reading', keys: ['ArrowLeft', 'PageUp'], words: 'Step before' },
  favourite: { place: 'reading', keys: ['f'], words: 'Mark as a favourite, or not any more' },
  copyLink: { place: 'reading', keys: ['c'], words: 'Copy the link to where you are; also in the editor' },
  pause: { place: 'players', keys: ['Space'], words: 'In Watch: pause and play' },
  leave: { place: 'players', keys: ['Escape'], words: 'Close what is open; then ask whether to leave', whileTyping: true },
  undo: { place: 'writing', keys: ['$mod+z'], words: 'Undo', whileTyping: true },
  redo: { place: 'writing', keys: ['$mod+y', '$mod+Shift+z'], words: 'Do again what was undone', whileTyping: true },
  bold: { place: 'writing', keys: ['$mod+b'], words: 'Bold', whileTyping: true },
  italic: { place: 'writing', keys: ['$mod+i'], words: 'Italic', whileTyping: true },
  keyCap: { place: 'writing', keys: ['$mod+Shift+k'], words: 'Key cap', whileTyping: true },
  code: { place: 'writing', keys: ['$mod+e'], words: 'Code', whileTyping: true },
  move: {
    place: 'annotating',
    keys: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
    words: 'Move what is selected by 1 px, with Shift by 10',
  },
  remove: { place: 'annotating', keys: ['Delete', 'Backspace'], words: 'Remove what is selected' },
  done: { place: 'annotating', keys: ['Escape'], words: 'Put the tool back; then close the picture' },
} as const satisfies Record<string, KeyRule>
/** The name of a thing that keys do. */
export type KeyName = keyof typeof KEY_LIST

const SHOWN: Record<string, string> = {
  $mod: 'Ctrl',
  ArrowRight: '→',
  ArrowLeft: '←',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageDown: 'Page Down',
  PageUp: 'Page Up',
  Escape: 'Esc',
}
/** Keys as they are written on them, the one pressed last at the end. Of a sign that some keyboards have on another key only the sign. */
export const keysShown = (keys: string): string[] => {
  const parts = keys.split('+')
  const last = parts.at(-1) ?? ''
  const held = /^[/?]$/.test(last) ? [] : parts.slice(0, -1)
  return [...held, last].map((part) => SHOWN[part] ?? (part.length === 1 ? part.toUpperCase() : part))
}
