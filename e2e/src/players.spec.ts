import { demoCompany } from '@jackdaw/demo'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import {
  afterCrash,
  anotherTab,
  crash,
  guideCalled,
  keyTo,
  listen,
  PlayerHand,
  playing,
  recordSays,
  TABLET,
  whereIs,
  withoutServer,
  type Watched,
} from './playerHand'
import { sleep } from './recorder'

const clerks = demoCompany().people.filter((person) => person.teams.includes('Order desk') && person.level === 'staff')
const NO_CONNECTION = 'No connection'

let app: App
let browser: Browser
let marta: Watched
let clerk: Watched
let standing = ''
let slot = ''
let nearMiss = ''
const clean = async (page: Watched): Promise<void> => {
  expect(await seriousFindings(page)).toEqual([])
  expect(page.complaints).toEqual([])
}

beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  ;[marta, clerk] = await Promise.all([signedIn(browser, app, 'marta@larkmoor.example'), signedIn(browser, app, clerks[0]!.mail)])
  ;[standing, slot, nearMiss] = await Promise.all([
    guideCalled(marta, 'Enter a standing order'),
    guideCalled(marta, 'Book a delivery slot'),
    guideCalled(marta, 'Report a near miss'),
  ])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

describe('Watch', () => {
  it('plays by itself, points, types, stands still when asked, and goes on after the tab or the server was killed', async () => {
    await clerk.goto(`${app.address}/guides/${standing}`)
    await press(clerk, 'Use this guide')
    await click(clerk, 'nav[aria-label="Use this guide"] ::-p-text(Watch)')
    await clerk.waitForSelector('[data-stage]')
    // Whoever has watched before goes on where they were: from the front, then.
    for (let n = 0; n < 20 && !(await whereIs(clerk)).startsWith('Step 1 of 11'); n++) await press(clerk, 'Step before')
    await clerk.select('select[aria-label=Pace]', '2')
    await playing(clerk)
    const hand = await PlayerHand.for(clerk, standing)
    await clerk.waitForFunction(
      () =>
        document.querySelector('[data-where]')?.textContent?.startsWith('Step 2 of') && document.querySelector('[data-pointer]') !== null,
    )
    // It goes on by itself: what is seen and the pause are one act, or the pause would come late on a slow machine.
    await clerk.waitForFunction(() => {
      if (!document.querySelector('[data-typed]')?.textContent?.startsWith('40218 The')) return false
      ;[...document.querySelectorAll('button')].find((each) => each.innerText === 'Pause')!.click()
      return true
    })
    await clean(clerk)
    const stood = await whereIs(clerk)
    const typed = await clerk.$eval('[data-typed]', (each) => each.textContent)
    await sleep(2_500)
    expect([await whereIs(clerk), await clerk.$eval('[data-typed]', (each) => each.textContent)]).toEqual([stood, typed])
    await press(clerk, 'Hide the words')
    expect(await clerk.$eval('[data-caption]', (each) => each.className)).toContain('sr-only')
    await press(clerk, 'Next step')
    await hand.seesStep(4)

    const address = clerk.url()
    clerk = await afterCrash(clerk)
    const next = hand.at(clerk)
    await next.seesStep(4)
    expect(await clerk.evaluate(() => document.body.innerText)).toContain('You go on where you were.')
    await withoutServer(
      app,
      clerk,
      async () => {
        await press(clerk, 'Next step')
        await next.seesStep(5)
        // The picture of the step had been fetched ahead.
        expect(await clerk.$eval('[data-picture] img', (img) => (img as HTMLImageElement).naturalWidth)).toBeGreaterThan(0)
      },
      NO_CONNECTION,
    )
    await clerk.waitForFunction((words: string) => !document.body.innerText.includes(words), {}, NO_CONNECTION)
    const other = await signedIn(browser, app, clerks[0]!.mail)
    await other.goto(address)
    await hand.at(other).seesStep(5)
    for (let n = 6; n <= 11; n++) await press(other, 'Next step')
    await press(other, 'Next step')
    await seen(other, 'That was all of it')
    await clean(other)
    await other.close()
  })

  it('stays still for whoever wants less motion, and shows what is typed at once', async () => {
    const page = await anotherTab(clerk, 'about:blank')
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }])
    await page.goto(`${app.address}/guides/${standing}/watch`)
    await playing(page)
    // It goes on by itself, so it is led to step 3 and looked at in one act.
    const typed = await page.waitForFunction(
      () => {
        const step = Number(/\d+/.exec(document.querySelector('[data-where]')?.textContent ?? '')?.[0] ?? 99)
        if (step === 3) return document.querySelector('[data-typed]')?.textContent
        const press = step > 3 ? 'Step before' : 'Next step'
        document.querySelector<HTMLElement>(`button[aria-label="${press}"]`)?.click()
        return false
      },
      { polling: 500 },
    )
    expect(await typed.jsonValue()).toBe('40218 The Copper Ladle, Wick Sands')
    const moves = await page.$$eval('[data-zoomed] > div', (all) =>
      all.map((each) => parseFloat(getComputedStyle(each).transitionDuration)),
    )
    for (const seconds of moves) expect(seconds).toBeLessThan(0.01)
    await page.close()
  })
})

