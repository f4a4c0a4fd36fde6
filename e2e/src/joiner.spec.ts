import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, clockAt, openBrowser, ownPage, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { api, rest } from './benchHand'

const DAY_MS = 86_400_000
/** Monday of next week, at eight in the morning. */
const monday = new Date(new Date().setUTCHours(8, 0, 0, 0) + (8 - (new Date().getUTCDay() || 7)) * DAY_MS)
const dayOf = (n: number): string => new Date(monday.getTime() + n * DAY_MS).toISOString().slice(0, 10)

let app: App
let browser: Browser
let folder: string
beforeAll(async () => {
  ;[app, browser, folder] = await Promise.all([
    startApp({ JOBS: 'yes', ...clockAt(monday) }),
    openBrowser(),
    mkdtemp(join(tmpdir(), 'jackdaw-joiner-')),
  ])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
  await rm(folder, { recursive: true, force: true })
})

const id = (letter: string): string => letter.repeat(21)
const fill = (page: Page, field: string, words: string) => page.locator(`::-p-aria([name="${field}"][role="textbox"])`).fill(words)
const clean = async (page: Page) => expect(await seriousFindings(page)).toEqual([])
const itemCalled = async (page: Page, title: string) => (await api(page, 'GET', `/api/items?find=${encodeURIComponent(title)}`))[0].item

/** A plan of two stages for whoever belongs to a team: something to read and a check-in at once; after two free days something more. */
async function givePlan(marta: Page): Promise<string> {
  const stage = { release: 'completion', free: { days: 2, working: true } }
  const questions = [
    { id: id('q'), words: 'Is it clear whom to ask?', answer: 'scale' },
    { id: id('w'), words: 'What was unclear today?', answer: 'words' },
  ]
  const document = {
    ...{ title: 'A first week at line A', about: 'Ask whenever something is unclear.', working: true, dayLimitMin: 60 },
    stages: [
      {
        ...{
          ...stage,
          id: id('a'),
          name: 'Arrive',
          items: [{ item: await itemCalled(marta, 'Larkmoor in five'), day: 1, optional: false }],
        },
        checkIns: [{ id: id('c'), name: 'First day', day: 1, questions }],
      },
      { ...stage, id: id('b'), name: 'Go on', items: [{ item: await itemCalled(marta, LISTEN), day: 2, optional: false }] },
    ],
  }
  const { id: plan } = await api(marta, 'POST', '/api/plans', { document })
  await api(marta, 'POST', `/api/plans/${plan}/editions`, { revision: 1, forAll: false })
  await marta.goto(`${app.address}/plans/${plan}/give`)
  await click(marta, 'label ::-p-text(An audience, and whoever joins it)')
  await click(marta, 'fieldset ::-p-text(Crate line A)')
  await clean(marta)
  await press(marta, 'Give it to the audience')
  await seen(marta, 'People in the plan')
  return plan
}

