import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, signedIn, startApp, type App } from './app'

let app: App
let browser: Browser
let tomasz: Page & { complaints: string[] }
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  tomasz = await signedIn(browser, app, 'tomasz@larkmoor.example')
  await press(tomasz, 'Library')
  await click(tomasz, 'td ::-p-text(Water the seed trays)')
  await tomasz.waitForSelector('li[data-step]')
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

/** Waits until the steps begin with these words. */
const stepsAre = (expected: readonly (string | undefined)[]) =>
  tomasz.waitForFunction(
    (wanted: string) =>
      JSON.stringify(
        [...document.querySelectorAll('li[data-step] [data-step-text]')].map((each) => (each as HTMLElement).innerText.trim().slice(0, 12)),
      ) === wanted,
    {},
    JSON.stringify(expected),
  )
const texts = () =>
  tomasz.$$eval('li[data-step] [data-step-text]', (all) => all.map((each) => (each as HTMLElement).innerText.trim().slice(0, 12)))
const pictures = () => tomasz.$$eval('img[src*="/draft/pictures/"]', (all) => all.length)
const undo = async () => {
  await tomasz.keyboard.down('Control')
  await tomasz.keyboard.press('z')
  await tomasz.keyboard.up('Control')
}
/** Gives a file to an element as a drop or a paste would: a small PNG, drawn in the page. */
const give = (selector: string, how: 'drop' | 'paste') =>
  tomasz.evaluate(
    async (where: string, event: string) => {
      const canvas = Object.assign(document.createElement('canvas'), { width: 40, height: 30 })
      const blob = await new Promise<Blob>((resolve) => canvas.toBlob((made) => resolve(made!), 'image/png'))
      const data = new DataTransfer()
      data.items.add(new File([blob], 'drawn.png', { type: 'image/png' }))
      const target = document.querySelector(where)!
      target.dispatchEvent(
        event === 'drop'
          ? new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true })
          : new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      )
    },
    selector,
    how,
  )