describe('Practise', () => {
  it('gives hints that become clearer, shows a step, and counts what it took; with the tab and the server killed in between', async () => {
    const before = await recordSays(
      marta,
      `/api/items/${standing}/who-finished?page=1&find=${encodeURIComponent(clerks[0]!.name)}`,
      (answer) => answer.rows[0].ways.practise ?? { begun: 0, finished: 0, tries: 0, helped: 0 },
      () => true,
    )
    await clerk.goto(`${app.address}/guides/${standing}/practise`)
    const hand = await PlayerHand.for(clerk, standing)
    await clerk.waitForSelector('[data-stage]')
    await hand.does(1)
    await hand.seesStep(2)
    // Nothing gives the element away before.
    expect(await clerk.$$('[data-brackets], [data-hint-area]')).toEqual([])
    await hand.pointsElsewhere(2)
    await hand.isTold('You are looking for “New standing order”')
    expect(await clerk.$$('[data-hint-area]')).toEqual([])
    await hand.pointsElsewhere(2)
    await hand.isTold('It is in the lighter part')
    await clerk.waitForSelector('[data-hint-area]')
    await clean(clerk)
    await hand.pointsElsewhere(2)
    await hand.isTold('It is in the frame')
    await hand.does(2)

    clerk = await afterCrash(clerk)
    const next = hand.at(clerk)
    await next.seesStep(3)
    await next.pointsAtElement(3)
    await next.fillsIn(3, 'Somebody else')
    await next.isTold('There is no customer of that name or number.')
    // What was entered is still there, to be mended.
    expect(await clerk.$eval('[data-entry]', (field) => (field as HTMLInputElement).value)).toBe('Somebody else')
    await next.fillsIn(3, '  copper LADLE ')
    await withoutServer(
      app,
      clerk,
      async () => {
        await next.does(4)
        await next.does(5)
      },
      NO_CONNECTION,
    )
    await next.does(6)
    await next.seesStep(7)
    await press(clerk, 'Do this step for me')
    // It stays until the person has looked at it.
    await seen(clerk, 'This is how it is done')
    await next.seesStep(7)
    await press(clerk, 'Go on')
    await next.doesFrom(8)
    await seen(clerk, 'Practised to the end')
    await seen(clerk, '7 of 10 steps at the first try and without help.')
    await clean(clerk)
    const after = await recordSays(
      marta,
      `/api/items/${standing}/who-finished?page=1&find=${encodeURIComponent(clerks[0]!.name)}`,
      (answer) => answer.rows[0].ways.practise,
      (practise) => practise?.finished === before.finished + 1,
    )
    // Ten steps at which something is done: one at the fourth try, one at the second, one shown.
    expect(after.tries - before.tries).toBe(4 + 2 + 7)
    expect(after.helped - before.helped).toBe(3)
    await press(clerk, 'Practise just these 3 steps')
    await seen(clerk, 'Step 1 of 3')
  })

  it('takes fingers on a tablet: a tap beside a small box counts, one far from it does not', async () => {
    const page = await anotherTab(clerk, 'about:blank', TABLET)
    const hand = await PlayerHand.for(clerk, slot, { touch: true })
    await page.goto(`${app.address}/guides/${slot}/practise`)
    const tablet = hand.at(page)
    await page.waitForSelector('[data-stage]')
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)
    const small = hand.steps.findIndex(({ action }) => action?.element && action.element.rect.width < 20) + 1
    expect(small).toBeGreaterThan(0)
    await tablet.doesFrom(1, small - 1)
    await tablet.seesStep(small)
    await tablet.pointsAtElement(small, 120)
    await tablet.isTold('Not there.')
    await tablet.pointsAtElement(small, 9)
    await tablet.seesStep(small + 1)
    await tablet.doesFrom(small + 1)
    await seen(page, 'steps at the first try')
    await clean(page)
    await page.close()
  })

  it('is done by keyboard alone, with the list of elements, and Escape asks before it leaves', async () => {
    const page = await signedIn(browser, app, clerks[1]!.mail)
    await page.goto(`${app.address}/guides/${standing}/practise`)
    const hand = await PlayerHand.for(page, standing)
    await hand.seesStep(1)
    await page.keyboard.press('Escape')
    await seen(page, 'Leave Practise?')
    await clean(page)
    await page.keyboard.press('Escape')
    await page.waitForFunction(() => !document.body.innerText.includes('Leave Practise?'))
    await keyTo(page, 'Go on')
    await hand.seesStep(2)
    // The step is announced: its heading has the focus.
    expect(await page.evaluate(() => document.activeElement?.textContent)).toContain('New standing order')
    await keyTo(page, /^List/)
    for (let n = 2; n <= 11; n++) {
      await hand.seesStep(n)
      await keyTo(page, hand.steps[n - 1]!.action!.element!.name.replaceAll(/\s+/g, ' ').trim())
      if (!hand.enters(n)) continue
      const entry = hand.steps[n - 1]!.action!.value!
      const open = (await page.waitForSelector('[data-entry], ul[data-entries]'))!
      if (await open.evaluate((each) => each.tagName === 'UL')) await keyTo(page, entry)
      else {
        await page.keyboard.type(n === 3 ? '40218' : entry)
        await page.keyboard.press('Enter')
      }
    }
    await seen(page, 'All of it at the first try')
    await keyTo(page, 'Leave')
    await seen(page, 'Leave Practise?')
    await keyTo(page, 'Leave')
    await page.waitForFunction(() => !document.querySelector('[data-stage]'))
    await page.close()
  })
})

