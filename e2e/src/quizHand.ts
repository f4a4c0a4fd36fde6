import type { Page } from 'puppeteer-core'
import { expect } from 'vitest'
import { click, press, seen, seriousFindings } from './app'

/** A field by its name. */
export const field = (name: string): string => `::-p-aria([name="${name}"][role="textbox"])`
/** What can be chosen, by its words. */
export const option = (words: string): string => `label ::-p-text(${words})`
/** Goes on to a question. */
export const next = (page: Page, n: number, of: number) => press(page, 'Next').then(() => seen(page, `Question ${n} of ${of}`))
/** Writes into a field whose editor comes once it is gone to. */
export async function write(page: Page, name: string, words: string): Promise<void> {
  await click(page, field(name))
  await page.waitForFunction(() => document.activeElement?.classList.contains('ProseMirror') === true)
  await page.keyboard.type(words)
}
const ENTRIES = 'main ol:has([aria-label^="Move up"]) li'
/** Puts entries into an order by their arrows. */
export async function putInOrder(page: Page, entries: readonly string[]): Promise<void> {
  for (const [n, entry] of entries.entries()) {
    const at = () => page.$$eval(ENTRIES, (all, words) => all.findIndex((each) => each.textContent.includes(words)), entry)
    for (let place = await at(); place > n; place--) {
      await press(page, `Move up: ${entry}`)
      await page.waitForFunction(
        (list: string, words: string, before: number) =>
          [...document.querySelectorAll(list)].findIndex((each) => each.textContent.includes(words)) < before,
        {},
        ENTRIES,
        entry,
        place,
      )
    }
  }
}
/** All of the quiz about clean hands, as it should be. */
export async function answerRightly(page: Page): Promise<void> {
  await seen(page, 'Question 1 of 6')
  await click(page, option('It is on somebody'))
  await next(page, 2, 6)
  await page.locator('main input').fill('20')
  await next(page, 3, 6)
  for (const words of ['Rings', 'Watches', 'Bracelets']) await click(page, option(words))
  await next(page, 4, 6)
  await click(page, option('A blue one'))
  await next(page, 5, 6)
  await putInOrder(page, [
    'Wet the hands',
    'Take one push of soap',
    'Rub for 20 seconds',
    'Rinse with the fingers pointing up',
    'Dry with paper',
    'Close the tap with the paper',
  ])
  if (await page.$('::-p-aria([name="It is right as it stands"])')) await press(page, 'It is right as it stands')
  await next(page, 6, 6)
  await click(page, option('Tell the shift lead, and get other work'))
  await seen(page, 'All are answered')
}

/** Gives points for each line of a rubric, with words for whoever replied. */
export async function grade(page: Page, points: readonly number[], words: string): Promise<void> {
  for (const [n, given] of points.entries()) await click(page, `form fieldset:nth-of-type(${n + 1}) label:nth-of-type(${given + 1})`)
  await page.locator('form textarea').fill(words)
  await press(page, 'Give these points')
}

type Phone = Page & { complaints: string[] }
/** Every question of a quiz, on a telephone: nothing lies beside the page. */
export async function fitsATelephone(phone: Phone, address: string, questions: number): Promise<void> {
  await phone.goto(address)
  await click(phone, 'main button ::-p-text(Begin), main button ::-p-text(Try again)')
  for (let n = 1; n <= questions; n++) {
    await seen(phone, `Question ${n} of ${questions}`)
    expect(await phone.evaluate(() => document.scrollingElement!.scrollWidth)).toBe(390)
    if (n < questions) await press(phone, 'Next')
  }
  expect(await seriousFindings(phone)).toEqual([])
  expect(phone.complaints).toEqual([])
}
/** A reply that is recorded without a network outlives the tab, and is sent by the next one. */
export async function outlivesTheTab(phone: Phone): Promise<void> {
  await press(phone, 'Record video')
  await press(phone, 'Begin')
  await seen(phone, '0:01 of 1:00')
  await phone.setOfflineMode(true)
  await press(phone, 'Stop and take it')
  await seen(phone, 'What you have recorded is kept in this browser.')
  const attempt = phone.url()
  const context = phone.browserContext()
  await phone.close({ runBeforeUnload: false })
  const page = await context.newPage()
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true })
  page.setDefaultTimeout(30_000)
  await page.goto(attempt)
  await seen(page, '4 not answered')
  for (const n of [2, 3, 4, 5]) await next(page, n, 5)
  await seen(page, 'Take it back')
  await context.close()
}