describe('the author’s bench', () => {
  it('takes pictures that are dropped on a step or pasted into it', async () => {
    await give('li[data-step]', 'drop')
    await tomasz.waitForFunction(() => document.querySelectorAll('img[src*="/draft/pictures/"]').length === 1)
    await (await tomasz.$('li[data-step]:nth-of-type(2) [data-step-text]'))!.click()
    await tomasz.waitForSelector('.ProseMirror')
    await give('.ProseMirror', 'paste')
    await tomasz.waitForFunction(() => document.querySelectorAll('img[src*="/draft/pictures/"]').length === 2)
    await undo()
    await tomasz.waitForFunction(() => document.querySelectorAll('img[src*="/draft/pictures/"]').length === 1)
    expect(await pictures()).toBe(1)
  })
  it('duplicates, deletes and moves steps by dragging, and takes each back', async () => {
    const before = await texts()
    expect(before).toHaveLength(2)
    await press(tomasz, 'More for Fog for 40 seconds, then wait two minutes and look at the surface.')
    await press(tomasz, 'Duplicate')
    await stepsAre([...before, before[1]])
    // The tools are those of the step that is selected: coming to its text selects it.
    await (await tomasz.$('li[data-step] [data-step-text]'))!.click()
    await (await tomasz.waitForSelector('button[aria-label^="Delete: Check that"]'))!.focus()
    await tomasz.keyboard.press('Enter')
    await stepsAre([before[1], before[1]])
    await undo()
    await undo()
    await stepsAre(before)
    const handles = await tomasz.$$('nav[aria-label="Outline"] button[aria-label^="Move:"]')
    const [from, to] = [await handles[0]!.boundingBox(), await handles[1]!.boundingBox()]
    await tomasz.mouse.move(from!.x + 10, from!.y + 10)
    await tomasz.mouse.down()
    await tomasz.mouse.move(from!.x + 10, from!.y + 30, { steps: 4 })
    await tomasz.mouse.move(to!.x + 10, to!.y + 20, { steps: 8 })
    await tomasz.mouse.up()
    await tomasz.waitForFunction(
      (first: string) => (document.querySelector('li[data-step] [data-step-text]') as HTMLElement).innerText.startsWith(first),
      {},
      before[1]!,
    )
    await undo()
    await stepsAre(before)
  })
  it('makes lists, tables, code, key caps and safe links only', async () => {
    const tool = (name: string) => press(tomasz, name)
    await (await tomasz.$('li[data-step] [data-step-text]'))!.click()
    await tomasz.waitForSelector('.ProseMirror')
    await tomasz.keyboard.down('Control')
    await tomasz.keyboard.press('End')
    await tomasz.keyboard.up('Control')
    await tomasz.keyboard.press('Enter')
    await tool('List with dots')
    await tomasz.keyboard.type('gloves')
    await tomasz.keyboard.press('Enter')
    await tomasz.keyboard.press('Enter')
    await tool('Key cap (Ctrl+Shift+K)')
    await tomasz.keyboard.type('F2')
    await tool('Key cap (Ctrl+Shift+K)')
    await tool('Link')
    await tomasz.locator('input[aria-label="Guide, step or address"]').fill('javascript:alert(1)')
    await press(tomasz, 'Set link')
    await seen(tomasz, 'or enter a web, mail or telephone address')
    await tomasz.locator('input[aria-label="Guide, step or address"]').fill('larkmoor.example/fog')
    // What was wrong goes from the form, and its buttons move up.
    await tomasz.waitForFunction(() => document.querySelector('[data-floats-at] [role=alert]') === null)
    await press(tomasz, 'Set link')
    await tomasz.waitForSelector('.ProseMirror a[href]')
    await tool('Table')
    await tomasz.waitForSelector('.ProseMirror th')
    await tomasz.keyboard.type('Minutes')
    await tomasz.waitForFunction(() => /Saved at/.test(document.body.innerText))
    await tomasz.reload()
    await tomasz.waitForFunction(() => document.querySelector('li[data-step] th')?.textContent === 'Minutes')
    const found = await tomasz.$eval('li[data-step]', (step) => ({
      list: step.querySelector('ul li')?.textContent,
      key: step.querySelector('kbd')?.textContent,
      link: step.querySelector('a')?.getAttribute('href'),
      head: step.querySelector('th')?.textContent,
    }))
    expect(found).toEqual({ list: 'gloves', key: 'F2', link: 'https://larkmoor.example/fog', head: 'Minutes' })
  })
  it('changes and takes back the facts beside the text', async () => {
    const facts = (label: string) => `::-p-aria([name="${label}"][role="combobox"])`
    const chosen = async (label: string, wanted: string): Promise<void> => {
      const select = (await tomasz.waitForSelector(facts(label)))!
      await tomasz.waitForFunction(
        (field, words) => (field as HTMLSelectElement).selectedOptions[0]?.text.trim() === words,
        {},
        select,
        wanted,
      )
    }
    const choose = async (label: string, wanted: string): Promise<void> => {
      const select = (await tomasz.waitForSelector(facts(label)))!
      const value = await select.evaluate(
        (field, words) => [...(field as HTMLSelectElement).options].find((option) => option.text.trim() === words)!.value,
        wanted,
      )
      await select.select(value)
      await chosen(label, wanted)
    }
    await chosen('Folder', 'Propagation')
    await choose('Kind', 'Work instruction')
    await choose('Folder', 'Everybody')
    await press(tomasz, 'Undo (Ctrl+Z)')
    await chosen('Folder', 'Propagation')
    await press(tomasz, 'Undo (Ctrl+Z)')
    await chosen('Kind', 'How-to')
    await seen(tomasz, 'A lead publishes this guide')
    expect(tomasz.complaints).toEqual([])
  })
  it('shows nothing of other people’s guides to an author who may not see them', async () => {
    await tomasz.goto(`${app.address}/library`)
    await seen(tomasz, 'Set up and run the tray seeder')
    expect(await tomasz.evaluate(() => document.body.innerText)).not.toContain('Change a pump filter')
  })
})
