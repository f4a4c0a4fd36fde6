import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, press, seen, seriousFindings } from './app'
import { Hand } from './hand'

let book: ChildProcess
let browser: Browser
let page: Page
let address = ''
beforeAll(async () => {
  book = spawn(process.execPath, [join(process.cwd(), 'dist/standins/order-book/main.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, PORT: '0' },
  })
  address = await new Promise<string>((resolve) =>
    book.once('message', ({ listening }: { listening: number }) => resolve(`http://127.0.0.1:${listening}`)),
  )
  browser = await openBrowser()
  page = await browser.newPage()
  page.setDefaultTimeout(10_000)
  await page.setViewport({ width: 1280, height: 800 })
})
afterAll(async () => {
  await browser?.close()
  book?.kill('SIGTERM')
})

/** Chooses the last day of the month after the one shown that is not a Sunday. */
const chooseDay = async (label: string) => {
  await press(page, `${label}: choose a day`)
  await press(page, 'Month after')
  const days = await page.$$('dialog[open] .calendar button:not([disabled])')
  await days.at(-1)!.click()
}

describe('the Order Book', () => {
  it('takes an order after telling what is missing', async () => {
    await page.goto(`${address}/orders`)
    await seen(page, 'Open (4)')
    expect(await seriousFindings(page)).toEqual([])
    await page.locator('a ::-p-text(New order)').click()
    await page.locator('button.strong').click()
    await seen(page, 'Choose a customer')
    await seen(page, 'Choose a day')
    expect(await page.evaluate(() => document.activeElement?.getAttribute('name'))).toBe('customer')
    expect(await seriousFindings(page)).toEqual([])
    await page.select('select[name=customer]', '40233')
    await page.select('select[name=herb]', 'Sage')
    await press(page, 'Add a line')
    await press(page, 'Remove this line')
    await page.select('select[name=herb]', 'Thyme')
    await page.locator('input[name=crates]').fill('900')
    await chooseDay('Delivery')
    await page.locator('button.strong').click()
    await seen(page, 'At most 400 crates')
    await page.locator('input[name=crates]').fill('9')
    await page.locator('input[name=pin]').fill('1111')
    await page.locator('button.strong').click()
    await seen(page, 'The PIN is not right')
    await page.locator('input[name=pin]').fill('2468')
    await page.locator('button.strong').click()
    await seen(page, 'Hob & Thyme: open, with a discount')
    await seen(page, '9 crates of Thyme')
  })
  it('shows an order in tabs, with notes in a frame', async () => {
    await press(page, 'Notes')
    const frame = await (await page.waitForSelector('iframe'))!.contentFrame()
    await frame.locator('textarea').fill('Ring at the side door')
    await frame.locator('button').click()
    await frame.waitForSelector('li ::-p-text(Ring at the side door)')
    expect(await seriousFindings(page)).toEqual([])
    await press(page, 'Delivery')
    await seen(page, '+44 1632 960233')
  })
  it('cancels an order from the menu of its row, after asking', async () => {
    await page.locator('a ::-p-text(Back to the orders)').click()
    await seen(page, 'Open (5)')
    await press(page, 'More for order 52112')
    await press(page, 'Cancel …')
    await seen(page, 'Order 52112 will not be packed')
    await press(page, 'Keep it')
    await press(page, 'More for order 52112')
    await press(page, 'Cancel …')
    await press(page, 'Cancel the order')
    await seen(page, 'Cancelled (2)')
  })
  it('takes a standing order on certain days', async () => {
    await page.goto(`${address}/standing-orders/new`)
    await page.waitForSelector('select[name=customer]')
    await page.select('select[name=customer]', '40127')
    await chooseDay('First delivery')
    await page.locator('button.strong').click()
    await seen(page, 'Tick at least one day')
    await page.locator('input[name=day-Tue]').click()
    await page.locator('button.strong').click()
    await seen(page, '3041')
    expect(await seriousFindings(page)).toEqual([])
  })
  it('counts stock with buttons in a shadow root, and finds customers with their private data', async () => {
    await page.goto(`${address}/stock`)
    await page.locator('stock-meter >>> button[aria-label="One more Label roll 60 mm"]').click()
    await page.waitForFunction(() =>
      [...document.querySelectorAll('stock-meter')].some((meter) => meter.shadowRoot?.querySelector('b')?.textContent === '19'),
    )
    expect(await seriousFindings(page)).toEqual([])
    await page.locator('a ::-p-text(Customers)').click()
    await page.locator('input[name=find]').fill('hob')
    await page.waitForFunction(() => document.querySelectorAll('tbody tr').length === 1)
    await seen(page, 'nadia@hob-and-thyme.example')
  })
  it('books a slot and moves it by dragging, and takes its time over the report', async () => {
    await page.goto(`${address}/deliveries`)
    await page.locator('button[aria-label="08:00, Dock 2: free"]').click()
    await page.locator('dialog button.strong').click()
    await seen(page, 'Enter the haulier')
    await page.locator('input[name=haulier]').fill('Two Rivers')
    await page.locator('input[name=pallets]').fill('4')
    await page.locator('dialog button.strong').click()
    const booked = 'css:button[aria-label^="08:00, Dock 2: Two Rivers, 4 pallets"]'
    const moved = 'button[aria-label^="09:00, Dock 2: Two Rivers, 4 pallets"]'
    // On a busy machine the browser's own drag may miss that it has begun; nothing has moved then, and a person drags once more.
    for (let tries = 0; tries < 4 && !(await page.$(moved)); tries++)
      await new Hand(page).drag(booked, 'css:button[aria-label="09:00, Dock 2: free"]')
    await page.waitForSelector(moved)
    expect(await seriousFindings(page)).toEqual([])
    await page.locator('a ::-p-text(Report)').click()
    await seen(page, 'Adding up')
    await seen(page, 'Crates')
  })
  it('has a second layout in which things have moved, other names and more fields', async () => {
    await page.goto(`${address}/orders?layout=b`)
    await seen(page, 'Dock plan')
    expect(await page.$$eval('header nav a', (links) => links.map((link) => link.textContent))).toEqual([
      'Dock plan',
      'Orders',
      'Accounts',
      'Standing orders',
      'Stock',
      'Report',
    ])
    await page.locator('a ::-p-text(Create order)').click()
    await page.waitForSelector('input[name=reference]')
    await page.select('select[name=customer]', '40127')
    await page.locator('input[name=reference]').fill('PO 17')
    await chooseDay('Delivery')
    await page.locator('button.strong').click()
    await seen(page, 'reference PO 17')
    expect(await seriousFindings(page)).toEqual([])
  })
  it('refuses what makes no sense, whoever sends it', async () => {
    const post = (path: string, body: unknown) =>
      fetch(address + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
    const order = { customer: 40_127, lines: [{ herb: 'Sage', crate: 'S', crates: 1 }], delivery: '2999-01-05', chilled: false, note: '' }
    expect((await post('/api/orders', order)).status).toBe(201)
    for (const wrong of [
      { customer: 1 },
      { lines: [] },
      { delivery: '2001-01-01' },
      { delivery: 'soon' },
      { lines: [{ herb: 'Oak', crate: 'S', crates: 1 }] },
    ])
      expect((await post('/api/orders', { ...order, ...wrong })).status).toBe(422)
    const slot = { haulier: 'Two Rivers', pallets: 2, chilled: false, tailLift: false }
    expect((await post('/api/slots', { ...slot, slot: '7/23:00' })).status).toBe(422)
    expect((await post('/api/slots', { ...slot, slot: '1/07:30' })).status).toBe(409)
    expect((await post('/api/slots/move', { from: '2/06:00', to: '2/06:30' })).status).toBe(409)
    expect((await post('/api/orders/1/cancel', {})).status).toBe(404)
    expect((await fetch(`${address}/api/nothing`)).status).toBe(404)
  })
})