/** Takes somebody in by a file of one line, and gives them a password. */
async function takeIn(priya: Page): Promise<string> {
  await priya.goto(`${app.address}/people/from-a-file`)
  const file = join(folder, 'joiner.csv')
  const line = ['L900', 'Ola Nowak', '', 'Brookside', 'Crate line A', 'Gareth Pike', dayOf(0)]
  await writeFile(file, `No.;Full name;E-mail;Site;Team;Reports to;Start date\r\n${line.join(';')}\r\n`)
  const field = (await priya.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>
  await field.uploadFile(file)
  await seen(priya, 'One line changes something')
  await press(priya, 'Take in one line')
  await seen(priya, 'One person is new')
  await priya.goto(`${app.address}/people?find=nowak`)
  await press(priya, 'Ola Nowak')
  await press(priya, 'Give them a new password')
  await press(priya, 'Give it')
  const shown = await priya.waitForFunction(
    () => /[a-z]{4}-\d{4}-[a-z]{4}/.exec(document.querySelector('[role=dialog]')?.textContent ?? '')?.[0],
  )
  return (await shown.jsonValue())!
}

const LISTEN = 'Listen in on three calls from customers'
/** Fills the fields for days, as a calendar does that opens from them. */
async function fillDays(page: Page, ...days: string[]): Promise<void> {
  await page.waitForSelector('input[type=date]')
  await page.$$eval(
    'input[type=date]',
    (fields, wanted) =>
      fields.forEach((field, n) => {
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!
        set.call(field, wanted[n])
        field.dispatchEvent(new Event('input', { bubbles: true }))
      }),
    days,
  )
}
const OWN = 'crates and herbs'
async function onPhone(given?: string): Promise<Page> {
  const phone = await ownPage(browser, 'phone')
  await phone.goto(`${app.address}/sign-in`)
  await fill(phone, 'Mail address or personnel number', 'L900')
  await phone.locator('input[type=password]').fill(given ?? OWN)
  await phone.keyboard.press('Enter')
  if (given) {
    await seen(phone, 'Choose a password of your own')
    await phone.locator('input[autocomplete=current-password]').fill(given)
    await phone.locator('input[autocomplete=new-password]').fill(OWN)
    await phone.keyboard.press('Enter')
  }
  await phone.waitForSelector('[data-today]')
  return phone
}
const dueOf = async (page: Page, title: string): Promise<string | null> =>
  (await api(page, 'GET', '/api/today')).waiting.find((each: { title: string }) => each.title === title)?.dueOn ?? null
/** Until something is so, which a job brings about. */
async function until(holds: () => Promise<boolean>): Promise<void> {
  for (let n = 0; n < 150; n++) {
    if (await holds()) return
    await rest(200)
  }
  throw new Error('it did not come about')
}

it('a joiner by file finds the first stage of a plan, goes through it on a phone, has free days, and goes on; the manager answers beside; the plan changes under way, and two weeks away move it', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  // People at Brookside work from Monday to Friday, whatever the date is.
  const brookside = (await api(marta, 'GET', '/api/groups')).find(({ name }: { name: string }) => name === 'Brookside')
  await api(marta, 'PUT', `/api/groups/${brookside.id}/calendar`, { daysOff: [6, 7], holidays: [] })
  const plan = await givePlan(marta)
  const given = await takeIn(await signedIn(browser, app, 'priya@larkmoor.example'))

  // On the first morning.
  let phone = await onPhone(given)
  await seen(phone, 'A first week at line A')
  await seen(phone, 'First day, with Gareth Pike')
  expect([await dueOf(phone, 'Larkmoor in five minutes'), await dueOf(phone, LISTEN)]).toEqual([dayOf(0), null])
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(phone)
  await press(phone, 'Begin Larkmoor in five minutes')
  await seen(phone, 'Larkmoor Glasshouses grows herbs')
  await until(async () => {
    await phone.keyboard.press('ArrowRight')
    return phone.evaluate(() => document.body.innerText.includes('That was the last step'))
  })
  await press(phone, 'Done')
  await seen(phone, 'It is on record that you have read')
  await phone.goto(app.address)
  await press(phone, 'Answer First day, with Gareth Pike')
  await press(phone, 'Send your answers')
  await seen(phone, '2 answers are missing')
  await click(phone, 'label:has(input[aria-label="5, entirely"])')
  await fill(phone, 'What was unclear today?', 'Where the gloves are kept')
  await clean(phone)
  await press(phone, 'Send your answers')
  await seen(phone, 'Gareth Pike has not answered yet.')
  await phone.goto(app.address)
  await seen(phone, 'Free days until')

  // Whoever they report to answers too.
  const gareth = await signedIn(browser, app, 'gareth@larkmoor.example')
  // The whole team was asked on this day.
  await click(gareth, 'a ::-p-text(that wait, and those before)')
  await seen(gareth, 'Waits for your answers')
  await clean(gareth)
  await press(gareth, 'First day, about Ola Nowak')
  await seen(gareth, 'Neither sees what the other has answered')
  expect(await gareth.evaluate(() => document.body.innerText.includes('gloves'))).toBe(false)
  await click(gareth, 'label:has(input[aria-label="3"])')
  await fill(gareth, 'What was unclear today?', '–')
  await press(gareth, 'Send your answers')
  await seen(gareth, '2 marks apart')
  await seen(gareth, 'Where the gloves are kept')
  await clean(gareth)

  // The free days pass: on Thursday the next stage has begun.
  expect(await dueOf(phone, LISTEN)).toBeNull()
  await app.kill()
  await app.restart(clockAt(new Date(monday.getTime() + 3 * DAY_MS)))
  phone = await onPhone()
  await until(async () => (await dueOf(phone, LISTEN)) === dayOf(4))
  await phone.reload()
  await seen(phone, LISTEN)

  // The lead adds something to the stage that they are in.
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await lead.goto(`${app.address}/plans/${plan}`)
  await click(lead, 'button ::-p-text(2. Go on)')
  await fill(lead, 'Put into this stage', 'fire route')
  await click(lead, 'li button ::-p-text(Walk the fire route at Brookside)')
  await press(lead, 'Publish')
  await seen(lead, 'comes: Walk the fire route at Brookside')
  await click(lead, 'label ::-p-text(Also for those who go through it)')
  await clean(lead)
  await click(lead, '[role=dialog] button[type=submit]')
  await seen(lead, 'Edition 2')
  expect(await dueOf(phone, 'Walk the fire route at Brookside')).toBe(dayOf(4))

  // Two weeks away, from Friday on.
  await phone.goto(app.address)
  const { id: me } = await api(phone, 'GET', '/api/session')
  await phone.goto(`${app.address}/people/${me}`)
  await fillDays(phone, dayOf(4), dayOf(17))
  await press(phone, 'Note it')
  await seen(phone, 'Take out')
  expect([await dueOf(phone, LISTEN), await dueOf(phone, 'Walk the fire route at Brookside')]).toEqual([dayOf(18), dayOf(18)])
  await lead.goto(`${app.address}/plans/${plan}/people`)
  await seen(lead, 'Ola Nowak')
  await clean(lead)
}, 180_000)
