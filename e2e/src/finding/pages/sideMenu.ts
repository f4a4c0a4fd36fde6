import { each, same, whole, type FoundPage } from '../page'

const link = (key: string, name: string, href: string) => `<li><a href="${href}" ${same(key)}>${name}</a></li>`
/** Links in a menu at the side, and the same words in the page. */
export const sideMenu: FoundPage = {
  name: 'menu at the side',
  changed: 'links moved to other groups, some renamed, addresses of some changed, the same words in the page',
  html: (state) => {
    const after = state === 'after'
    const groups: [string, string][] = after
      ? [
          ['Overview', link('home', 'Home', '/') + link('inbox', 'Inbox', '/inbox') + link('reports', 'Reports', '/insight/reports')],
          [
            'Growing',
            link('sowing', 'Sowing plan', '/sowing') +
              link('benches', 'Benches', '/benches') +
              link('water', 'Irrigation', '/water') +
              '<li><a href="/light">Light</a></li>',
          ],
          [
            'Sales',
            link('orders', 'Orders', '/orders') + link('customers', 'Customers', '/customers') + link('prices', 'Price lists', '/prices'),
          ],
          ['Company', link('people', 'Staff', '/people') + link('settings', 'Settings', '/settings')],
        ]
      : [
          ['Start', link('home', 'Home', '/') + link('inbox', 'Inbox', '/inbox')],
          [
            'Growing',
            link('sowing', 'Sowing', '/sowing') +
              link('benches', 'Benches', '/benches') +
              link('water', 'Watering', '/water') +
              link('pests', 'Pests', '/pests'),
          ],
          [
            'Selling',
            link('orders', 'Orders', '/orders') +
              link('customers', 'Customers', '/customers') +
              link('prices', 'Prices', '/prices') +
              link('reports', 'Reports', '/reports'),
          ],
          ['Company', link('people', 'People', '/people') + link('settings', 'Settings', '/settings')],
        ]
    return whole(
      'Home',
      `<nav aria-label="Main">${each(groups, ([name, links]) => `<h2>${name}</h2><ul>${links}</ul>`)}</nav>
       <main><h1>Good morning</h1><p>3 ${after ? '<a href="/orders?state=new">Orders</a>' : 'orders'} wait.</p><button ${same('begin')}>Begin the day</button></main>`,
      { style: 'nav{float:left;width:220px}' },
    )
  },
}
