import { each, same, whole, type FoundPage } from '../page'

type Hit = [key: string, title: string, about: string]
const HITS: Hit[] = [
  ['basil', 'Basil, sweet', 'Trays of 40, from April'],
  ['thai', 'Basil, Thai', 'Trays of 40, from May'],
  ['mint', 'Mint, garden', 'Pots, all year'],
  ['thyme', 'Thyme, lemon', 'Pots, all year'],
]
/** What a search has found: many links of the same name. */
export const hits: FoundPage = {
  name: 'what a search has found',
  changed: 'another order, two more with words like others, the links renamed, one gone',
  html: (state) => {
    const after = state === 'after'
    const hit = ([key, title, about]: Hit) =>
      `<li><h2 ${same(`${key} title`)}>${title}</h2><p>${about}</p><a href="/plants/${key}" ${same(`${key} open`)}>${after ? 'See' : 'Open'}</a> <button ${same(`${key} order`)}>Order</button></li>`
    const other = (title: string) => `<li><h2>${title}</h2><p>Trays of 40</p><a href="/plants/x">See</a> <button>Order</button></li>`
    const list = after ? [other('Basil, purple'), ...HITS.slice(1).reverse().map(hit), other('Mint, water')] : HITS.map(hit)
    return whole(
      'Plants',
      `<form role="search"><input name="q" aria-label="Find a plant" ${same('find')}><button ${same('go')}>Find</button></form><ul>${list.join('')}</ul><p><a href="?page=2" rel="next" ${same('more')}>More of them</a></p>${each(after ? ['Season'] : [], (name) => `<button>${name}</button>`)}`,
    )
  },
}
