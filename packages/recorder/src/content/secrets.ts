const SECRET_AUTOCOMPLETE = /\b(?:current-password|new-password|one-time-code|cc-csc|cc-number)\b/
const once = new WeakSet<Element>()

/** Whether a field holds what nobody may ever read: a password, also one that was made readable, a one-time code, a card's number. */
export function isSecret(element: Element): boolean {
  if (once.has(element)) return true
  if (!(element instanceof HTMLInputElement)) return false
  const secret =
    element.type === 'password' ||
    SECRET_AUTOCOMPLETE.test(element.autocomplete) ||
    !['', 'none'].includes(getComputedStyle(element).getPropertyValue('-webkit-text-security'))
  if (secret) once.add(element)
  return secret
}
