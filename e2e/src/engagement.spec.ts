import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openBrowser, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { keyTo } from './playerHand'

let app: App
let browser: Browser
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

/** The weeks before the day of the demo. */
const WEEKS = 'days=own&from=2026-01-12&to=2026-03-10&unit=week'
/** How many rows the page says that it counts, and how many it shows on all its pages. */
async function rowsOf(page: Page): Promise<{ said: number; shown: number }> {
  await page.waitForFunction(
    () => location.pathname === '/engagement/rows' && /^[\d,]+ · /.test(document.querySelector('h1')?.textContent ?? ''),
  )
  const said = await page.$eval('h1', (head) => Number(head.textContent.split(' · ')[0]!.replaceAll(',', '')))
  let shown = 0
  for (;;) {
    const here = await page.waitForFunction(
      (rest: number) => {
        const rows = document.querySelectorAll('tbody tr').length
        return rows === Math.min(rest, 50) ? rows : 0
      },
      {},
      said - shown,
    )
    shown += await here.jsonValue()
    if (shown >= said) return { said, shown }
    await keyTo(page, 'Next')
  }
}

const guideOf = (page: Page, called: string): Promise<string> =>
  page.evaluate(async (name) => {
    const { rows } = (await (await fetch('/api/engagement/items?sort=title')).json()) as { rows: { item: { id: string }; title: string }[] }
    return rows.find(({ title }) => title === name)!.item.id
  }, called)

it('a lead sees what is used over time, of what, and by whom, and opens the figures, by keyboard alone', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await keyTo(lead, 'Engagement')
  await seen(lead, 'Times that somebody began to use something, in any way.')
  await lead.goto(`${app.address}/engagement?${WEEKS}`)
  await seen(lead, 'Views, by week')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'People reached')
  await seen(lead, 'People reached, by week')
  await keyTo(lead, /^[\d,]+ People reached$/)
  const people = await rowsOf(lead)
  expect([people.said > 20, people.shown]).toEqual([true, people.said])
  expect(await seriousFindings(lead)).toEqual([])

  await keyTo(lead, 'Engagement')
  await lead.goto(`${app.address}/engagement?${WEEKS}`)
  await keyTo(lead, 'What is used')
  await seen(lead, 'What is published now')
  await keyTo(lead, 'Views')
  await lead.waitForFunction(() => document.querySelector('th[aria-sort=ascending]')?.textContent === 'Views')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Clean hands before harvest')
  await seen(lead, 'Only Guide 2: Clean hands before harvest')
  await keyTo(lead, 'Who uses it')
  await lead.waitForSelector('table[aria-label="Who uses it"] tbody tr')
  await keyTo(lead, /^Time spent/)
  const first = await lead.$eval('table[aria-label="Who uses it"] tbody a', (link) => link.textContent)
  await keyTo(lead, first)
  await seen(lead, `Only what ${first} used`)
  await keyTo(lead, 'What happened last')
  await lead.waitForFunction(
    (name: string) => [...document.querySelectorAll('tbody tr')].some((row) => row.textContent.includes(name)),
    {},
    first,
  )
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Who writes it')
  await lead.waitForSelector('table[aria-label="Who writes it"]')
  expect(lead.complaints).toEqual([])
  await lead.browserContext().close()
})

