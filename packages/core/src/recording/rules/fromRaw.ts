import type { Verb } from '../../guides'
import type { Draft } from '../act'
import type { RawAction } from '../rawAction'

const LISTS = new Set(['listbox', 'combobox', 'list'])

function verbOf(action: RawAction): Draft['verb'] {
  switch (action.kind) {
    case 'page':
      return 'page'
    case 'scroll':
      return 'scroll'
    case 'tick':
      return action.ticked === false ? 'untick' : 'tick'
    case 'type':
      return action.value === '' && action.hidden === undefined ? 'clear' : 'type'
    case 'key':
      return 'press'
    case 'click':
      return clickVerb(action)
    default:
      return action.kind satisfies Verb
  }
}

function clickVerb({ element }: RawAction): Verb {
  if (element?.role === 'link') return 'open-link'
  return element?.opens === 'menu' || element?.opens === 'true' ? 'open-menu' : 'select'
}

const draftOf = (action: RawAction): Draft => ({
  verb: verbOf(action),
  action,
  from: [action.id],
  element: action.element,
  list: action.kind === 'choose' && (action.byKeyboard || LISTS.has(action.element?.role ?? '')) ? action.element : undefined,
  onto: action.onto,
  value: action.value,
  hidden: action.hidden,
  key: action.key,
  waitFirst: false,
  scrollFirst: null,
  startsApplication: false,
})

/** Rule 1: the raw actions in the order in which they were done, each once. */
export function fromRaw(actions: readonly RawAction[]): Draft[] {
  const once = new Map(actions.map((action) => [action.id, action]))
  return [...once.values()].sort((a, b) => a.at - b.at).map(draftOf)
}
