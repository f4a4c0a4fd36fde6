import { isInteractive } from './locators'
import { above, elementAt, shadowOf, upTo } from './shadows'

/** Whether an element looks as if it could be pressed, although it does not say so. */
function looksPressable(element: Element): boolean {
  if (element.hasAttribute('onclick') || (element.hasAttribute('tabindex') && element.getAttribute('tabindex') !== '-1')) return true
  return getComputedStyle(element).cursor === 'pointer' && element !== document.body && element !== document.documentElement
}

/** The outermost of the elements around that have the hand as pointer, as long as they are small. */
function pressable(element: Element): Element | null {
  let found: Element | null = null
  for (let each: Element | null = element; each; each = above(each)) {
    if (!looksPressable(each)) {
      if (found) break
      continue
    }
    const { width, height } = each.getBoundingClientRect()
    if (width * height > innerWidth * innerHeight * 0.25) break
    found = each
    if (each.hasAttribute('onclick') || each.hasAttribute('tabindex')) break
  }
  return found
}

/** What was really hit, also inside of shadow roots that are closed to the page. */
export function innermost(event: Event): Element | null {
  const [first] = event.composedPath()
  let element = first instanceof Element ? first : first instanceof Node ? first.parentElement : null
  if (!element || !shadowOf(element) || element.shadowRoot) return element
  const byKey = event.type === 'click' && event instanceof MouseEvent && event.detail === 0
  if (event instanceof MouseEvent && !byKey) return elementAt(event.clientX, event.clientY) ?? element
  // Keys go to what has the focus.
  for (let inner = shadowOf(element)?.activeElement; inner; inner = shadowOf(inner)?.activeElement) element = inner
  return element
}

/** The element that somebody means who presses there: the button around an icon, the field of a label. */
export function meant(element: Element): Element {
  const interactive = upTo(
    element,
    (each) => isInteractive(each) || each instanceof HTMLLabelElement || each instanceof HTMLOptionElement,
    12,
  )
  if (interactive instanceof HTMLLabelElement) return interactive.control ?? interactive
  if (interactive instanceof HTMLOptionElement) return interactive.closest('select') ?? interactive
  if (interactive) return interactive
  const cell = upTo(element, (each) => each.matches('[role="gridcell"], [role="row"][aria-selected], th[aria-sort], canvas'), 6)
  return cell ?? pressable(element) ?? element
}
