import type { Article, Booking, Customer, NewOrder, NewStandingOrder, Order, Slots, StandingOrder } from './model'

const CUSTOMERS: Customer[] = [
  {
    number: 40127,
    name: 'Greenway Corner Shop',
    town: 'Alderbrook',
    mail: 'orders@greenway-corner.example',
    phone: '+44 1632 960127',
    account: 'GB29 LARK 6016 1331 9268 19',
  },
  {
    number: 40131,
    name: 'Greenway Deli',
    town: 'Penholt',
    mail: 'h.quill@greenway-deli.example',
    phone: '+44 1632 960131',
    account: 'GB94 LARK 2020 1530 0934 59',
  },
  {
    number: 40202,
    name: 'Greenway Market Hall',
    town: 'Alderbrook',
    mail: 'stalls@greenway-hall.example',
    phone: '+44 1632 960202',
    account: 'GB33 LARK 2020 1555 5555 55',
  },
  {
    number: 40218,
    name: 'The Copper Ladle',
    town: 'Wick Sands',
    mail: 'kitchen@copper-ladle.example',
    phone: '+44 1632 960218',
    account: 'GB82 LARK 1234 5698 7654 32',
  },
  {
    number: 40233,
    name: 'Hob & Thyme',
    town: 'Penholt',
    mail: 'nadia@hob-and-thyme.example',
    phone: '+44 1632 960233',
    account: 'GB15 LARK 2020 1593 4561 00',
  },
  {
    number: 40240,
    name: 'Tern Island Ferry Galley',
    town: 'Quay',
    mail: 'galley@tern-ferry.example',
    phone: '+44 1632 960240',
    account: 'GB67 LARK 4000 3010 0287 11',
  },
]
const ARTICLES: Article[] = [
  { number: 7004, name: 'Crate liner M', place: 'A-03-2', onHand: 1240, low: 400 },
  { number: 7011, name: 'Label roll 60 mm', place: 'A-04-1', onHand: 18, low: 24 },
  { number: 7120, name: 'Peat-free substrate', place: 'C-01-1', onHand: 64, low: 30 },
  { number: 7131, name: 'Tray, 144 cells', place: 'C-02-4', onHand: 910, low: 300 },
  { number: 7302, name: 'Silicone grease', place: 'F-01-3', onHand: 6, low: 2 },
]

/** The made-up PIN that gives a discount; a field that nobody may ever record. */
export const DISCOUNT_PIN = '2468'

/** A day as many days after another.
 * @param day `YYYY-MM-DD` */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)

/** The whole book, in memory: each start begins with the same made-up day. */
export class Book {
  readonly customers = CUSTOMERS
  readonly articles: Article[] = ARTICLES.map((article) => ({ ...article }))
  readonly slots: Slots = {
    '0/06:30': { number: 811, haulier: 'Brackwater Haulage', pallets: 6, chilled: true, tailLift: false },
    '1/07:30': { number: 812, haulier: 'Two Rivers', pallets: 8, chilled: false, tailLift: false },
  }
  readonly orders: Order[]
  readonly standing: StandingOrder[]
  private nextOrder = 52_118
  private nextStanding = 3_041
  private nextBooking = 813

  constructor(readonly today: string) {
    const order = (
      number: number,
      customer: number,
      herb: NewOrder['lines'][0]['herb'],
      crate: 'S' | 'M' | 'L',
      crates: number,
      inDays: number,
      state: Order['state'],
    ): Order => ({
      number,
      customer,
      lines: [{ herb, crate, crates }],
      delivery: dayAfter(today, inDays),
      chilled: crate === 'S',
      note: '',
      discount: false,
      state,
    })
    this.orders = [
      order(52_112, 40_127, 'Basil, green', 'M', 3, 1, 'open'),
      order(52_113, 40_218, 'Tarragon', 'S', 2, 1, 'open'),
      order(52_114, 40_202, 'Parsley, flat', 'L', 6, 0, 'packed'),
      order(52_115, 40_233, 'Chives', 'S', 1, 2, 'open'),
      order(52_116, 40_131, 'Mint', 'M', 2, -1, 'cancelled'),
      order(52_117, 40_240, 'Dill', 'M', 4, 3, 'open'),
    ]
    this.standing = [
      {
        number: 3_040,
        customer: 40_202,
        days: ['Mon', 'Wed', 'Fri'],
        lines: [{ herb: 'Basil, green', crate: 'L', crates: 4 }],
        first: dayAfter(today, -30),
        stopped: false,
      },
    ]
  }
  isCustomer(number: number): boolean {
    return this.customers.some((customer) => customer.number === number)
  }
  addOrder({ pin, ...order }: NewOrder): Order {
    const added: Order = { ...order, discount: pin === DISCOUNT_PIN, number: this.nextOrder++, state: 'open' }
    this.orders.unshift(added)
    return added
  }
  addStanding(order: NewStandingOrder): StandingOrder {
    const added: StandingOrder = { ...order, number: this.nextStanding++, stopped: false }
    this.standing.unshift(added)
    return added
  }
  /** @returns the booking, or `null` when the slot is taken */
  book(slot: string, booking: Booking): Slots[string] | null {
    if (this.slots[slot]) return null
    return (this.slots[slot] = { ...booking, number: this.nextBooking++ })
  }
  move(from: string, to: string): boolean {
    const booking = this.slots[from]
    if (!booking || this.slots[to]) return false
    delete this.slots[from]
    this.slots[to] = booking
    return true
  }
}
