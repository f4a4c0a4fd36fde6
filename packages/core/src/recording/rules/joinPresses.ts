import { isEditable, sameElement, type Draft } from '../act'

const SAME_PRESS_MS = 1_200
const ENTER_SENDS_MS = 1_000

const isClick = (draft: Draft | undefined): draft is Draft => draft !== undefined && draft.action.kind === 'click'
/** The picture of the first shows the state before, and the rectangle has to be of the same moment. */
function absorbed(into: Draft, gone: Draft): Draft {
  const from = [...gone.from, ...into.from]
  const { shot, otherShots, window, scroll, devicePixelRatio } = gone.action
  const scrolledTo = into.element?.scrolledTo ?? gone.element?.scrolledTo
  const found = into.element && scrolledTo ? { ...into.element, scrolledTo } : into.element
  if (!shot || (into.action.shot?.certain && !shot.certain)) return { ...into, element: found, from }
  const element = found && gone.element ? { ...found, rect: gone.element.rect } : found
  return { ...into, from, element, action: { ...into.action, shot, otherShots, window, scroll, devicePixelRatio } }
}

/** Rule 3: a double click swallows its two clicks; a click into a field joins what is then typed there; a click on a box, a list or a
 * file field joins the change that it makes; a click that the browser itself makes after Enter is none. The picture is that of the first. */
export function joinPresses(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  for (const draft of drafts) {
    let now = draft
    for (let last = kept.at(-1); isClick(last) && joins(last, now); last = kept.at(-1)) {
      kept.pop()
      now = absorbed(now, last)
    }
    const last = kept.at(-1)
    if (
      last?.verb === 'press' &&
      last.key === 'Enter' &&
      isClick(now) &&
      now.action.byKeyboard &&
      now.action.at - last.action.at < ENTER_SENDS_MS
    ) {
      kept[kept.length - 1] = { ...last, from: [...last.from, ...now.from] }
      continue
    }
    kept.push(now)
  }
  return kept
}

function joins(click: Draft, next: Draft): boolean {
  if (click.action.tab !== next.action.tab || !sameElement(click.element, next.element)) return false
  const apart = next.action.at - click.action.at
  switch (next.action.kind) {
    case 'double-click':
      return apart < SAME_PRESS_MS
    case 'type':
      return isEditable(next.element)
    case 'tick':
      return apart < SAME_PRESS_MS
    case 'choose':
    case 'set':
    case 'upload':
      return true
    default:
      return false
  }
}