it('a lead finds the step at which many leave, opens who they are, and names a goal, by keyboard alone', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await lead.goto(`${app.address}/engagement?${WEEKS}&by=used`)
  await keyTo(lead, 'Pack and label herb crates')
  await keyTo(lead, 'Step by step: where they leave')
  await seen(lead, 'Most leave at step 8')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, /^\d+ left at step 8,/)
  await seen(lead, 'Visits that left at')
  const { said, shown } = await lead.evaluate(() => ({
    said: Number.parseInt(document.querySelector('h1')!.textContent),
    shown: document.querySelectorAll('tbody tr').length,
  }))
  expect([said > 2, shown]).toEqual([true, said])
  expect(await seriousFindings(lead)).toEqual([])
  await lead.goBack()
  await seen(lead, 'Most leave at step 8')
  // By its list, as no other way than reading was gone here: what is put beside it are departments.
  await keyTo(lead, 'Put beside it', null)
  await lead.keyboard.type('Beside: P')
  await seen(lead, 'The difference:')

  await lead.goto(`${app.address}/engagement`)
  await keyTo(lead, 'Goals')
  await keyTo(lead, 'Name a goal')
  await keyTo(lead, 'What the goal is called', null)
  await lead.keyboard.type('From welcome to near misses')
  for (const title of ['Larkmoor in five', 'Report a near']) {
    await keyTo(lead, /^(Where it begins|What is to be finished)$/, null)
    await lead.keyboard.type(title)
    await keyTo(lead, new RegExp(`^${title}`))
  }
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Save the goal')
  await seen(lead, 'Those who first viewed')
  await lead.goto(`${lead.url()}?days=own&from=2025-12-01&to=2026-03-10`)
  await keyTo(lead, /^\d+ reached it$/)
  await seen(lead, 'Who reached it: Report a near miss')
  const [reached, listed] = await lead.evaluate(() => [
    Number.parseInt([...document.querySelectorAll('a')].find((link) => / reached it$/.test(link.textContent))!.textContent),
    document.querySelectorAll('table[aria-label="Who reached it"] tbody tr').length,
  ])
  expect([reached! > 1, listed]).toEqual([true, reached])
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Put on a page …')
  await seen(lead, 'On which page')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Put it there')
  await seen(lead, 'Found by everybody who sees records')
  const order = () => lead.$$eval('section[aria-label] h2', (heads) => heads.map((head) => head.textContent))
  const before = await order()
  await keyTo(lead, 'Arrange')
  await keyTo(lead, `Move up: ${before.at(-1)}`)
  await lead.waitForFunction(
    (name: string) => [...document.querySelectorAll('section[aria-label] h2')].at(-2)?.textContent === name,
    {},
    before.at(-1)!,
  )
  // Two changes in one move: both are there.
  await keyTo(lead, 'What the page is called', null)
  await lead.keyboard.press('End')
  await lead.keyboard.type(' again')
  await keyTo(lead, 'Shared with everybody who sees records', 'Space')
  await seen(lead, 'Found by you only')
  await lead.waitForFunction(() => document.querySelector('h1')?.textContent.endsWith(' again'))
  expect(await seriousFindings(lead)).toEqual([])
  expect(lead.complaints).toEqual([])
  await lead.browserContext().close()
})

it('a lead asks those who leave at a step, they answer there, and the lead reads it, by keyboard alone', async () => {
  const [lead, reader] = await Promise.all([
    signedIn(browser, app, 'marta@larkmoor.example'),
    signedIn(browser, app, 'gareth@larkmoor.example', 'phone'),
  ])
  const id = await guideOf(lead, 'Pack and label herb crates')
  const step = await lead.evaluate(async (guide) => {
    const { steps } = (await (await fetch(`/api/guides/${guide}/journey?from=2025-12-01&to=2026-03-10`)).json()) as {
      steps: { stepId: string; position: number }[]
    }
    return steps.find(({ position }) => position === 8)!.stepId
  }, id)
  await lead.goto(`${app.address}/engagement/guides/${id}/visits?${WEEKS}&part=left&step=${step}`)
  await keyTo(lead, 'Ask them there')
  await seen(lead, 'It ends by itself.')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Ask it')
  await seen(lead, 'people were told in their inboxes')
  await seen(lead, '0 of 20 answers')
  expect(await seriousFindings(lead)).toEqual([])

  await reader.goto(`${app.address}/inbox`)
  await keyTo(reader, /asks you something at a step/)
  await seen(reader, 'What would help you here?')
  expect(await seriousFindings(reader)).toEqual([])
  await keyTo(reader, 'A picture', 'Space')
  await keyTo(reader, 'Anything to add', null)
  await reader.keyboard.type('Of the printer')
  await keyTo(reader, 'Send the answer')
  await seen(reader, 'Thank you, your answer is there.')
  expect(reader.complaints).toEqual([])

  await lead.reload()
  await seen(lead, '1 of 20 answers')
  await seen(lead, 'Of the printer')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'End it')
  await seen(lead, 'ended ')

  await lead.goto(`${app.address}/engagement`)
  await keyTo(lead, 'Surveys')
  await keyTo(lead, 'Ask people')
  await keyTo(lead, 'Title', null)
  await lead.keyboard.type('Gloves')
  await keyTo(lead, 'Question', null)
  await lead.keyboard.type('How do the new gloves fit?')
  await keyTo(lead, /^Crate line A/, 'Space')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Send it')
  await seen(lead, 'Nobody has answered yet.')
  await reader.goto(`${app.address}/`)
  await keyTo(reader, 'Answer Gloves')
  await seen(reader, 'Your name stands beside your answers.')
  expect(await seriousFindings(reader)).toEqual([])
  await keyTo(reader, /^1 of 5/, 'Space')
  await keyTo(reader, 'Anything to add', null)
  await reader.keyboard.type('Too wide at the wrist')
  await keyTo(reader, 'Send the answers')
  await seen(reader, 'Thank you, your answers are there.')
  await reader.goto(`${app.address}/`)
  await reader.waitForFunction(() => !document.body.innerText.includes('Gloves'))
  await lead.reload()
  await seen(lead, 'Too wide at the wrist')
  expect(await seriousFindings(lead)).toEqual([])
  expect(reader.complaints).toEqual([])
  expect(lead.complaints).toEqual([])
  await Promise.all([lead.browserContext().close(), reader.browserContext().close()])
})