describe('Solo', () => {
  it('is passed, with the tab and the server killed in between, and nothing that it gets gives an answer away', async () => {
    const page = await signedIn(browser, app, clerks[1]!.mail)
    const got: string[] = []
    listen(page, '/attempts', got)
    await page.goto(`${app.address}/guides/${standing}/solo`)
    await seen(page, 'Your task')
    await clean(page)
    const hand = await PlayerHand.for(page, standing, { reader: marta })
    await press(page, 'Begin')
    await hand.doesFrom(1, 3)
    await hand.seesStep(4)
    await clean(page)
    await hand.pointsElsewhere(4)
    await hand.isTold('2 tries left')

    const address = page.url()
    const again = await anotherTab(page, 'about:blank')
    listen(again, '/attempts', got)
    await crash(page)
    await again.goto(address)
    const next = hand.at(again)
    await next.seesStep(4)
    await again.waitForFunction(() => document.querySelector('#said')?.textContent?.includes('2 tries left'))
    await withoutServer(app, again, () => next.pointsAtElement(4), NO_CONNECTION)
    await next.doesFrom(5, 10)
    // Two quick clicks on the last step are one.
    await next.seesStep(11)
    const { x, y, width, height } = next.rectOf(11)
    const last = await next.placeOf(11, x + width / 2, y + height / 2)
    await again.mouse.click(last.x, last.y, { count: 2 })
    await seen(again, 'Passed with 95 %')
    await seen(again, '9 of 10 steps')
    await clean(again)
    expect(got.length).toBeGreaterThan(10)
    for (const text of got.slice(0, -1)) expect(text).not.toMatch(/"rect"|"accept"|"element"|"x":|Thyme","|"value"/)
    await recordSays(
      marta,
      `/api/items/${standing}/who-finished?page=1&find=${encodeURIComponent(clerks[1]!.name)}`,
      (answer) => answer.rows[0].ways.solo,
      (solo) => solo?.bestPercent >= 95 && solo.passedEdition === 1,
    )
    await again.close()
  })

  it('is failed on a tablet, says what went wrong, and offers to practise just that', async () => {
    const page = await anotherTab(clerk, 'about:blank', TABLET)
    await page.goto(`${app.address}/guides/${slot}/solo`)
    await seen(page, 'Your task')
    const hand = (await PlayerHand.for(clerk, slot, { touch: true })).at(page)
    await click(page, 'main button')
    await hand.does(1)
    for (let n = 2; n <= hand.steps.length; n++) {
      await hand.seesStep(n)
      if (n % 2 === 0) await press(page, 'Leave this step out')
      else await hand.does(n)
    }
    await seen(page, 'Not passed')
    await seen(page, 'What went wrong')
    await clean(page)
    const missed = hand.steps.length >> 1
    expect(await page.$$eval('li', (all) => all.filter((each) => each.textContent?.includes('not done')).length)).toBe(missed)
    await press(page, `Practise just these ${missed} steps`)
    await seen(page, `Step 1 of ${missed}`)
    await clean(page)
    await page.close()
  })
})

