import { DOCKS, SLOT_TIMES, type Article, type Customer, type Slots } from '../src/model'
import { ask, el, layout, showWrong, Wrong } from './page'

export async function customersPage(main: HTMLElement): Promise<void> {
  const all = await ask<Customer[]>('GET', '/api/customers')
  const body = el('tbody')
  const draw = (find: string) =>
    body.replaceChildren(
      ...all
        .filter((each) => `${each.number} ${each.name}`.toLowerCase().includes(find.toLowerCase()))
        .map((each) =>
          el(
            'tr',
            {},
            el('td', {}, String(each.number)),
            el('td', {}, each.name),
            el('td', {}, each.town),
            el('td', {}, el('a', { href: `mailto:${each.mail}` }, each.mail)),
            el('td', {}, each.phone),
            el('td', {}, each.account),
          ),
        ),
    )
  const find = el('input', { name: 'find', type: 'search', autocomplete: 'off' })
  find.addEventListener('input', () => draw(find.value.trim()))
  draw('')
  main.append(
    el('h1', {}, 'Customers'),
    el('label', {}, layout() === 'b' ? 'Look up a customer' : 'Find', find),
    el(
      'table',
      {},
      el(
        'thead',
        {},
        el('tr', {}, ...['Number', 'Name', 'Town', 'Mail', 'Telephone', 'Account'].map((head) => el('th', { scope: 'col' }, head))),
      ),
      body,
    ),
  )
}

export async function stockPage(main: HTMLElement): Promise<void> {
  const place = el('div')
  const draw = async () => {
    const articles = await ask<Article[]>('GET', '/api/stock')
    place.replaceChildren(
      el(
        'table',
        {},
        el('thead', {}, el('tr', {}, ...['Article', 'Name', 'Place', 'On hand'].map((head) => el('th', { scope: 'col' }, head)))),
        el(
          'tbody',
          {},
          ...articles.map((article) => {
            const meter = document.createElement('stock-meter')
            for (const [name, text] of [
              ['on-hand', article.onHand],
              ['low', article.low],
              ['name', article.name],
            ] as const)
              meter.setAttribute(name, String(text))
            meter.addEventListener(
              'change',
              (event) => void ask('PUT', `/api/stock/${article.number}`, { onHand: (event as CustomEvent<number>).detail }).then(draw),
            )
            return el(
              'tr',
              {},
              el('td', {}, String(article.number)),
              el('td', {}, article.name),
              el('td', {}, article.place),
              el('td', {}, meter),
            )
          }),
        ),
      ),
    )
  }
  main.append(el('h1', {}, 'Stock'), place)
  await draw()
}

function bookDialog(slot: string, done: () => void): void {
  const text = (label: string, name: string, props: object = {}) =>
    el('label', {}, label, el('input', { name, autocomplete: 'off', ...props }))
  const tick = (label: string, name: string) => el('label', { className: 'tick' }, el('input', { type: 'checkbox', name }), label)
  const dialog = el('dialog', { 'aria-label': 'Book a delivery slot' })
  const form = el(
    'form',
    { noValidate: true },
    el('h2', {}, 'Book a delivery slot'),
    text('Haulier', 'haulier'),
    text('Pallets', 'pallets', { type: 'number', min: '1', max: '8', value: '1' }),
    tick('Chilled', 'chilled'),
    tick('Tail lift', 'tailLift'),
    el(
      'div',
      { className: 'row' },
      el('button', { type: 'button', on: { click: () => dialog.close() } }, 'Close'),
      el('button', { className: 'strong' }, 'Book'),
    ),
  )
  form.addEventListener('submit', (event) => {
    event.preventDefault()
    const data = new FormData(form)
    ask('POST', '/api/slots', {
      slot,
      haulier: String(data.get('haulier')),
      pallets: Number(data.get('pallets')),
      chilled: data.has('chilled'),
      tailLift: data.has('tailLift'),
    }).then(
      () => dialog.close(),
      (error: unknown) => {
        if (error instanceof Wrong) showWrong(form, error.errors)
        else throw error
      },
    )
  })
  dialog.append(form)
  dialog.addEventListener('close', () => {
    dialog.remove()
    done()
  })
  document.body.append(dialog)
  dialog.showModal()
}

/** Slots at the docks: a free one is booked by a press, a booking is moved by dragging it. */
export async function deliveriesPage(main: HTMLElement): Promise<void> {
  const grid = el('div', { className: 'slots' })
  const draw = async () => {
    const slots = await ask<Slots>('GET', '/api/slots')
    grid.replaceChildren(
      el('span'),
      ...DOCKS.map((dock) => el('strong', {}, dock)),
      ...SLOT_TIMES.flatMap((time) => [
        el('span', {}, time),
        ...DOCKS.map((dock, index) => {
          const key = `${index}/${time}`
          const booked = slots[key]
          const button = el(
            'button',
            {
              className: booked ? 'taken' : '',
              draggable: booked !== undefined,
              'aria-label': booked
                ? `${time}, ${dock}: ${booked.haulier}, ${booked.pallets} pallets, number ${booked.number}`
                : `${time}, ${dock}: free`,
            },
            booked ? `${booked.haulier}, ${booked.pallets} pallets` : 'free',
          )
          if (booked) button.addEventListener('dragstart', (event) => event.dataTransfer?.setData('text/plain', key))
          else {
            button.addEventListener('click', () => bookDialog(key, () => void draw()))
            button.addEventListener('dragover', (event) => event.preventDefault())
            button.addEventListener('drop', (event) => {
              event.preventDefault()
              void ask('POST', '/api/slots/move', { from: event.dataTransfer?.getData('text/plain') ?? '', to: key }).then(draw, draw)
            })
          }
          return button
        }),
      ]),
    )
  }
  main.append(el('h1', {}, 'Deliveries today'), grid)
  await draw()
}

/** Takes its time, as such pages do. */
export async function reportPage(main: HTMLElement): Promise<void> {
  const place = el('div', { 'aria-live': 'polite' }, el('p', {}, 'Adding up …'))
  main.append(el('h1', {}, 'Report'), place)
  const report = await ask<{ orders: number; crates: number; slots: number }>('GET', '/api/report')
  place.replaceChildren(
    el(
      'table',
      {},
      el(
        'tbody',
        {},
        ...Object.entries(report).map(([name, n]) =>
          el('tr', {}, el('th', { scope: 'row' }, `${name[0]!.toUpperCase()}${name.slice(1)}`), el('td', {}, String(n))),
        ),
      ),
    ),
  )
}
