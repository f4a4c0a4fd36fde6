import { same, whole, type FoundPage } from '../page'

/** Fields and buttons of which each is a part of its own, with an open shadow root. */
export const shadowParts: FoundPage = {
  name: 'parts in shadow roots',
  changed: 'parts in another order, one more of a kind, a wrapper around them',
  html: (state) => {
    const after = state === 'after'
    const part = (tag: string, inner: string) => `<${tag}><template shadowrootmode="open">${inner}</template></${tag}>`
    const field = (key: string, label: string) => part('g-field', `<label>${label} <input name="${key}" ${same(key)}></label>`)
    const button = (key: string, name: string) => part('g-button', `<button ${same(key)}><span>${name}</span></button>`)
    const fields = [field('variety', 'Variety'), field('batch', 'Batch'), field('trays', 'Trays'), field('house', 'House')]
    const buttons = [button('sow', 'Sow'), button('prick', 'Prick out'), button('pot', 'Pot on'), button('throw', 'Throw away')]
    const rating = part(
      'g-rating',
      `<button aria-label="Poor" ${same('poor')}>1</button><button aria-label="Fair" ${same('fair')}>2</button><button aria-label="Good" ${same('good')}>3</button>`,
    )
    const menu = part(
      'g-menu',
      `<button aria-haspopup="true" ${same('menu')}>More</button>${part('g-item', `<a href="/labels" ${same('labels')}>Labels</a>`)}`,
    )
    return whole(
      'Sowing',
      after
        ? `<h1>Sowing</h1><g-card>${menu}${fields.reverse().join('')}${part('g-field', '<label>Batch before <input name="batch-before"></label>')}${rating}${buttons.reverse().join('')}</g-card>`
        : `<h1>Sowing</h1>${fields.join('')}${buttons.join('')}${rating}${menu}`,
    )
  },
}
