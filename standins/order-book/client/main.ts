import './stockMeter'
import { newOrderPage, newStandingPage, orderPage, ordersPage, standingPage } from './orders'
import { el, layout, link } from './page'
import { customersPage, deliveriesPage, reportPage, stockPage } from './store'

const AREAS = [
  ['/orders', 'Orders'],
  ['/standing-orders', 'Standing orders'],
  ['/customers', 'Customers'],
  ['/stock', 'Stock'],
  ['/deliveries', 'Deliveries'],
  ['/report', 'Report'],
] as const
const MOVED = ['/deliveries', '/orders', '/customers', '/standing-orders', '/stock', '/report'] as const
const RENAMED: Record<string, string> = { '/deliveries': 'Dock plan', '/customers': 'Accounts' }
let turn = 0

function page(path: string, main: HTMLElement, alive: () => boolean): Promise<void> {
  const order = /^\/orders\/(\d+)$/.exec(path)
  if (order) return orderPage(main, Number(order[1]))
  switch (path) {
    case '/orders/new':
      return newOrderPage(main)
    case '/standing-orders':
      return standingPage(main)
    case '/standing-orders/new':
      return newStandingPage(main)
    case '/customers':
      return customersPage(main)
    case '/stock':
      return stockPage(main)
    case '/deliveries':
      return deliveriesPage(main)
    case '/report':
      return reportPage(main)
    default:
      return ordersPage(main, alive)
  }
}

function areas(): HTMLElement {
  const b = layout() === 'b'
  const shown = b ? MOVED.map((path) => [path, RENAMED[path] ?? AREAS.find(([each]) => each === path)![1]] as const) : AREAS
  const nav = el(
    'nav',
    { 'aria-label': 'Areas' },
    ...shown.map(([path, name]) => {
      const made = link(path, name)
      if (location.pathname === path || location.pathname.startsWith(`${path}/`)) made.setAttribute('aria-current', 'page')
      return made
    }),
  )
  const other = b ? 'a' : 'b'
  return el(
    'header',
    { className: 'bar' },
    el('strong', {}, 'Order Book'),
    nav,
    el('button', { on: { click: () => location.assign(`${location.pathname}?layout=${other}`) } }, b ? 'First layout' : 'Second layout'),
  )
}

function draw(): void {
  const mine = ++turn
  const main = el('main')
  document.body.className = layout()
  document.querySelectorAll('dialog').forEach((dialog) => dialog.remove())
  document.getElementById('app')!.replaceChildren(areas(), main)
  page(location.pathname, main, () => mine === turn).catch((error: unknown) =>
    main.append(el('p', { className: 'wrong', role: 'alert' }, `The page could not be shown: ${(error as Error).message}`)),
  )
}
window.addEventListener('popstate', draw)
draw()
