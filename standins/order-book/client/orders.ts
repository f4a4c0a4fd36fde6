import { HERBS, WEEKDAYS, type Customer, type Order, type StandingOrder } from '../src/model'
import { dayPicker } from './dayPicker'
import { ask, crateWords, dayWords, decide, el, go, layout, link, showWrong, Wrong } from './page'

const AGAIN_EVERY_MS = 5_000
const STATES = ['open', 'packed', 'cancelled'] as const
const printer = (): HTMLElement =>
  el('span', {
    innerHTML:
      '<svg viewBox="0 0 20 20" width="18" height="18" fill="none" stroke="currentColor" stroke-width="1.6" aria-hidden="true"><path d="M5 8V2h10v6M5 15H2V8h16v7h-3M5 12h10v6H5z"/></svg>',
  })
const lineWords = (order: Pick<Order, 'lines'>): string =>
  order.lines.map((line) => `${line.crates} × ${line.herb}, ${line.crate}`).join('; ')
const customers = (): Promise<Customer[]> => ask('GET', '/api/customers')

function rowMenu(order: Order, changed: () => void): HTMLElement {
  const place = el('span', { className: 'menu-place' })
  const close = () => place.querySelector('[role=menu]')?.remove()
  const item = (words: string, run: () => void, disabled = false) =>
    el(
      'button',
      {
        role: 'menuitem',
        disabled,
        on: {
          click: () => {
            close()
            run()
          },
        },
      },
      words,
    )
  const cancel = async () => {
    if (!(await decide('Cancel the order?', `Order ${order.number} will not be packed.`, 'Cancel the order'))) return
    await ask('POST', `/api/orders/${order.number}/cancel`)
    changed()
  }
  const open = () => {
    if (place.querySelector('[role=menu]')) return close()
    place.append(
      el(
        'div',
        { role: 'menu' },
        item('Open', () => go(`/orders/${order.number}`)),
        item('Copy to a new order', () => go(`/orders/new?from=${order.number}`)),
        item('Cancel …', () => void cancel(), order.state !== 'open'),
      ),
    )
    place.querySelector<HTMLElement>('[role=menuitem]')?.focus()
  }
  place.append(
    el('button', { className: 'icon', 'aria-label': `More for order ${order.number}`, 'aria-haspopup': 'menu', on: { click: open } }, '⋯'),
  )
  place.addEventListener('keydown', (event) => event.key === 'Escape' && close())
  return place
}

/** All orders by state; drawn anew every few seconds, as it changes under people's hands. */
export async function ordersPage(main: HTMLElement, alive: () => boolean): Promise<void> {
  let state: (typeof STATES)[number] = 'open'
  const [all, body] = [await customers(), el('tbody')]
  const tabs = el('div', { role: 'tablist', 'aria-label': 'State' })
  const draw = async () => {
    const orders = await ask<Order[]>('GET', '/api/orders')
    if (!alive() || body.querySelector('[role=menu]')) return
    tabs.replaceChildren(
      ...STATES.map((each) =>
        el(
          'button',
          {
            role: 'tab',
            'aria-selected': String(each === state),
            on: {
              click: () => {
                state = each
                void draw()
              },
            },
          },
          `${each[0]!.toUpperCase()}${each.slice(1)} (${orders.filter((order) => order.state === each).length})`,
        ),
      ),
    )
    body.replaceChildren(
      ...orders
        .filter((order) => order.state === state)
        .map((order) =>
          el(
            'tr',
            {},
            el('td', {}, link(`/orders/${order.number}`, String(order.number))),
            el('td', {}, all.find((customer) => customer.number === order.customer)?.name ?? ''),
            el('td', {}, lineWords(order)),
            el('td', {}, dayWords(order.delivery)),
            el(
              'td',
              {},
              el(
                'button',
                { className: 'icon', 'aria-label': `Print order ${order.number}`, on: { click: () => window.print() } },
                printer(),
              ),
              ' ',
              rowMenu(order, () => void draw()),
            ),
          ),
        ),
    )
  }
  main.append(
    el(
      'div',
      { className: 'spread' },
      el('h1', {}, 'Orders'),
      link('/orders/new', layout() === 'b' ? 'Create order' : 'New order', 'button strong'),
    ),
    tabs,
    el(
      'table',
      {},
      el(
        'thead',
        {},
        el('tr', {}, ...['Number', 'Customer', 'Lines', 'Delivery', 'Actions'].map((head) => el('th', { scope: 'col' }, head))),
      ),
      body,
    ),
  )
  await draw()
  const again = setInterval(() => (alive() ? void draw() : clearInterval(again)), AGAIN_EVERY_MS)
}

