import { each, same, whole, type FoundPage } from '../page'

type Line = [key: string, name: string, n: number]
const LINES: Line[] = [
  ['parsley', 'Parsley, curly', 4],
  ['dill', 'Dill', 2],
  ['chives', 'Chives', 6],
  ['sorrel', 'Sorrel', 1],
]
/** Lines of a basket with steps up and down. */
export const basket: FoundPage = {
  name: 'basket',
  changed: 'lines in another order, one gone, one with a similar name, buttons as signs rather than words',
  html: (state) => {
    const after = state === 'after'
    const line = ([key, name, n]: Line) =>
      `<tr><th scope="row">${name}</th><td><button aria-label="Fewer" ${same(`${key} fewer`)}>${after ? '−' : 'Fewer'}</button> <input aria-label="Trays" value="${n}" ${same(`${key} trays`)}>
       <button aria-label="More" ${same(`${key} more`)}>${after ? '+' : 'More'}</button></td><td><button ${same(`${key} drop`)}>Drop</button></td></tr>`
    const other =
      '<tr><th scope="row">Parsley, flat</th><td><button aria-label="Fewer">−</button> <input aria-label="Trays" value="3"> <button aria-label="More">+</button></td><td><button>Drop</button></td></tr>'
    const lines = after ? [LINES[2]!, LINES[0]!, LINES[3]!].map(line).join('') + other : each(LINES, line)
    return whole(
      'Basket',
      `<h1>Basket</h1><table><tbody>${lines}</tbody></table><label>Code <input name="code" ${same('code')}></label> <button ${same('pay')}>${after ? 'To payment' : 'Pay'}</button>`,
    )
  },
}
