import { fork, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'

type Letter = { subject: string; text: string }
let app: App
let browser: Browser
let marta: Page
let postRoom: ChildProcess
let post = { listening: 0, smtp: 0 }
beforeAll(async () => {
  postRoom = fork(join(process.cwd(), 'dist/standins/mail/main.mjs'), { stdio: 'ignore' })
  post = await new Promise((resolve) => postRoom.once('message', (ready) => resolve(ready as typeof post)))
  ;[app, browser] = await Promise.all([
    startApp({ JOBS: 'yes', SMTP_URL: `smtp://127.0.0.1:${post.smtp}`, PUBLIC_URL: 'https://guides.larkmoor.example' }),
    openBrowser(),
  ])
  marta = await signedIn(browser, app, 'marta@larkmoor.example')
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
  postRoom.kill()
})

const clean = async (page: Page) => expect(await seriousFindings(page)).toEqual([])
/** Goes on with Tab until what is called so has the focus. */
async function tabTo(page: Page, name: string): Promise<void> {
  for (let n = 0; n < 60; n++) {
    const is = await page.evaluate((wanted) => {
      const element = document.activeElement as HTMLInputElement | null
      const called = element?.getAttribute('aria-label') ?? element?.labels?.[0]?.innerText ?? element?.innerText ?? ''
      return called.trim() === wanted
    }, name)
    if (is) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`“${name}” was not come to by keyboard`)
}
/** Types into the field that has the focus and takes the first thing that is found. */
async function pickFirst(page: Page, words: string): Promise<void> {
  await page.keyboard.type(words)
  await page.waitForSelector('[role=option]')
  await page.keyboard.press('Enter')
}
const onPage = (page: Page, name: string, role: string) => page.locator(`::-p-aria([name="${name}"][role="${role}"])`)

it('builds an audience by keyboard, sees who is in it and why, and publishes to it', async () => {
  await marta.goto(`${app.address}/people/audiences/new`)
  await seen(marta, 'Everybody who works here is in it')
  await tabTo(marta, 'Name')
  await marta.keyboard.type('Line A, without its lead')
  await tabTo(marta, 'Add a condition')
  await marta.keyboard.press('Enter')
  await seen(marta, 'Something is still to be chosen')
  await marta.keyboard.down('Shift')
  for (let n = 0; n < 2; n++) await marta.keyboard.press('Tab')
  await marta.keyboard.up('Shift')
  await pickFirst(marta, 'crate line a')
  await seen(marta, 'Everybody who is in “Crate line A” (team). Follows changes.')
  await tabTo(marta, 'Never in it')
  await pickFirst(marta, 'pike')
  await seen(marta, '7 people')
  await tabTo(marta, 'Why is somebody in it, or not?')
  await pickFirst(marta, 'gareth')
  await seen(marta, 'Gareth Pike is not in it.')
  await seen(marta, 'They are named among those who are never in it.')
  await clean(marta)
  await marta.keyboard.down('Shift')
  await tabTo(marta, 'Save the audience')
  await marta.keyboard.up('Shift')
  await marta.keyboard.press('Enter')
  await seen(marta, '“Line A, without its lead” is saved')

  await press(marta, 'Library')
  await click(marta, 'td ::-p-text(Water the seed trays)')
  await click(marta, '::-p-text(Publish …)')
  await onPage(marta, 'A saved audience', 'radio').click()
  await marta.select('::-p-aria([name="Audience"][role="combobox"])', await optionValue(marta, 'Line A, without its lead (7)'))
  await seen(marta, 'Publish to 7 people')
  await clean(marta)
  await press(marta, 'Publish to 7 people')
  await seen(marta, 'Edition 1 is published')
})
/** The value of the choice that is called so, once it is there. */
async function optionValue(page: Page, words: string): Promise<string> {
  await page.waitForFunction((wanted) => [...document.querySelectorAll('option')].some((each) => each.innerText === wanted), {}, words)
  return page.$$eval('option', (all, wanted) => all.find((each) => each.innerText === wanted)?.value ?? '', words)
}

it('adds a newcomer, who accepts the invitation on a phone and finds what their team is given', async () => {
  await press(marta, 'People')
  await press(marta, 'Add a person')
  await onPage(marta, 'Name', 'textbox').fill('Ola Nowak')
  await onPage(marta, 'Mail address', 'textbox').fill('ola@larkmoor.example')
  await onPage(marta, 'Reports to', 'combobox').fill('gareth')
  await marta.waitForSelector('[role=option] ::-p-text(Gareth Pike)')
  await marta.keyboard.press('Enter')
  await onPage(marta, 'Groups', 'combobox').fill('crate line a')
  await marta.waitForSelector('[role=option] ::-p-text(Crate line A)')
  await marta.keyboard.press('Enter')
  await clean(marta)
  await press(marta, 'Add them')
  await seen(marta, 'Not invited yet.')
  await press(marta, 'Invite them')
  await press(marta, 'Send the invitation')
  await seen(marta, 'Invited by Marta Sorrel')
  await clean(marta)

  const letters = async (): Promise<Letter[]> =>
    (await fetch(`http://127.0.0.1:${post.listening}/api/letters?to=ola@larkmoor.example`)).json() as Promise<Letter[]>
  let letter: Letter | undefined
  while (!letter) {
    letter = (await letters()).find(({ subject }) => subject.includes('invites you'))
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  const phone = await (await browser.createBrowserContext()).newPage()
  await phone.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true })
  await phone.goto(/https:\S+/.exec(letter.text)![0].replace('https://guides.larkmoor.example', app.address))
  await seen(phone, 'Ola Nowak, this is Jackdaw of Larkmoor Glasshouses')
  await clean(phone)
  await onPage(phone, 'Password', 'textbox').fill('short')
  await press(phone, 'Choose it and go in')
  await seen(phone, 'At least 10 characters')
  await onPage(phone, 'Password', 'textbox').fill('crates and herbs')
  await press(phone, 'Choose it and go in')
  await seen(phone, 'Water the seed trays')
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await press(phone, 'People')
  await onPage(phone, 'Find somebody', 'searchbox').fill('pik')
  await phone.waitForFunction(() => document.querySelectorAll('main ul[aria-label=People] > li').length === 1)
  await clean(phone)
})

