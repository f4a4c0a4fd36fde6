import { nth } from '../../shared'
import { sameElement, type Draft } from '../act'

const ENTRIES = new Set(['option', 'treeitem'])
const OPENS_A_LIST = new Set(['listbox', 'tree', 'grid'])
const isEntry = (draft: Draft): boolean => draft.action.kind === 'click' && ENTRIES.has(draft.element?.role ?? '')
const opensList = (draft: Draft | undefined): boolean =>
  draft !== undefined &&
  (draft.element?.role === 'combobox' || OPENS_A_LIST.has(draft.element?.opens ?? '')) &&
  (draft.action.kind === 'click' || draft.action.kind === 'type')

/** Chosen with the arrow keys and Enter, from a list that keeps the focus in its field. */
const isKeyed = ({ action }: Draft): boolean => action.kind === 'choose' && action.byKeyboard === true

/** Rule 5: opening a list and choosing from it is one step, also where letters were typed to find the entry. The picture is that of the
 * open list, in which the entry can be seen. */
export function joinLists(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  for (const draft of drafts) {
    if (!isEntry(draft) && !isKeyed(draft)) {
      kept.push(draft)
      continue
    }
    const opened: Draft[] = []
    for (
      let last = kept.at(-1);
      last &&
      opensList(last) &&
      (opened.length === 0
        ? !isKeyed(draft) || sameElement(last.element, draft.element)
        : sameElement(last.element, nth(opened, 0).element));
      last = kept.at(-1)
    )
      opened.unshift(kept.pop()!)
    const from = [...opened.flatMap((each) => each.from), ...draft.from]
    if (isKeyed(draft)) kept.push({ ...draft, from })
    else
      kept.push({
        ...draft,
        verb: 'choose',
        value: draft.element?.name || draft.element?.text,
        list: opened[0]?.element ?? listAround(draft),
        from,
      })
  }
  return kept
}

const listAround = (draft: Draft): Draft['list'] => {
  const list = draft.element?.around.find((each) => each.kind === 'list')
  return list && draft.element ? { ...draft.element, role: 'listbox', name: list.name, text: '' } : undefined
}
