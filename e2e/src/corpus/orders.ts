import type { Scenario } from './scenario'
import { DAY, NEW, OPEN } from './words'

/** Entering and cancelling orders in the Order Book. */
export const ORDERS: Scenario[] = [
  {
    name: 'order-plain',
    at: '/orders',
    want: [
      'Enter an order in Order Book',
      OPEN,
      NEW,
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      'Type `12` in **Crates**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.click('link=New order')
      await hand.choose('Customer', '40202')
      await hand.type('Crates', '12')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-chilled-with-note',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40218 The Copper Ladle, Wick Sands** in **Customer**.',
      'Choose **Sage** in **Herb**.',
      ...DAY,
      'Tick **Deliver chilled**.',
      'Type `Ring first` in **Note**.',
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40218')
      await hand.choose('Herb', 'Sage')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Deliver chilled')
      await hand.type('Note', 'Ring first')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-with-pin',
    aside: true,
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40240 Tern Island Ferry Galley, Quay** in **Customer**.',
      ...DAY,
      'Type the password in **PIN for a discount**.',
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40240')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.type('PIN for a discount', '2468')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-number-corrected',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      'Type `14` in **Crates**.',
      'Type `By the gate` in **Note**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40202')
      await hand.type('Crates', '12')
      await hand.type('Note', 'By the gate')
      await hand.type('Crates', '14')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-typed-with-slips',
    aside: true,
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Type `Leave at dock` in **Note**.',
      'Choose **40233 Hob & Thyme, Penholt** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.click('Note')
      await hand.keys('Leave at dokc')
      await hand.key('Backspace', 2)
      await hand.keys('ck')
      await hand.choose('Customer', '40233')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-tick-taken-back',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40131 Greenway Deli, Penholt** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40131')
      await hand.click('Deliver chilled')
      await hand.click('Deliver chilled')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-two-lines',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      'Choose **Mint** in **Herb**.',
      'Select **Add a line**.',
      'Choose **Sage** in **Herb**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40202')
      await hand.choose('css:[data-line]:nth-of-type(1) [name=herb]', 'Mint')
      await hand.click('Add a line')
      await hand.choose('css:[data-line]:nth-of-type(2) [name=herb]', 'Sage')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-line-added-and-removed',
    aside: true,
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40202 Greenway Market Hall, Alderbrook** in **Customer**.',
      'Select **Add a line**.',
      'Select **Remove this line**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40202')
      await hand.click('Add a line')
      await hand.click('css:[data-line]:nth-of-type(2) button')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-herb-changed-mind',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **Mint** in **Herb**.',
      'Choose **40218 The Copper Ladle, Wick Sands** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Herb', 'Sage')
      await hand.choose('Customer', '40218')
      await hand.choose('Herb', 'Mint')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-day-in-next-month',
    aside: true,
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40127 Greenway Corner Shop, Alderbrook** in **Customer**.',
      DAY[0]!,
      'Select **Month after**.',
      'Select **Month after**.',
      'Select **Tue 5 May**.',
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.choose('Customer', '40127')
      await hand.click('Delivery: choose a day')
      await hand.click('Month after')
      await hand.click('Month after')
      await hand.click('Tue 5 May')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-calendar-closed-by-escape',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Choose **40127 Greenway Corner Shop, Alderbrook** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.click('Delivery: choose a day')
      await hand.key('Escape')
      await hand.choose('Customer', '40127')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-saved-too-early',
    at: '/orders/new',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Select **Save order**.',
      'Choose **40127 Greenway Corner Shop, Alderbrook** in **Customer**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.click('Save order')
      await hand.choose('Customer', '40127')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-by-keyboard',
    aside: true,
    at: '/orders',
    want: [
      'Enter an order in Order Book',
      OPEN,
      NEW,
      'Choose **40233 Hob & Thyme, Penholt** in **Customer**.',
      'Type `7` in **Crates**.',
      'Tick **Deliver chilled**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await (await hand.at('New order')).element.focus()
      await hand.key('Enter')
      await hand.choose('Customer', '40233')
      await (await hand.at('Crates')).element.focus()
      await hand.combination('Control', 'a')
      await hand.keys('7')
      await (await hand.at('Deliver chilled')).element.focus()
      await hand.key('Space')
      await (await hand.at('Delivery: choose a day')).element.focus()
      await hand.key('Enter')
      await (await hand.at('Thu 12 March')).element.focus()
      await hand.key('Enter')
      await (await hand.at('Save order')).element.focus()
      await hand.key('Space')
    },
  },
  {
    name: 'order-copied',
    at: '/orders',
    want: [
      'Enter an order in Order Book',
      OPEN,
      'Open the menu **More for order 52112**.',
      'Select **Copy to a new order** in the menu.',
      'Type `5` in **Crates**.',
      ...DAY,
      'Select **Save order**.',
    ],
    work: async (hand) => {
      await hand.click('More for order 52112')
      await hand.click('Copy to a new order')
      await hand.type('Crates', '5')
      await hand.click('Delivery: choose a day')
      await hand.click('Thu 12 March')
      await hand.click('Save order')
    },
  },
  {
    name: 'order-cancelled',
    at: '/orders',
    want: [
      'Cancel the order in Order Book',
      OPEN,
      'Open the menu **More for order 52113**.',
      'Select **Cancel …** in the menu.',
      'Select **Cancel the order**.',
    ],
    work: async (hand) => {
      await hand.click('More for order 52113')
      await hand.click('Cancel …')
      await hand.click('Cancel the order')
    },
  },
  {
    name: 'order-kept-after-all',
    aside: true,
    at: '/orders',
    want: [
      'Keep it in Order Book',
      OPEN,
      'Open the menu **More for order 52115**.',
      'Select **Cancel …** in the menu.',
      'Select **Keep it**.',
    ],
    work: async (hand) => {
      await hand.click('More for order 52115')
      await hand.click('Cancel …')
      await hand.click('Keep it')
    },
  },
]
