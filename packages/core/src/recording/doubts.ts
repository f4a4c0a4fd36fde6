import type { Doubt } from '../guides'
import type { Act, Sureness } from './act'
import { nameOf } from './nameOf'

/** How much each doubt takes from the sureness: judged by how often an author has to change a step that has it. */
const WEIGHTS: Record<Doubt, number> = {
  'no-name': 0.5,
  'odd-name': 0.5,
  'long-name': 0.2,
  'repeated-name': 0.3,
  'hidden-name': 0.3,
  'plain-area': 0.4,
  'drawn-area': 0.6,
  vanished: 0.2,
  'picture-uncertain': 0.4,
  'no-picture': 0.5,
}
const NOT_FOR_PRESSING = new Set(['', 'generic', 'none', 'presentation', 'paragraph', 'document', 'main', 'article', 'region', 'text'])
const NEEDS_ELEMENT = new Set([
  'select',
  'open-link',
  'open-menu',
  'double-click',
  'right-click',
  'type',
  'clear',
  'choose',
  'set',
  'tick',
  'untick',
  'drag',
  'upload',
])

/** Whether several elements of the page are called the same and nothing around this one tells them apart. */
function isRepeated({ element }: Act): boolean {
  const byName = element?.locators.find((locator) => locator.kind === 'role-name')
  const inContext = element?.locators.find((locator) => locator.kind === 'role-name-context')
  return byName !== undefined && !byName.unique && inContext?.unique !== true
}

const FIELDS = new Set(['input', 'select', 'textarea'])
/** Whether an element does not say what it is for. Fields for a date, a time or a file have no role, but are fields. */
const saysNothing = ({ element, verb }: Act): boolean =>
  element !== undefined && element.tag !== 'canvas' && !FIELDS.has(element.tag) && NOT_FOR_PRESSING.has(element.role) && verb !== 'drag'

/** How sure the rules are of an act, and what makes them unsure. */
export function surenessOf(act: Act): Sureness {
  const { element, action, verb } = act
  const doubts: Doubt[] = []
  if (NEEDS_ELEMENT.has(verb)) {
    const name = nameOf(element)
    if (element?.tag === 'canvas') doubts.push('drawn-area')
    else if (name.words === '') doubts.push(name.odd ? 'odd-name' : 'no-name')
    if (name.cut) doubts.push('long-name')
    if (element?.hid && element.hid.length > 0) doubts.push('hidden-name')
    if (saysNothing(act)) doubts.push('plain-area')
    if (isRepeated(act)) doubts.push('repeated-name')
  }
  if (action.vanished) doubts.push('vanished')
  // Of going to another page there is nothing to frame.
  if (!action.shot) {
    if (NEEDS_ELEMENT.has(verb) || verb === 'press') doubts.push('no-picture')
  } else if (!action.shot.certain) doubts.push('picture-uncertain')
  const sureness = doubts.reduce((left, doubt) => left * (1 - WEIGHTS[doubt]), 1)
  return { sureness: Math.round(sureness * 100) / 100, doubts }
}