it('a visit of a reader is one of the journey, and what they sought and did not find can be written', async () => {
  const [lead, staff] = await Promise.all([
    signedIn(browser, app, 'marta@larkmoor.example'),
    signedIn(browser, app, 'ines@larkmoor.example', 'phone'),
  ])
  const id = await guideOf(lead, 'Larkmoor in five minutes')
  const visits = () =>
    lead.evaluate(async (guide) => ((await (await fetch(`/api/guides/${guide}/journey`)).json()) as { visits: number }).visits, id)
  const before = await visits()
  await staff.goto(`${app.address}/guides/${id}`)
  await seen(staff, 'Step 1 of')
  await staff.goto(`${app.address}/`)
  await staff.goto(`${app.address}/guides/${id}`)
  await seen(staff, 'Step 1 of')
  for (let tries = 0; tries < 60 && (await visits()) < before + 2; tries++) await new Promise((resolve) => setTimeout(resolve, 500))
  expect(await visits()).toBe(before + 2)
  await staff.goto(`${app.address}/library?find=hose+couplings`)
  await seen(staff, 'No guide fits.')
  const sought = () =>
    lead.evaluate(async () =>
      ((await (await fetch('/api/engagement/searches')).json()) as { rows: { words: string }[] }).rows.map(({ words }) => words),
    )
  for (let tries = 0; tries < 60 && !(await sought()).includes('hose couplings'); tries++)
    await new Promise((resolve) => setTimeout(resolve, 500))
  await lead.goto(`${app.address}/engagement?by=sought`)
  await seen(lead, 'hose couplings')
  expect(await seriousFindings(lead)).toEqual([])
  await keyTo(lead, 'Write this guide')
  await lead.waitForFunction(() => document.querySelector<HTMLInputElement>('[role=dialog] input')?.value === 'Hose couplings')
  expect([staff.complaints, lead.complaints]).toEqual([[], []])
})

it('somebody to whom others report sees those, an author how their own is used, and a member of staff nothing of it', async () => {
  const [manager, staff] = await Promise.all([
    signedIn(browser, app, 'dieter@larkmoor.example'),
    signedIn(browser, app, 'ines@larkmoor.example'),
  ])
  await manager.goto(`${app.address}/engagement?${WEEKS}&by=readers`)
  await seen(manager, 'How what is written is used by those who report to you')
  await manager.waitForSelector('table[aria-label="Who uses it"] tbody tr')
  const shown = await manager.$$eval('table[aria-label="Who uses it"] tbody tr', (rows) => rows.length)
  expect(shown).toBeLessThan(40)
  await keyTo(manager, 'What I own')
  await seen(manager, 'How others use what you have written')
  await seen(manager, 'Get the label printer going again')
  expect(await manager.evaluate(() => document.body.innerText.includes('Get the houses through a frost night'))).toBe(false)
  expect(await seriousFindings(manager)).toEqual([])
  await keyTo(manager, 'Get the label printer going again')
  await seen(manager, 'Where they leave it, in the last twelve months')
  expect(await seriousFindings(manager)).toEqual([])
  expect(await staff.$('nav[aria-label=Areas] a[href="/engagement"]')).toBeNull()
  await staff.goto(`${app.address}/engagement`)
  await seen(staff, 'You may not do this')
  expect(manager.complaints).toEqual([])
})