it('moves somebody to another team, and lets somebody leave', async () => {
  await marta.goto(`${app.address}/people?find=ola`)
  await press(marta, 'Ola Nowak')
  await press(marta, 'Crate line A')
  await press(marta, 'Take Ola Nowak out')
  await seen(marta, 'Ola Nowak is out of Crate line A')
  await marta.goto(`${app.address}/people?find=ola`)
  await press(marta, 'Ola Nowak')
  await seen(marta, 'Before: one group')
  await press(marta, 'They leave')
  await press(marta, 'End their access')
  await seen(marta, 'Ola Nowak does not work here any more')
  await clean(marta)
  const there = await (await browser.createBrowserContext()).newPage()
  await there.goto(`${app.address}/sign-in`)
  await onPage(there, 'Mail address or personnel number', 'textbox').fill('ola@larkmoor.example')
  await onPage(there, 'Password', 'textbox').fill('crates and herbs')
  await onPage(there, 'Sign in', 'button').click()
  await seen(there, 'Mail address, number or password is wrong')
  await clean(there)

  await marta.goto(`${app.address}/people/chart`)
  await seen(marta, 'Helena Brandt')
  await clean(marta)
  await marta.$eval('[role=treeitem][tabindex="0"]', (element) => (element as SVGElement).focus())
  await marta.keyboard.press('ArrowRight')
  await marta.waitForFunction(() => document.activeElement?.getAttribute('aria-label')?.startsWith('Dieter Kranz'))
  await marta.keyboard.press('Enter')
  await seen(marta, 'Reports to Dieter Kranz')
  await clean(marta)
}, 60_000)
