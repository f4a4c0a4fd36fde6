import { each, same, whole, type FoundPage } from '../page'

type Row = [number: string, customer: string, sum: string]
const BEFORE: Row[] = [
  ['R-1041', 'Marlow & Fig', '212.40'],
  ['R-1042', 'The Copper Pan', '86.00'],
  ['R-1043', 'Quayside Deli', '540.10'],
  ['R-1044', 'Nettle Street Kitchen', '97.25'],
  ['R-1045', 'Harbour Rooms', '1,204.00'],
]
const AFTER: Row[] = [
  ['R-1049', 'The Copper Pan', '44.00'],
  ['R-1048', 'Brass Lantern', '310.00'],
  ['R-1045', 'Harbour Rooms', '1,204.00'],
  ['R-1044', 'Nettle Street Kitchen', '97.25'],
  ['R-1043', 'Quayside Deli', '540.10'],
  ['R-1041', 'Marlow & Fig', '212.40'],
]
/** Rows with the same buttons in each. */
export const invoices: FoundPage = {
  name: 'invoices',
  changed: 'rows sorted the other way, new ones among them, one gone, a column more',
  html: (state) => {
    const after = state === 'after'
    const known = (number: string, what: string) => (BEFORE.some(([was]) => was === number) ? same(`${number} ${what}`) : '')
    const row = ([number, customer, sum]: Row) =>
      `<tr><td><a href="/invoices/${number}" ${known(number, 'link')}>${number}</a></td>${after ? '<td>open</td>' : ''}<td>${customer}</td><td>${sum}</td>
       <td><button ${known(number, 'send')}>Send</button> <button ${known(number, 'void')}>Void</button></td></tr>`
    return whole(
      'Invoices',
      `<h1>Invoices</h1><button ${same('new')}>New invoice</button> <input type="search" placeholder="Find an invoice" ${same('find')}>
       <table><thead><tr><th>No.</th>${after ? '<th>State</th>' : ''}<th>Customer</th><th>Sum</th><th></th></tr></thead><tbody>${each(after ? AFTER : BEFORE, row)}</tbody></table>`,
    )
  },
}
