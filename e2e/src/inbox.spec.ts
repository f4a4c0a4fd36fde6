import { fork, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'

const PUBLIC_URL = 'https://guides.larkmoor.example'
type Letter = { subject: string; text: string; html: string }
let app: App
let browser: Browser
let postRoom: ChildProcess
let post = { listening: 0, smtp: 0 }
beforeAll(async () => {
  postRoom = fork(join(process.cwd(), 'dist/standins/mail/main.mjs'), { stdio: 'ignore' })
  post = await new Promise((resolve) => postRoom.once('message', (ready) => resolve(ready as typeof post)))
  const more = { JOBS: 'yes', SMTP_URL: `smtp://127.0.0.1:${post.smtp}`, MAIL_GATHER_S: '0', PUBLIC_URL }
  ;[app, browser] = await Promise.all([startApp(more), openBrowser()])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
  postRoom.kill()
})

/** The mails that came for somebody, once there are any. */
async function lettersFor(mail: string): Promise<Letter[]> {
  for (;;) {
    const letters = (await (await fetch(`http://127.0.0.1:${post.listening}/api/letters?to=${mail}`)).json()) as Letter[]
    if (letters.length > 0) return letters
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
}

it('tells of a clash until it is decided, of a new guide here and by mail, and ends mails from the link in them', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  // Whatever hour it is, mail may leave.
  await marta.goto(`${app.address}/reminders`)
  await marta.waitForSelector('::-p-text(Quiet hours)')
  expect(await seriousFindings(marta)).toEqual([])
  for (const hour of ['From', 'Until']) await marta.locator(`::-p-aria([name="${hour}"][role="combobox"])`).fill('0')
  await press(marta, 'Save')
  await seen(marta, 'Mail may leave at any hour.')
  await press(marta, 'Inbox, 3 unread')
  await seen(marta, '1 waits for your decision')
  expect(await seriousFindings(marta)).toEqual([])
  await press(marta, 'Decide: Something you changed in “Water the seed trays” waits for your decision')
  await press(marta, 'Take mine')
  await marta.waitForFunction(() => document.body.innerText.includes('Saved at'))
  await press(marta, 'Inbox, 2 unread')
  await seen(marta, '2 unread')
  await press(marta, 'Waits for your decision')
  await seen(marta, 'Nothing waits for your decision.')

  await press(marta, 'Library')
  await click(marta, 'td ::-p-text(Water the seed trays)')
  await click(marta, '::-p-text(Publish …)')
  await marta.locator('::-p-aria([name="Single people"][role="combobox"])').fill('Robledo')
  await marta.waitForSelector('[role=option] ::-p-text(Inés Robledo)')
  await marta.keyboard.press('Enter')
  await press(marta, 'Publish to 1 person')
  await seen(marta, 'Edition 1 is published')

  const [letter] = await lettersFor('ines@larkmoor.example')
  expect(letter?.subject).toBe('Marta Sorrel gives you “Water the seed trays” to do')
  expect(letter?.html).toContain(`href="${PUBLIC_URL}/guides/`)

  const ines = await signedIn(browser, app, 'ines@larkmoor.example', 'phone')
  await press(ines, 'Inbox, 2 unread')
  await seen(ines, 'Water the seed trays')
  expect(await seriousFindings(ines)).toEqual([])
  await press(ines, 'Open it: Marta Sorrel gives you “Water the seed trays” to do')
  await seen(ines, 'Fog, do not pour.')
  await ines.goBack()
  await seen(ines, '1 unread')
  await press(ines, 'Mark all as read')
  await seen(ines, 'All of it is read, and nothing waits for you.')

  const stop = /https:\S+\/stop-mails#\S+/.exec(letter?.text ?? '')?.[0] ?? ''
  const stranger = await (await browser.createBrowserContext()).newPage()
  await stranger.goto(stop.replace(PUBLIC_URL, app.address))
  await press(stranger, 'End these mails')
  await seen(stranger, 'I am given something to do')
  expect(await seriousFindings(stranger)).toEqual([])
  await ines.goto(`${app.address}/inbox/mails`)
  await seen(ines, 'Mail me when')
  await seen(ines, 'Remind me earlier, too')
  expect(await ines.$$eval('[role=switch]', (all) => all.map((each) => each.getAttribute('aria-checked') === 'true'))).toEqual([
    false, // something to be done
    true, // again
    false, // to look up
    true, // due soon
    true, // late
    true, // people who report
    true, // reminded by hand
    true, // to be confirmed
    true, // sent back
    false, // confirmed
    true, // a result of a quiz
    true, // a reply to be judged
    true, // one's own that were judged
    true, // one's own result put right
    false, // an attempt whose time was over
    true, // a check-in
    true, // a check-in that both have answered
    true, // a clash
    false, // an import
    false, // a file that is ready
    false, // a file that could not be made
    true, // a file with a picture that was blacked out
    false, // a question at a step that one has left
    true, // a question of one's own that has all its answers
    true, // asked something
    true, // a page of figures
    true, // writing along
    false, // earlier reminders
  ])

  const priya = await signedIn(browser, app, 'priya@larkmoor.example')
  await priya.goto(`${app.address}/background?state=done&of=send-mail`)
  await seen(priya, 'Send somebody the mail of the day')
  await priya.select('select:has(option[value="recount"]):not(:has(option[value="send-mail"]))', 'recount')
  await press(priya, 'Do it now')
  await priya.goto(`${app.address}/background?state=done&of=recount`)
  await priya.waitForSelector('tbody tr')
  expect(await seriousFindings(priya)).toEqual([])
  for (const page of [marta, ines, priya]) expect(page.complaints).toEqual([])
})
