import { each, same, whole, type FoundPage } from '../page'

const icon = (n: number) => `<svg width="16" height="16" aria-hidden="true"><path d="M${n} 2h${n + 3}v${n + 1}z"/></svg>`
type Tool = [key: string, name: string, how: 'label' | 'title']
const EDIT: Tool[] = [
  ['undo', 'Undo', 'label'],
  ['redo', 'Redo', 'label'],
  ['bold', 'Bold', 'title'],
  ['italic', 'Italic', 'title'],
  ['link', 'Put in a link', 'label'],
  ['table', 'Put in a table', 'label'],
]
const VIEW: Tool[] = [
  ['closer', 'Closer', 'label'],
  ['farther', 'Farther', 'label'],
  ['grid', 'Grid', 'title'],
  ['print', 'Print', 'label'],
  ['share', 'Share', 'label'],
  ['history', 'History', 'title'],
]
/** Buttons with pictures only. */
export const iconBar: FoundPage = {
  name: 'bar of icons',
  changed: 'grouped anew, other classes and icons, two tools gone, two new ones with names like others',
  html: (state) => {
    const after = state === 'after'
    const tool = ([key, name, how]: Tool, n: number) =>
      `<button class="${after ? 'ib-x' : 'tool'}${n}" ${how === 'label' ? `aria-label="${name}"` : `title="${name}"`} ${same(key)}>${icon(after ? n + 4 : n)}</button>`
    const bar = after
      ? `<div role="toolbar">${each([...VIEW.slice(2), ...EDIT.slice(0, 4)], tool)}</div><div role="toolbar">${each([...EDIT.slice(5), ...VIEW.slice(0, 1)], tool)}
         <button aria-label="Undo all">${icon(9)}</button><button aria-label="Print preview">${icon(8)}</button></div>`
      : `<div role="toolbar">${each([...EDIT, ...VIEW], tool)}</div>`
    return whole(
      'Sheet',
      `<header>${bar}</header><main contenteditable="true" aria-label="Sheet" ${same('sheet')}><p>Bench 4 is sown on Monday.</p></main>`,
    )
  },
}
