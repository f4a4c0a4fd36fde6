import { describe, expect, it } from 'vitest'
import { Book, dayAfter, DISCOUNT_PIN } from './book'
import { Booking, NewOrder, NewStandingOrder } from './model'

const order: NewOrder = {
  customer: 40_127,
  lines: [{ herb: 'Sage', crate: 'S', crates: 2 }],
  delivery: '2026-03-11',
  chilled: false,
  note: '',
}
const booking: Booking = { haulier: 'Two Rivers', pallets: 3, chilled: false, tailLift: true }

describe('the book', () => {
  it('begins each day with the same made-up orders around that day', () => {
    const [one, two] = [new Book('2026-03-10'), new Book('2026-03-10')]
    expect(one.orders).toEqual(two.orders)
    expect(new Set(one.orders.map((each) => each.state))).toEqual(new Set(['open', 'packed', 'cancelled']))
    expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01')
  })
  it('numbers what is entered and puts it on top, and never keeps a PIN', () => {
    const book = new Book('2026-03-10')
    const [first, second] = [book.addOrder({ ...order, pin: DISCOUNT_PIN }), book.addOrder(order)]
    expect([first.discount, second.discount]).toEqual([true, false])
    expect(second.number).toBe(first.number + 1)
    expect(book.orders[0]).toBe(second)
    expect(JSON.stringify(book.orders)).not.toContain(DISCOUNT_PIN)
  })
  it('gives a slot once and moves it only to a free one', () => {
    const book = new Book('2026-03-10')
    expect(book.book('1/07:30', booking)).toBeNull()
    expect(book.book('2/06:00', booking)).toMatchObject({ haulier: 'Two Rivers' })
    expect(book.move('2/06:00', '1/07:30')).toBe(false)
    expect(book.move('2/09:00', '2/08:00')).toBe(false)
    expect(book.move('2/06:00', '2/08:00')).toBe(true)
    expect(Object.keys(book.slots).sort()).toEqual(['0/06:30', '1/07:30', '2/08:00'])
  })
})

describe('what the Order Book takes', () => {
  it.each([
    ['a whole order', NewOrder, order, true],
    ['no customer', NewOrder, { ...order, customer: 0 }, false],
    ['half a crate', NewOrder, { ...order, lines: [{ herb: 'Sage', crate: 'S', crates: 0.5 }] }, false],
    ['a crate that does not exist', NewOrder, { ...order, lines: [{ herb: 'Sage', crate: 'XL', crates: 1 }] }, false],
    ['a long note', NewOrder, { ...order, note: 'x'.repeat(501) }, false],
    ['nine pallets', Booking, { ...booking, pallets: 9 }, false],
    ['a haulier without a name', Booking, { ...booking, haulier: '  ' }, false],
    ['a standing order on Sundays', NewStandingOrder, { customer: 1, days: ['Sun'], lines: order.lines, first: '2026-03-11' }, false],
    [
      'a standing order on two days',
      NewStandingOrder,
      { customer: 1, days: ['Mon', 'Fri'], lines: order.lines, first: '2026-03-11' },
      true,
    ],
  ] as const)('%s', (_, schema, value, ok) => {
    expect(schema.safeParse(value).success).toBe(ok)
  })
})
