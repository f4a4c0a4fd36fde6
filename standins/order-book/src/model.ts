import * as z from 'zod/mini'

/** What the Order Book knows. Days are `YYYY-MM-DD`; numbers are those that people say on the telephone. */
export const HERBS = [
  'Basil, green',
  'Basil, purple',
  'Chives',
  'Coriander',
  'Dill',
  'Mint',
  'Parsley, curly',
  'Parsley, flat',
  'Rosemary',
  'Sage',
  'Tarragon',
  'Thyme',
] as const
export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const
export const DOCKS = ['Dock 1, curtain', 'Dock 2', 'Dock 3, no leveller'] as const
export const SLOT_TIMES = ['06:00', '06:30', '07:00', '07:30', '08:00', '08:30', '09:00'] as const

const Day = z.string().check(z.regex(/^\d{4}-\d{2}-\d{2}$/, 'Choose a day'))
const Line = z.object({
  herb: z.enum(HERBS),
  crate: z.enum(['S', 'M', 'L']),
  crates: z.int().check(z.minimum(1, 'At least one crate'), z.maximum(400, 'At most 400 crates')),
})

export const Customer = z.object({
  number: z.int(),
  name: z.string(),
  town: z.string(),
  mail: z.string(),
  phone: z.string(),
  account: z.string(),
})
export type Customer = z.infer<typeof Customer>

export const NewOrder = z.object({
  customer: z.int().check(z.positive('Choose a customer')),
  lines: z.array(Line).check(z.minLength(1, 'Add a line')),
  delivery: Day,
  chilled: z.boolean(),
  reference: z.optional(z.string().check(z.maxLength(60))),
  note: z.string().check(z.maxLength(500)),
  pin: z.optional(z.string().check(z.maxLength(20))),
})
export type NewOrder = z.infer<typeof NewOrder>
export type Order = Omit<NewOrder, 'pin'> & { number: number; discount: boolean; state: 'open' | 'packed' | 'cancelled' }

export const NewStandingOrder = z.object({
  customer: z.int().check(z.positive('Choose a customer')),
  days: z.array(z.enum(WEEKDAYS)).check(z.minLength(1, 'Tick at least one day')),
  lines: z.array(Line).check(z.minLength(1, 'Add a line')),
  first: Day,
})
export type NewStandingOrder = z.infer<typeof NewStandingOrder>
export type StandingOrder = NewStandingOrder & { number: number; stopped: boolean }

export type Article = { number: number; name: string; place: string; onHand: number; low: number }

export const Booking = z.object({
  haulier: z.string().check(z.trim(), z.minLength(2, 'Enter the haulier'), z.maxLength(80)),
  pallets: z.int().check(z.minimum(1, 'At least one pallet'), z.maximum(8, 'A slot holds 8 pallets; book a second one')),
  chilled: z.boolean(),
  tailLift: z.boolean(),
})
export type Booking = z.infer<typeof Booking>
/** Slots by `dock/time`. */
export type Slots = Record<string, Booking & { number: number }>
