import { each, same, whole, type FoundPage } from '../page'

/** A tree of folders. */
export const tree: FoundPage = {
  name: 'tree of folders',
  changed: 'folders sorted anew, one renamed, one moved into another, twins of the same name in other folders',
  html: (state) => {
    const after = state === 'after'
    const item = (key: string, name: string, inner = '') =>
      `<li role="treeitem" aria-label="${name}" ${same(key)}><span>${name}</span>${inner && `<ul role="group">${inner}</ul>`}</li>`
    const other = (name: string) => `<li role="treeitem" aria-label="${name}"><span>${name}</span></li>`
    const growing = item(
      'growing',
      'Growing',
      item('sowing', 'Sowing') + item('watering', after ? 'Irrigation' : 'Watering') + (after ? other('Archive') : ''),
    )
    const packing = item('packing', 'Packing', item('labels', 'Labels') + item('pallets', 'Pallets') + item('old', 'Archive of packing'))
    const office = item(
      'office',
      'Office',
      item('phone', 'Telephone') + item('orders', 'Orders') + (after ? item('forms', 'Forms') + other('Labels') : ''),
    )
    const bar = each(['New folder', 'Rename', 'Move', 'Delete'], (name) => `<button ${same(name)}>${name}</button>`)
    return whole(
      'Folders',
      `<h1>Folders</h1><div>${bar}</div><ul role="tree">${after ? office + growing + packing : growing + packing + office + item('forms', 'Forms')}</ul>`,
    )
  },
}