function linesField(first?: Order['lines']): { element: HTMLElement; value: () => Order['lines'] } {
  const place = el('fieldset', { 'data-field': 'lines' }, el('legend', {}, 'Lines'))
  const add = (line?: Order['lines'][0]) => {
    const row = el('div', { className: 'row', 'data-line': '' })
    row.append(
      el(
        'label',
        {},
        'Herb',
        el('select', { name: 'herb' }, ...HERBS.map((herb) => el('option', { selected: herb === line?.herb }, herb))),
      ),
      el(
        'label',
        {},
        'Crate',
        el(
          'select',
          { name: 'crate' },
          ...(['S', 'M', 'L'] as const).map((crate) => el('option', { value: crate, selected: crate === line?.crate }, crateWords[crate])),
        ),
      ),
      el('label', {}, 'Crates', el('input', { name: 'crates', type: 'number', min: '1', max: '400', value: String(line?.crates ?? 1) })),
      el('button', { type: 'button', className: 'icon', 'aria-label': 'Remove this line', on: { click: () => row.remove() } }, '✕'),
    )
    more.before(row)
  }
  const more = el('button', { type: 'button', on: { click: () => add() } }, 'Add a line')
  place.append(more)
  for (const line of first ?? [undefined]) add(line)
  return {
    element: place,
    value: () =>
      [...place.querySelectorAll('[data-line]')].map((row) => ({
        herb: row.querySelector<HTMLSelectElement>('[name=herb]')!.value as Order['lines'][0]['herb'],
        crate: row.querySelector<HTMLSelectElement>('[name=crate]')!.value as 'S',
        crates: Number(row.querySelector<HTMLInputElement>('[name=crates]')!.value),
      })),
  }
}

const customerField = (all: readonly Customer[], chosen = 0): HTMLElement =>
  el(
    'label',
    {},
    'Customer',
    el(
      'select',
      { name: 'customer' },
      el('option', { value: '0' }, 'Choose …'),
      ...all.map((each) =>
        el('option', { value: String(each.number), selected: each.number === chosen }, `${each.number} ${each.name}, ${each.town}`),
      ),
    ),
  )
const value = (form: HTMLElement, name: string): string => form.querySelector<HTMLInputElement>(`[name="${name}"]`)?.value ?? ''
const ticked = (form: HTMLElement, name: string): boolean => form.querySelector<HTMLInputElement>(`[name="${name}"]`)?.checked ?? false

async function sendForm(form: HTMLFormElement, send: () => Promise<string>): Promise<void> {
  const button = form.querySelector<HTMLButtonElement>('button.strong')
  if (button) button.disabled = true
  try {
    go(await send())
  } catch (error) {
    if (!(error instanceof Wrong)) throw error
    showWrong(form, error.errors)
  } finally {
    if (button) button.disabled = false
  }
}

/** A new order. The second layout asks for a reference and has the customer last. */
export async function newOrderPage(main: HTMLElement): Promise<void> {
  const b = layout() === 'b'
  const [all, orders, today] = await Promise.all([customers(), ask<Order[]>('GET', '/api/orders'), ask<string>('GET', '/api/today')])
  const from = orders.find((order) => order.number === Number(new URLSearchParams(location.search).get('from')))
  const lines = linesField(from?.lines)
  const day = dayPicker('Delivery', 'delivery', today)
  const parts = [
    customerField(all, from?.customer),
    lines.element,
    day.element,
    el(
      'label',
      { className: 'tick' },
      el('input', { type: 'checkbox', name: 'chilled', checked: from?.chilled ?? false }),
      'Deliver chilled',
    ),
    el('label', {}, 'Note', el('textarea', { name: 'note', rows: 2, maxLength: 500 })),
    el('label', {}, 'PIN for a discount', el('input', { type: 'password', name: 'pin', autocomplete: 'off' })),
  ]
  if (b) parts.push(el('label', {}, 'Reference of the customer', el('input', { name: 'reference', maxLength: 60 })), parts.shift()!)
  const form = el(
    'form',
    { noValidate: true },
    ...parts,
    el(
      'div',
      { className: 'row', style: 'margin-top:18px' },
      el('button', { className: 'strong' }, b ? 'Place order' : 'Save order'),
      link('/orders', 'Back', 'button'),
    ),
  )
  form.addEventListener('submit', (event) => {
    event.preventDefault()
    const [reference, pin] = [value(form, 'reference'), value(form, 'pin')]
    void sendForm(
      form,
      async () =>
        `/orders/${(await ask<Order>('POST', '/api/orders', { customer: Number(value(form, 'customer')), lines: lines.value(), delivery: day.value(), chilled: ticked(form, 'chilled'), note: value(form, 'note'), ...(reference ? { reference } : {}), ...(pin ? { pin } : {}) })).number}`,
    )
  })
  main.append(el('h1', {}, b ? 'Create order' : 'New order'), form)
}

