import { join } from 'node:path'
import express, { type Express, type Request, type Response } from 'express'
import * as z from 'zod/mini'
import { Book, DISCOUNT_PIN } from './book'
import { Booking, DOCKS, NewOrder, NewStandingOrder, SLOT_TIMES } from './model'

const REPORT_TAKES_MS = 1_800
const SLOTS = new Set(DOCKS.flatMap((_, dock) => SLOT_TIMES.map((time) => `${dock}/${time}`)))
const Slot = z.string().check(z.refine((slot) => SLOTS.has(slot), 'There is no such slot'))
const Count = z.object({ onHand: z.int().check(z.minimum(0), z.maximum(100_000)) })

function taken<T>(schema: z.ZodMiniType<T>, req: Request, res: Response): T | undefined {
  const parsed = schema.safeParse(req.body)
  if (parsed.success) return parsed.data
  res.status(422).json({ errors: parsed.error.issues.map((issue) => ({ field: issue.path.join('.'), words: issue.message })) })
  return undefined
}
const refuse = (res: Response, status: number, field: string, words: string): void =>
  void res.status(status).json({ errors: [{ field, words }] })

function orderRoutes(app: Express, book: Book): void {
  app.get('/api/orders', (_req, res) => void res.json(book.orders))
  app.post('/api/orders', (req, res) => {
    const order = taken(NewOrder, req, res)
    if (!order) return
    if (!book.isCustomer(order.customer)) return refuse(res, 422, 'customer', 'Choose a customer')
    if (order.pin !== undefined && order.pin !== DISCOUNT_PIN)
      return refuse(res, 422, 'pin', 'The PIN is not right; leave it empty for no discount')
    if (order.delivery < book.today) return refuse(res, 422, 'delivery', 'The day lies in the past')
    res.status(201).json(book.addOrder(order))
  })
  app.post('/api/orders/:number/cancel', (req, res) => {
    const order = book.orders.find((each) => each.number === Number(req.params.number))
    if (!order) return refuse(res, 404, '', 'There is no such order')
    order.state = 'cancelled'
    res.json(order)
  })
  app.get('/api/standing-orders', (_req, res) => void res.json(book.standing))
  app.post('/api/standing-orders', (req, res) => {
    const order = taken(NewStandingOrder, req, res)
    if (!order) return
    if (!book.isCustomer(order.customer)) return refuse(res, 422, 'customer', 'Choose a customer')
    res.status(201).json(book.addStanding(order))
  })
}

function storeRoutes(app: Express, book: Book): void {
  app.get('/api/customers', (_req, res) => void res.json(book.customers))
  app.get('/api/stock', (_req, res) => void res.json(book.articles))
  app.put('/api/stock/:number', (req, res) => {
    const count = taken(Count, req, res)
    const article = book.articles.find((each) => each.number === Number(req.params.number))
    if (!count) return
    if (!article) return refuse(res, 404, '', 'There is no such article')
    article.onHand = count.onHand
    res.json(article)
  })
  app.get('/api/slots', (_req, res) => void res.json(book.slots))
  app.post('/api/slots', (req, res) => {
    const wish = taken(z.extend(Booking, { slot: Slot }), req, res)
    if (!wish) return
    const { slot, ...booking } = wish
    const booked = book.book(slot, booking)
    if (!booked) return refuse(res, 409, 'slot', 'The slot has just been taken')
    res.status(201).json(booked)
  })
  app.post('/api/slots/move', (req, res) => {
    const wish = taken(z.object({ from: Slot, to: Slot }), req, res)
    if (!wish) return
    if (!book.move(wish.from, wish.to)) return refuse(res, 409, 'slot', 'The slot has just been taken')
    res.json(book.slots)
  })
  app.get('/api/report', (_req, res) => {
    const crates = book.orders
      .filter((order) => order.state !== 'cancelled')
      .reduce((sum, order) => sum + order.lines.reduce((n, line) => n + line.crates, 0), 0)
    setTimeout(() => res.json({ orders: book.orders.length, crates, slots: Object.keys(book.slots).length }), REPORT_TAKES_MS)
  })
}

/** The Order Book as a web application: pages, and the data behind them.
 * @param webDir folder of its built pages
 * @param today  the day on which it begins, `YYYY-MM-DD` */
export function orderBook(webDir: string, today: string): Express {
  const app = express()
  const book = new Book(today)
  app.disable('x-powered-by')
  app.use(express.json({ limit: '64kb' }))
  app.get('/api/today', (_req, res) => void res.json(book.today))
  orderRoutes(app, book)
  storeRoutes(app, book)
  app.use('/api', (_req, res) => refuse(res, 404, '', 'There is nothing at this address'))
  app.use(express.static(webDir, { index: false }))
  app.get('/frame/notes', (_req, res) => res.sendFile(join(webDir, 'notes.html')))
  app.get('/{*any}', (_req, res) => res.sendFile(join(webDir, 'index.html')))
  return app
}
