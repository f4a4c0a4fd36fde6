import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, press, signedIn, startApp, type App } from './app'
import { sleep } from './recorder'

let app: App
let browser: Browser
let marta: Page & { complaints: string[] }
let guideId: string
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  marta = await signedIn(browser, app, 'marta@larkmoor.example')
  guideId = await marta.evaluate(async () => {
    const { rows } = (await (await fetch('/api/guides?find=nutrient')).json()) as { rows: { id: string }[] }
    return rows[0]!.id
  })
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

const stepTexts = () => marta.$$eval('li[data-step] [data-step-text]', (all) => all.map((each) => each.textContent ?? ''))
const topOf = (n: number) => marta.$$eval('li[data-step] [data-step-text]', (all, at) => all[at as number]!.getBoundingClientRect().top, n)
/** A press as a hand makes it: the button is held for a moment. What lies under it must not move meanwhile. */
async function pressHeld(n: number): Promise<void> {
  await marta.$$eval('li[data-step]', (all, at) => all[at as number]!.scrollIntoView({ block: 'center' }), n)
  await sleep(80)
  const box = (await (await marta.$$('li[data-step] [data-step-text]'))[n]!.boundingBox())!
  await marta.mouse.move(box.x + 30, box.y + 18)
  const before = await topOf(n)
  await marta.mouse.down()
  await sleep(90)
  expect(await topOf(n)).toBe(before)
  await marta.mouse.up()
  expect(await topOf(n)).toBe(before)
  // As long as a hand takes from the mouse to the keys; a jump to the beginning within 0.2 s of the focus is taken for the browser's own.
  await sleep(280)
}
async function keyWith(modifiers: ('Control' | 'Shift')[], key: Parameters<Page['keyboard']['press']>[0]): Promise<void> {
  for (const each of modifiers) await marta.keyboard.down(each)
  await marta.keyboard.press(key)
  for (const each of modifiers) await marta.keyboard.up(each)
  // As long as a hand takes to the next key.
  await sleep(60)
}
/** Waits until the cursor is in a step, and as long as a hand takes: a jump to the beginning right after the focus would not be the hand's. */
async function writesIn(n: number): Promise<void> {
  await marta.waitForFunction((at: number) => document.querySelectorAll('li[data-step]')[at]?.contains(document.activeElement), {}, n)
  await sleep(280)
}
const told = (words: string) =>
  marta.waitForFunction((text: string) => document.querySelector('[data-said-line]')?.textContent?.includes(text), {}, words)

describe('writing into one step after the other', () => {
  it('keeps every letter where it was meant, whichever step was written in before', async () => {
    await marta.goto(`${app.address}/guides/${guideId}/edit`)
    await marta.waitForSelector('li[data-step]')
    const before = await stepTexts()
    expect(before.length).toBeGreaterThanOrEqual(10)
    // A table in one of them, the tallest thing that opens tools of its own.
    await pressHeld(4)
    await keyWith(['Control'], 'End')
    await press(marta, 'Table')
    await marta.waitForSelector('[data-floats-at="table"]')
    const expected = [...before]
    // Down and up again, and across: the step below and the step above the one that is written in.
    const order = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].flatMap((n) => (n % 3 === 2 ? [n, n - 1] : [n]))
    for (const [round, n] of order.entries()) {
      await pressHeld(n)
      await keyWith(['Control'], 'Home')
      const words = `(${round + 1}, step ${n + 1}) `
      await marta.keyboard.type(words)
      expected[n] = words + expected[n]!
    }
    expect(await stepTexts()).toEqual(expected)
    await marta.waitForFunction(() => /Saved at/.test(document.body.innerText))
    await marta.reload()
    await marta.waitForSelector('li[data-step]')
    expect(await stepTexts()).toEqual(expected)
    expect(marta.complaints).toEqual([])
  })
  it('makes a new step at the end of one, joins it again, and says so', async () => {
    const before = await stepTexts()
    await pressHeld(1)
    await keyWith(['Control'], 'End')
    await keyWith(['Control', 'Shift'], 'Enter')
    await told('New step 3')
    await writesIn(2)
    await marta.keyboard.type('Wait')
    expect(await stepTexts()).toEqual([...before.slice(0, 2), 'Wait', ...before.slice(2)])
    await keyWith(['Control'], 'Home')
    await marta.keyboard.press('Backspace')
    await told('Joined with step 2')
    await writesIn(1)
    await marta.keyboard.type('Here: ')
    expect(await stepTexts()).toEqual([before[0]!, `${before[1]!}Here: Wait`, ...before.slice(2)])
  })
})
