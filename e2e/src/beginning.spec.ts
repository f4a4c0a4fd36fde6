import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, startEmpty } from './app'

let app: Awaited<ReturnType<typeof startEmpty>>
let browser: Browser
let uta: Page
let folder = ''
beforeAll(async () => {
  ;[app, browser, folder] = await Promise.all([startEmpty(), openBrowser(), mkdtemp(join(tmpdir(), 'jackdaw-list-'))])
  uta = await aPage()
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
  await rm(folder, { recursive: true, force: true })
})

async function aPage(size = { width: 1280, height: 800 }): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage()
  await page.setViewport(size)
  page.setDefaultTimeout(30_000)
  await (await page.createCDPSession()).send('Emulation.setFocusEmulationEnabled', { enabled: true })
  return page
}
const clean = async (page: Page) => expect(await seriousFindings(page)).toEqual([])
const fill = (page: Page, name: string, words: string): Promise<void> =>
  page.locator(`::-p-aria([name="${name}"][role="textbox"])`).fill(words)

/** 200 bakers in four teams, with six mistakes. */
function list(): string {
  const lines = Array.from({ length: 200 }, (_, n) => {
    const first = n === 0 ? '' : `B${String(Math.floor((n - 1) / 8)).padStart(3, '0')}`
    return [`B${String(n).padStart(3, '0')}`, `Baker ${n}`, '', `Oven ${1 + (n % 4)}`, first, '4.1.2026']
  })
  lines[50]![0] = 'B010'
  lines[60]![5] = '31.2.2026'
  lines[70]![2] = 'no address'
  lines[80]![1] = ''
  lines[90]![4] = 'Nobody at all'
  lines[100]![1] = '=1+1'
  return `\ufeff${[['No.', 'Full name', 'E-mail', 'Team', 'Reports to', 'Start date'], ...lines].map((line) => line.join(';')).join('\r\n')}\r\n`
}

it('sets an empty company up from the link that was printed, and takes in 200 people from a file with mistakes', async () => {
  await uta.goto(`${app.address}/set-up#${app.token}`)
  await seen(uta, 'Your first site')
  await press(uta, 'Begin')
  await seen(uta, 'What is the company called?')
  await clean(uta)
  await fill(uta, 'Name of the company', 'Fernhill Bakers')
  await uta.select('select', 'food')
  await fill(uta, 'Name of the site', 'Mill Lane')
  await fill(uta, 'Your name', 'Uta Berg')
  await fill(uta, 'Your mail address', 'uta@fernhill.example')
  await uta.locator('input[type=password]').fill('crates and herbs')
  await press(uta, 'Begin')
  await seen(uta, '0 of 8 are there')
  await clean(uta)

  await press(uta, 'Take in a list')
  const file = join(folder, 'bakers.csv')
  await writeFile(file, list())
  const field = (await uta.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>
  await field.uploadFile(file)
  await seen(uta, '200 lines are wrong')
  await click(uta, '::-p-aria([name="Make groups that are not there yet"])')
  await seen(uta, '6 lines are wrong')
  await seen(uta, 'This personnel number stands in line 12 already.')
  await seen(uta, 'A cell holds a formula instead of a value: =1+1')
  await seen(uta, '194 lines change something')
  await clean(uta)
  await press(uta, 'Take in all but the 6 wrong lines')
  await seen(uta, '194 people are new')
  await seen(uta, '4 groups are made')
  await press(uta, 'To the directory')
  await seen(uta, '195 people')
  await uta.goto(`${app.address}/set-up#${app.token}`)
  await seen(uta, 'This link holds no more')
}, 90_000)

it('writes the first guide, publishes it to a team, and has it read to its end by somebody with a number and no mail address', async () => {
  await uta.goto(`${app.address}/people/roles`)
  await press(uta, 'Take “Release the line”')
  await uta.waitForFunction(() => [...document.querySelectorAll('td')].some((cell) => cell.innerText === 'Line lead'))
  await clean(uta)
  await uta.goto(`${app.address}/library`)
  await press(uta, 'New guide')
  await uta.locator('[role=dialog] input').fill('Light the oven')
  await press(uta, 'Begin to write')
  await uta.waitForSelector('textarea[aria-label="Title"]')
  const address = uta.url().replace('/edit', '')
  await click(uta, 'li[data-step] [data-step-text]')
  await uta.waitForFunction(() => document.activeElement?.matches('.ProseMirror'))
  await uta.keyboard.type('Open the gas tap')
  await seen(uta, 'Saved')
  await uta.goto(`${address}/publish`)
  await click(uta, 'fieldset ::-p-text(Oven 1)')
  await press(uta, 'Publish to 47 people')
  await seen(uta, 'Edition 1 is published')

  await uta.goto(`${app.address}/people?find=baker+4`)
  await press(uta, 'Baker 4')
  await press(uta, 'Give them a new password')
  await press(uta, 'Give it')
  const password = await uta.waitForFunction(
    () => /[a-z]{4}-\d{4}-[a-z]{4}/.exec(document.querySelector('[role=dialog]')?.textContent ?? '')?.[0],
  )
  const phone = await aPage({ width: 390, height: 844 })
  await phone.goto(`${app.address}/sign-in`)
  await fill(phone, 'Mail address or personnel number', 'B004')
  const given = (await password.jsonValue())!
  await phone.locator('input[type=password]').fill(given)
  await phone.keyboard.press('Enter')
  await seen(phone, 'Choose a password of your own')
  await phone.locator('input[autocomplete=current-password]').fill(given)
  await phone.locator('input[autocomplete=new-password]').fill('dough and flour')
  await phone.keyboard.press('Enter')
  await seen(phone, 'Light the oven')
  await clean(phone)
  await press(phone, 'Begin Light the oven')
  await seen(phone, 'Open the gas tap')
  await press(phone, 'To the end')
  await seen(phone, 'That was the last step')
  await press(phone, 'Done')
  await seen(phone, 'It is on record that you have read edition 1')

  // What has really happened has ticked itself.
  await uta.goto(`${app.address}/first-steps`)
  await uta.waitForFunction(() => {
    const done = [...document.querySelectorAll('h2')].filter((each) => each.innerText.includes('done')).map((each) => each.innerText)
    return done.some((words) => words.includes('published')) && done.some((words) => words.includes('to its end by somebody else'))
  })
  await clean(uta)
}, 90_000)