/** One order in three parts; the notes live in a frame of their own. */
export async function orderPage(main: HTMLElement, number: number): Promise<void> {
  const [orders, all] = await Promise.all([ask<Order[]>('GET', '/api/orders'), customers()])
  const order = orders.find((each) => each.number === number)
  if (!order) return void main.append(el('h1', {}, 'There is no such order'), link('/orders', 'Back to the orders'))
  const customer = all.find((each) => each.number === order.customer)
  const panel = el('div', { role: 'tabpanel' })
  const parts: Record<string, () => Node> = {
    Lines: () =>
      el('ul', {}, ...order.lines.map((line) => el('li', {}, `${line.crates} crates of ${line.herb}, ${crateWords[line.crate]}`))),
    Delivery: () =>
      el(
        'p',
        {},
        `${dayWords(order.delivery)}${order.chilled ? ', chilled' : ''}. ${customer?.name}, ${customer?.town}, ${customer?.phone}`,
      ),
    Notes: () => el('iframe', { src: '/frame/notes', title: 'Notes on the order' }),
  }
  const tabs = el('div', { role: 'tablist', 'aria-label': 'Parts of the order' })
  const show = (name: string) => {
    tabs.replaceChildren(
      ...Object.keys(parts).map((each) =>
        el('button', { role: 'tab', 'aria-selected': String(each === name), on: { click: () => show(each) } }, each),
      ),
    )
    panel.replaceChildren(parts[name]!())
  }
  show('Lines')
  main.append(
    el('h1', {}, `Order ${order.number}`),
    el(
      'p',
      { className: 'said' },
      `${customer?.name}: ${order.state}${order.discount ? ', with a discount' : ''}${order.reference ? `, reference ${order.reference}` : ''}`,
    ),
    tabs,
    panel,
    el('p', {}, link('/orders', 'Back to the orders')),
  )
}

export async function standingPage(main: HTMLElement): Promise<void> {
  const [all, standing] = await Promise.all([customers(), ask<StandingOrder[]>('GET', '/api/standing-orders')])
  main.append(
    el(
      'div',
      { className: 'spread' },
      el('h1', {}, 'Standing orders'),
      link('/standing-orders/new', layout() === 'b' ? 'Add standing order' : 'New standing order', 'button strong'),
    ),
    el(
      'table',
      {},
      el('thead', {}, el('tr', {}, ...['Number', 'Customer', 'Days', 'Lines', 'Since'].map((head) => el('th', { scope: 'col' }, head)))),
      el(
        'tbody',
        {},
        ...standing.map((order) =>
          el(
            'tr',
            {},
            el('td', {}, String(order.number)),
            el('td', {}, all.find((each) => each.number === order.customer)?.name ?? ''),
            el('td', {}, order.days.join(', ')),
            el('td', {}, lineWords(order)),
            el('td', {}, dayWords(order.first)),
          ),
        ),
      ),
    ),
  )
}

export async function newStandingPage(main: HTMLElement): Promise<void> {
  const [all, today] = await Promise.all([customers(), ask<string>('GET', '/api/today')])
  const lines = linesField()
  const day = dayPicker('First delivery', 'first', today)
  const form = el(
    'form',
    { noValidate: true },
    customerField(all),
    el(
      'fieldset',
      { 'data-field': 'days' },
      el('legend', {}, 'Days'),
      ...WEEKDAYS.map((name) => el('label', { className: 'tick' }, el('input', { type: 'checkbox', name: `day-${name}` }), name)),
    ),
    lines.element,
    day.element,
    el(
      'div',
      { className: 'row', style: 'margin-top:18px' },
      el('button', { className: 'strong' }, 'Save standing order'),
      link('/standing-orders', 'Back', 'button'),
    ),
  )
  form.addEventListener('submit', (event) => {
    event.preventDefault()
    void sendForm(form, async () => {
      await ask('POST', '/api/standing-orders', {
        customer: Number(value(form, 'customer')),
        days: WEEKDAYS.filter((name) => ticked(form, `day-${name}`)),
        lines: lines.value(),
        first: day.value(),
      })
      return '/standing-orders'
    })
  })
  main.append(el('h1', {}, 'New standing order'), form)
}
