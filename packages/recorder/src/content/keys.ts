const EDITING = new Set(['a', 'c', 'v', 'x', 'z', 'y', 'b', 'i', 'u'])
const MODIFIERS = new Set(['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock', 'Dead', 'Process', 'Unidentified'])

/** Where keys go. */
export type KeyPlace = 'line' | 'lines' | 'pressable' | 'other'

/** Which keys matter, and what they are called; `null` for those that are part of typing or of moving about. */
export function keyThatMatters(event: KeyboardEvent, place: KeyPlace): string | null {
  if (event.repeat || event.isComposing || MODIFIERS.has(event.key)) return null
  const editing = place === 'line' || place === 'lines'
  const command = event.ctrlKey || event.metaKey
  const withModifiers = (key: string) =>
    [event.ctrlKey && 'Ctrl', event.metaKey && 'Meta', event.altKey && 'Alt', event.shiftKey && 'Shift', key].filter(Boolean).join('+')
  if (event.getModifierState('AltGraph')) return null
  if (event.key === 'Enter') {
    if (command) return withModifiers('Enter')
    return place === 'line' || place === 'other' ? withModifiers('Enter') : null
  }
  if (event.key === 'Escape') return 'Escape'
  if (/^F\d{1,2}$/.test(event.key)) return withModifiers(event.key)
  if ((command || event.altKey) && event.key.length === 1)
    return editing && command && !event.altKey && EDITING.has(event.key.toLowerCase()) ? null : withModifiers(event.key.toUpperCase())
  if (event.key === 'Delete' && !editing) return withModifiers('Delete')
  return null
}

/** A single letter or sign pressed by itself, as it stands on its key; `null` for everything else. */
export function letterOf(event: KeyboardEvent): string | null {
  const plain = !event.ctrlKey && !event.metaKey && !event.altKey && !event.getModifierState('AltGraph')
  if (!plain || event.repeat || event.isComposing || [...event.key].length !== 1 || event.key.trim() === '') return null
  return event.key.toUpperCase()
}
