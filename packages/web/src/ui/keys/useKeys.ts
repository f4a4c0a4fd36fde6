import { useEffect, useRef } from 'react'
import { tinykeys } from 'tinykeys'
import { KEY_LIST, type KeyName } from './keyList'

/** What keys do on a page. An act that answers `false` has done nothing: the key goes on to whoever else hears it. */
export type KeyActs = { readonly [K in KeyName]?: (event: KeyboardEvent) => void | boolean }
type Listening = {
  /** Before anything on the page hears the key. */
  first?: boolean
  /** Things on the page that hear the keys themselves while they have the focus. */
  notIn?: string | undefined
}

const TYPING = /^(INPUT|TEXTAREA|SELECT)$/
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || TYPING.test(target.tagName))

/** Hears keys until what it gives back is called. */
function hearKeys(acts: () => KeyActs, names: readonly KeyName[], { first = false, notIn }: Listening = {}): () => void {
  const heard = (name: KeyName) => (event: KeyboardEvent) => {
    const { target } = event
    if (event.defaultPrevented) return
    if (!('whileTyping' in KEY_LIST[name]) && isTyping(target)) return
    if (notIn && target instanceof Element && target.closest(notIn)) return
    if (acts()[name]?.(event) === false) return
    event.preventDefault()
    if (first) event.stopPropagation()
  }
  const bindings = names.flatMap((name) => KEY_LIST[name].keys.map((keys) => [keys, heard(name)] as const))
  return tinykeys(window, Object.fromEntries(bindings), { capture: first })
}

/** Hears keys while a component is on the page. */
export function useKeys(acts: KeyActs, listening: Listening = {}): void {
  const now = useRef(acts)
  now.current = acts
  const names = (Object.keys(acts) as KeyName[]).join(' ')
  const { first = false, notIn = '' } = listening
  useEffect(() => hearKeys(() => now.current, names.split(' ').filter(Boolean) as KeyName[], { first, notIn }), [names, first, notIn])
}
