import type { Scenario } from './scenario'
import { DAY, OPEN } from './words'

/** Everything else in the Order Book. */
export const REST_OF_ORDER_BOOK: Scenario[] = [
  {
    name: 'menu-closed-by-escape',
    at: '/orders',
    want: ['Packed in Order Book', OPEN, 'Go to the tab **Packed**.'],
    work: async (hand) => {
      await hand.click('More for order 52112')
      await hand.key('Escape')
      await hand.click('css:[role=tab]:nth-of-type(2)')
    },
  },
  {
    name: 'menu-closed-by-its-button',
    aside: true,
    at: '/orders',
    want: ['52112 in Order Book', OPEN, 'Open **52112**.'],
    work: async (hand) => {
      await hand.click('More for order 52115')
      await hand.click('More for order 52115')
      await hand.click('link=52112')
    },
  },
  {
    name: 'order-looked-at',
    at: '/orders',
    want: ['Notes in Order Book', OPEN, 'Open **52112**.', 'Go to the tab **Delivery**.', 'Go to the tab **Notes**.'],
    work: async (hand) => {
      await hand.click('link=52112')
      await hand.click('tab=Delivery')
      await hand.click('tab=Notes')
    },
  },
  {
    name: 'order-note-in-frame',
    at: '/orders',
    want: [
      'Keep note in Order Book',
      '# Orders',
      OPEN,
      'Go to the tab **Packed**.',
      'Open **52114**.',
      '# Order 52114',
      'Go to the tab **Notes**.',
      'Type `Wait for the lorry` in **Note for the packhouse**.',
      'Select **Keep note**.',
    ],
    work: async (hand) => {
      await hand.click('css:[role=tab]:nth-of-type(2)')
      await hand.click('link=52114')
      await hand.click('tab=Notes')
      await hand.rest(600)
      const frame = await hand.page.waitForFrame((each) => each.url().endsWith('/frame/notes'))
      await hand.type('Note for the packhouse', 'Wait for the lorry', frame)
      await hand.click('Keep note', frame)
    },
  },
  {
    name: 'order-looked-at-and-back',
    at: '/orders',
    want: ['Back to the orders in Order Book', OPEN, 'Open **52117**.', 'Go to the tab **Delivery**.', 'Open **Back to the orders**.'],
    work: async (hand) => {
      await hand.click('link=52117')
      await hand.click('tab=Delivery')
      await hand.click('link=Back to the orders')
    },
  },
  {
    name: 'way-gone-back-at-once',
    aside: true,
    at: '/orders',
    want: ['Standing orders in Order Book', OPEN, 'Open **Standing orders**.'],
    work: async (hand) => {
      await hand.click('link=New order')
      await hand.rest(1_400)
      await hand.back()
      await hand.rest(600)
      await hand.click('link=Standing orders')
    },
  },
  {
    name: 'standing-order',
    at: '/standing-orders',
    want: [
      'Enter a standing order in Order Book',
      OPEN,
      'Open **New standing order**.',
      'Choose **40240 Tern Island Ferry Galley, Quay** in **Customer**.',
      'Tick **Mon**.',
      'Tick **Thu**.',
      'Choose **Dill** in **Herb**.',
      'Type `4` in **Crates**.',
      'Select **First delivery: choose a day**.',
      'Select **Mon 16 March**.',
      'Select **Save standing order**.',
    ],
    work: async (hand) => {
      await hand.click('link=New standing order')
      await hand.choose('Customer', '40240')
      await hand.click('Mon')
      await hand.click('Thu')
      await hand.choose('Herb', 'Dill')
      await hand.type('Crates', '4')
      await hand.click('First delivery: choose a day')
      await hand.click('Mon 16 March')
      await hand.click('Save standing order')
    },
  },
  {
    name: 'standing-order-day-taken-back',
    aside: true,
    at: '/standing-orders/new',
    want: [
      'Enter a standing order in Order Book',
      OPEN,
      'Choose **40240 Tern Island Ferry Galley, Quay** in **Customer**.',
      'Tick **Tue**.',
      'Select **First delivery: choose a day**.',
      'Select **Tue 17 March**.',
      'Select **Save standing order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40240')
      await hand.click('Mon')
      await hand.click('Tue')
      await hand.click('Mon')
      await hand.click('First delivery: choose a day')
      await hand.click('Tue 17 March')
      await hand.click('Save standing order')
    },
  },
  {
    name: 'order-then-standing-order',
    at: '/orders/new',
    want: [
      'Enter a standing order in Order Book',
      '# New order',
      OPEN,
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
      '# New standing order',
      'Open **Standing orders**.',
      'Open **New standing order**.',
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      'Tick **Wed**.',
      'Select **First delivery: choose a day**.',
      'Select **Wed 18 March**.',
      'Select **Save standing order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40202')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
      await hand.click('link=Standing orders')
      await hand.click('link=New standing order')
      await hand.choose('Customer', '40202')
      await hand.click('Wed')
      await hand.click('First delivery: choose a day')
      await hand.click('Wed 18 March')
      await hand.click('Save standing order')
    },
  },
  {
    name: 'customer-found',
    at: '/orders',
    want: ['Customers in Order Book', OPEN, 'Open **Customers**.', 'Type `deli` in **Find**.'],
    work: async (hand) => {
      await hand.click('link=Customers')
      await hand.type('Find', 'deli')
    },
  },
  {
    name: 'customer-found-second-time',
    aside: true,
    at: '/customers',
    want: ['Customers in Order Book', OPEN, 'Type `hob` in **Find**.'],
    work: async (hand) => {
      await hand.type('Find', 'del')
      await hand.key('Tab')
      await hand.type('Find', 'hob')
    },
  },
  {
    name: 'stock-counted',
    at: '/stock',
    want: ['One more Crate liner M in Order Book', OPEN, 'Select **One more Crate liner M**.', 'Select **One more Crate liner M**.'],
    work: async (hand) => {
      await hand.click('One more Crate liner M')
      await hand.click('One more Crate liner M')
    },
  },
  {
    name: 'stock-less',
    aside: true,
    at: '/orders',
    want: ['One less Silicone grease in Order Book', OPEN, 'Open **Stock**.', 'Select **One less Silicone grease**.'],
    work: async (hand) => {
      await hand.click('link=Stock')
      await hand.click('One less Silicone grease')
    },
  },
  {
    name: 'slot-booked',
    at: '/deliveries',
    want: [
      'Book a delivery slot in Order Book',
      OPEN,
      'Select **06:00, Dock 2: free**.',
      'Type `Two Rivers` in **Haulier**.',
      'Type `3` in **Pallets**.',
      'Tick **Chilled**.',
      'Select **Book**.',
    ],
    work: async (hand) => {
      await hand.click('06:00, Dock 2: free')
      await hand.type('Haulier', 'Two Rivers')
      await hand.type('Pallets', '3')
      await hand.click('Chilled')
      await hand.click('button=Book')
    },
  },
  {
    name: 'slot-booked-by-enter',
    aside: true,
    at: '/deliveries',
    want: [
      'Book a delivery slot in Order Book',
      OPEN,
      'Select **06:30, Dock 2: free**.',
      'Type `Brackwater Haulage` in **Haulier**.',
      'Press `Enter` in **Haulier**.',
    ],
    work: async (hand) => {
      await hand.click('06:30, Dock 2: free')
      await hand.type('Haulier', 'Brackwater Haulage')
      await hand.key('Enter')
    },
  },
  {
    name: 'slot-left-by-escape',
    at: '/deliveries',
    want: ['Report in Order Book', OPEN, 'Open **Report**.'],
    work: async (hand) => {
      await hand.click('07:00, Dock 2: free')
      await hand.key('Escape')
      await hand.click('link=Report')
    },
  },
  {
    name: 'slot-moved',
    at: '/deliveries',
    want: [
      'Work in Order Book',
      OPEN,
      'Drag **06:30, Dock 1, curtain: Brackwater Haulage, 6 pallets, number 811** to **08:30, Dock 2: free**.',
    ],
    work: async (hand) => {
      await hand.drag('06:30, Dock 1, curtain: Brackwater Haulage, 6 pallets, number 811', '08:30, Dock 2: free')
    },
  },
  {
    name: 'report-awaited',
    at: '/orders',
    want: ['Orders in Order Book', OPEN, 'Open **Report**.', 'Wait until the page is ready. Open **Orders**.'],
    work: async (hand) => {
      await hand.click('link=Report')
      await hand.rest(2_400)
      await hand.click('link=Orders')
    },
  },
  {
    name: 'tabs-of-orders',
    aside: true,
    at: '/orders',
    want: ['Open in Order Book', OPEN, 'Go to the tab **Cancelled**.', 'Go to the tab **Packed**.', 'Go to the tab **Open**.'],
    work: async (hand) => {
      for (const n of [3, 2, 1]) await hand.click(`css:[role=tab]:nth-of-type(${n})`)
    },
  },
  {
    name: 'second-layout',
    at: '/orders',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Select **Second layout**.',
      'Open **Create order**.',
      'Type `3` in **Crates**.',
      ...DAY,
      'Type `A-17` in **Reference of the customer**.',
      'Choose **40218 The Copper Ladle, Wick Sands** in **Customer**.',
      'Select **Place order**.',
    ],
    work: async (hand) => {
      await hand.click('Second layout')
      await hand.rest(700)
      await hand.click('link=Create order')
      await hand.type('Crates', '3')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.type('Reference of the customer', 'A-17')
      await hand.choose('Customer', '40218')
      await hand.click('Place order')
    },
  },
  {
    name: 'page-loaded-again',
    at: '/stock',
    want: ['Customers in Order Book', OPEN, 'Load the page again.', 'Open **Customers**.'],
    work: async (hand) => {
      await hand.rest(1_800)
      await hand.page.reload()
      await hand.rest(900)
      await hand.click('link=Customers')
    },
  },
]
