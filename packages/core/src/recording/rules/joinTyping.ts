import { nth } from '../../shared'
import { commits, sameElement, type Draft } from '../act'

const ENTERS = new Set(['type', 'clear', 'choose', 'set', 'tick', 'untick', 'upload'])
const enters = (draft: Draft): boolean => ENTERS.has(draft.verb)
const isTick = (draft: Draft): boolean => draft.verb === 'tick' || draft.verb === 'untick'
const sameRadioGroup = (a: Draft, b: Draft): boolean =>
  a.element?.role === 'radio' && b.element?.role === 'radio' && groupOf(a) !== '' && groupOf(a) === groupOf(b)
const groupOf = (draft: Draft): string => draft.element?.locators.find((locator) => locator.kind === 'name-attribute')?.value ?? ''

/** Rule 4: what is entered in a field more than once before it is sent counts once, at its first place and with its last value. A box that
 * is ticked and unticked again was a slip. A click into a field in which nothing is entered then is kept only where nothing else was. */
export function joinTyping(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  for (const draft of drafts) {
    const found = enters(draft) ? earlierEntry(kept, draft) : -1
    // Letters that were typed to find what is then chosen belong to the choice.
    const at = draft.action.kind === 'choose' && draft.action.byKeyboard && kept[found]?.verb === 'type' ? -1 : found
    if (at < 0) {
      kept.push(draft)
      continue
    }
    const earlier = nth(kept, at)
    if (isTick(draft) && isTick(earlier) && !sameRadioGroup(earlier, draft)) {
      if (earlier.verb !== draft.verb) kept.splice(at, 1)
      continue
    }
    const sameField = sameElement(earlier.element, draft.element)
    kept[at] = sameField
      ? { ...earlier, verb: draft.verb, value: draft.value, hidden: draft.hidden, list: draft.list, from: [...earlier.from, ...draft.from] }
      : { ...draft, from: [...earlier.from, ...draft.from] }
  }
  return dropIdleFocus(kept)
}

/** Where the same field was entered before, nothing having been sent since; -1 when nowhere. */
function earlierEntry(kept: readonly Draft[], draft: Draft): number {
  for (let i = kept.length - 1; i >= 0; i--) {
    const each = nth(kept, i)
    if (commits(each)) return -1
    if (each.action.tab !== draft.action.tab) return -1
    if (enters(each) && (sameElement(each.element, draft.element) || sameRadioGroup(each, draft))) return i
  }
  return -1
}

const TEXT_FIELDS = new Set(['textbox', 'searchbox', 'spinbutton', 'password'])
const onlyFocuses = ({ action, verb, element }: Draft): boolean =>
  action.kind === 'click' && verb === 'select' && TEXT_FIELDS.has(element?.role ?? '')

/** A click into a text field does nothing by itself; it matters when it is the last thing done, or when a key is pressed there. */
const dropIdleFocus = (drafts: readonly Draft[]): Draft[] =>
  drafts.filter((draft, i) => {
    const next = drafts.slice(i + 1).find((each) => each.verb !== 'scroll')
    return !onlyFocuses(draft) || next === undefined || next.verb === 'press'
  })