describe('a guide with branches', () => {
  it('goes on by the choice of whoever reads it, and is done without the other way', async () => {
    const page = await signedIn(browser, app, 'ines@larkmoor.example')
    await page.goto(`${app.address}/guides/${nearMiss}`)
    await page.waitForSelector('article')
    await click(page, 'nav[aria-label="Steps"] ::-p-text(Make the place safe)')
    await seen(page, 'Was anybody hurt?')
    expect(await seriousFindings(page)).toEqual([])
    await press(page, 'Somebody was hurt')
    await seen(page, 'Step 9 of 9')
    await page.keyboard.press('ArrowLeft')
    await seen(page, 'Step 1 of 9')
    await page.close()
  })

  it('is built and checked beside the ruler, and tried from any step in any way', async () => {
    await marta.goto(`${app.address}/guides/${slot}/edit`)
    await marta.waitForSelector('li[data-step]')
    const steps = await marta.$$eval('li[data-step]', (all) => all.map((each) => (each as HTMLElement).dataset['step']!))
    await press(marta, 'Text of step 1')
    await press(marta, 'What comes next')
    await press(marta, 'Add a choice')
    await seen(marta, 'a choice has no words')
    await marta.locator('[aria-label="Words of choice 1"]').fill('The slot is known')
    await marta.select('[aria-label="Choice 1 leads to"]', steps[2]!)
    await seen(marta, 'no way leads here')
    await marta.waitForSelector('[data-flow-lines="1"] path')
    await clean(marta)
    await press(marta, 'Add a choice')
    await marta.locator('[aria-label="Words of choice 2"]').fill('The slot is new')
    await marta.waitForFunction(() => !document.body.innerText.includes('The branches are not right yet'))

    // A step made by hand: a window that the application would show.
    await press(marta, 'Step after')
    await marta.waitForFunction((was: number) => document.querySelectorAll('li[data-step]').length === was + 1, {}, steps.length)
    await marta.keyboard.type('Read what it asks')
    await press(marta, 'Practise and Solo')
    await marta.select('section[aria-label="Practise and Solo, step 2"] select', 'pop-up')
    await marta.locator('section[aria-label="Practise and Solo, step 2"] input').fill('Chilled load')
    // Clear of the tools that float at the foot of the page.
    await (await marta.waitForSelector('::-p-aria([name="Add a button"])'))!.evaluate((button) =>
      button.scrollIntoView({ block: 'center' }),
    )
    await press(marta, 'Add a button')
    await marta.locator('[aria-label="Words of button 2"]').fill('No')
    await click(marta, '[aria-label="Button 1 is right"]')
    await marta.select('aside select', 'practise')
    await seen(marta, '1 step')
    await marta.waitForSelector('[data-lack]')
    await click(marta, '[aria-label="Button 1 is right"]')
    await seen(marta, 'Nothing is missing')
    await clean(marta)
    await press(marta, 'Preview')
    await press(marta, 'Practise from this step')
    await seen(marta, 'Chilled load')
    await press(marta, 'No')
    await seen(marta, 'Not that button')
    await press(marta, 'OK')
    await seen(marta, `Step 3 of ${steps.length + 1}`)
    await press(marta, 'Leave')
    await seen(marta, 'This is a preview. Nothing of it is kept.')
    await click(marta, '[role=dialog] button::-p-text(Leave)')
    await marta.waitForSelector('li[data-step]')
    for (const way of ['Read', 'Watch', 'Solo']) {
      await press(marta, 'Preview')
      await press(marta, `${way} from the beginning`)
      await marta.waitForFunction((words: string) => new RegExp(words).test(document.body.innerText), {}, 'Step 1 of|Begin')
      await clean(marta)
      await marta.goBack()
      await marta.waitForSelector('li[data-step]')
    }
  })
})
