import { demoCompany } from '@jackdaw/demo'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, FAKE_DEVICES, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { answerRightly, field, fitsATelephone, grade, next, option, outlivesTheTab, putInOrder, write } from './quizHand'

let app: App
let browser: Browser
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser(FAKE_DEVICES)])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

/** The address of a quiz by its title. */
const quizOf = (page: Page, title: string): Promise<string> =>
  page.evaluate(async (words) => {
    const all = (await (await fetch('/api/quizzes')).json()) as { id: string; title: string }[]
    return `/quizzes/${all.find((each) => each.title === words)!.id}`
  }, title)

it('a lead writes a quiz, sees what it lacks, publishes it and comes to giving it', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await lead.goto(`${app.address}/quizzes/new`)
  await lead.locator(field('Title')).fill('The cold store')
  await press(lead, 'Go on to the questions')
  await seen(lead, 'There is no question in it yet.')
  await press(lead, 'Add a question')
  await click(lead, '[role=menuitem] ::-p-text(One answer)')
  await seen(lead, 'Write the question.')
  await write(lead, 'Question', 'What do you do when the door stands open?')
  await write(lead, 'Answer 1', 'Shut it')
  await write(lead, 'Answer 2', 'Leave it')
  await press(lead, 'Take out Answer 3')
  await seen(lead, 'Say which answer is right.')
  await click(lead, '::-p-aria([name="Answer 1 is right"])')
  await press(lead, 'Add a question')
  await click(lead, '[role=menuitem] ::-p-text(Number)')
  await write(lead, 'Question', 'How warm may it be at the most?')
  await lead.locator(field('Right number')).fill('6')
  await lead.locator(field('Unit')).fill('°C')
  await lead.waitForFunction(() => document.querySelector('h1')?.parentElement?.textContent.includes('· Saved') === true)
  expect(await seriousFindings(lead)).toEqual([])
  await lead.reload()
  await seen(lead, 'What do you do when the door stands open?')
  await press(lead, 'Try it')
  await click(lead, option('Shut it'))
  await press(lead, 'Mark it')
  await seen(lead, '50 %: it would not be passed')
  expect(await seriousFindings(lead)).toEqual([])
  await press(lead, 'Back to the bench')
  await press(lead, 'Publish and give it')
  await seen(lead, 'The cold store')
  await lead.waitForFunction(() => location.pathname.endsWith('/given/new'))
  expect(lead.complaints).toEqual([])
  await lead.browserContext().close()
})

it('what is answered outlives a killed server and a lost tab; whoever has not passed goes over the steps and tries again', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  const quiz = await quizOf(lead, 'Clean hands: ready to harvest?')
  await lead.browserContext().close()
  const phone = await signedIn(browser, app, 'gareth@larkmoor.example', 'phone')
  await phone.goto(app.address + quiz)
  await press(phone, 'Begin')
  await seen(phone, 'Question 1 of 6')
  await click(phone, option('It has dried off'))
  await seen(phone, 'Saved')
  await next(phone, 2, 6)
  await app.kill()
  await phone.locator('main input').fill('20')
  await seen(phone, 'The server cannot be reached.')
  const context = phone.browserContext()
  const attempt = phone.url()
  await phone.close()
  await app.restart()
  const page = await context.newPage()
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true })
  page.setDefaultTimeout(30_000)
  await page.goto(attempt)
  await seen(page, '4 not answered')
  await next(page, 2, 6)
  expect(await page.$eval('main input', (input) => input.value)).toBe('20')
  await seen(page, 'Saved')
  expect(await seriousFindings(page)).toEqual([])
  for (const n of [3, 4, 5, 6]) await next(page, n, 6)
  await press(page, 'Hand it in')
  await click(page, '[role=alertdialog] button:last-of-type')
  await seen(page, 'Not passed yet')
  await seen(page, '1 of 6 right')
  await press(page, 'Go over these steps again')
  await seen(page, '1 of 5, for “Clean hands')
  for (const n of [2, 3, 4, 5]) {
    await press(page, 'Next')
    await seen(page, `${n} of 5, for`)
  }
  await press(page, 'Try again')
  await answerRightly(page)
  await press(page, 'Hand it in')
  await seen(page, 'Passed')
  await context.close()
  await goThroughTheQuizBetweenSteps(await signedIn(browser, app, 'dieter@larkmoor.example', 'phone'))
})

/** A guide with a quiz behind its fourth step: it keeps back, folds away and keeps its answers, sends back over the steps, and lets on. */
async function goThroughTheQuizBetweenSteps(phone: Page & { complaints: string[] }): Promise<void> {
  const guide = await phone.evaluate(async () => {
    const { rows } = (await (await fetch('/api/guides?find=pump')).json()) as { rows: { id: string }[] }
    return `/guides/${rows[0]!.id}`
  })
  await phone.goto(app.address + guide)
  for (const n of [1, 2, 3, 4]) {
    await seen(phone, `Step ${n} of 10`)
    const bar = await phone.waitForSelector('[data-onward]')
    if (await bar!.evaluate((button) => button.textContent.includes('Read the caution'))) await click(phone, '[data-caution] button')
    await press(phone, 'Confirm')
  }
  await seen(phone, 'It goes on here once you have passed it.')
  expect(await seriousFindings(phone)).toEqual([])
  await press(phone, 'Begin')
  await seen(phone, 'Question 1 of 3')
  await click(phone, option('A note on the panel'))
  await seen(phone, 'Saved')
  await press(phone, 'Fold away and show the step')
  await seen(phone, 'The quiz waits; your answers are kept.')
  await seen(phone, 'Press the red button on the lid until no more water comes.')
  expect(await seriousFindings(phone)).toEqual([])
  await press(phone, 'Back to the quiz')
  await seen(phone, '2 not answered')
  await phone.goto(app.address + guide)
  await seen(phone, '2 not answered')
  for (const n of [2, 3]) await next(phone, n, 3)
  await press(phone, 'Hand it in')
  await click(phone, '[role=alertdialog] button:last-of-type')
  await seen(phone, 'Not passed yet')
  await press(phone, 'Go over these steps again')
  await seen(phone, 'Without your lock somebody can start it')
  await press(phone, 'Back to the quiz')
  await press(phone, 'Try again')
  await seen(phone, 'Question 1 of 3')
  await click(phone, option('My own lock on the switch'))
  await next(phone, 2, 3)
  await putInOrder(phone, [
    'Switch the pump off and hang my lock on the switch',
    'Close the valve before the filter',
    'Close the valve after the filter',
    'Press the red button until no more water comes',
  ])
  if (await phone.$('::-p-aria([name="It is right as it stands"])')) await press(phone, 'It is right as it stands')
  await next(phone, 3, 3)
  await click(phone, option('false'))
  await seen(phone, 'All are answered')
  await press(phone, 'Hand it in')
  await seen(phone, 'Passed')
  expect(await seriousFindings(phone)).toEqual([])
  await press(phone, 'Next')
  await seen(phone, 'Step 5 of 10')
  expect(phone.complaints).toEqual([])
  await phone.browserContext().close()
}

it('every kind is answered by keyboard only and fits a telephone; a reply is recorded, heard and judged by two', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await lead.goto(app.address + (await quizOf(lead, 'The tray seeder')))
  /** Goes on by the tab key to something, and no farther than round the page. */
  const tabTo = async (what: string): Promise<void> => {
    for (let n = 0; n < 60; n++) {
      if (await lead.evaluate((selector) => document.activeElement?.matches(selector) === true, what)) return
      await lead.keyboard.press('Tab')
    }
    throw new Error(`${what} is not reached by the tab key`)
  }
  const onward = async (n: number) => {
    await tabTo('footer button:nth-of-type(2)')
    await lead.keyboard.press('Enter')
    await seen(lead, `Question ${n} of 7`)
  }
  await tabTo('main button:not([aria-pressed])')
  await lead.keyboard.press('Enter')
  await seen(lead, 'Question 1 of 7')
  await tabTo('main input')
  await lead.keyboard.type('my lock')
  await onward(2)
  const rights: Record<string, string> = { 'coriander, dill': '0.8 mm', parsley: '0.6 mm', 'basil, chives': '0.5 mm' }
  for (let n = 1; n <= 3; n++) {
    await tabTo(`main li:nth-child(${n}) select`)
    const [left, letter] = await lead.evaluate((known) => {
      const select = document.activeElement as HTMLSelectElement
      const words = select.closest('li')!.querySelector('p')!.textContent
      const right = [...select.options].find((each) => each.text.includes(known[words] ?? '?'))
      return [words, right?.text[0] ?? '']
    }, rights)
    expect([left, letter]).toEqual([expect.any(String), expect.stringMatching(/^[A-D]$/)])
    await lead.keyboard.type(letter ?? '')
  }
  await onward(3)
  await tabTo('main input')
  await lead.keyboard.type('4 kPa')
  await onward(4)
  await tabTo('main input')
  const down = await lead.$$eval('main label', (all) => all.findIndex((each) => each.textContent.includes('Raise the vacuum')))
  await lead.keyboard.press('Space')
  for (let n = 0; n < down; n++) await lead.keyboard.press('ArrowDown')
  await onward(5)
  await tabTo('[aria-label^="Move down"]')
  await lead.keyboard.press('Enter')
  await onward(6)
  for (const words of ['A lanyard', 'Loose sleeves', 'A ring']) {
    const n = await lead.$$eval('main label', (all, text) => all.findIndex((each) => each.textContent.trim() === text), words)
    await tabTo(`main label:nth-of-type(${n + 1}) input`)
    await lead.keyboard.press('Space')
  }
  await onward(7)
  await tabTo('[role=application]')
  for (let n = 0; n < 3; n++) {
    await lead.keyboard.down('Shift')
    await lead.keyboard.press('ArrowLeft')
    await lead.keyboard.up('Shift')
  }
  for (const key of ['ArrowLeft', 'ArrowDown', 'ArrowDown', 'ArrowDown'] as const) await lead.keyboard.press(key)
  await seen(lead, 'All are answered')
  expect(await seriousFindings(lead)).toEqual([])
  await tabTo('footer button:nth-of-type(2)')
  await lead.keyboard.press('Enter')
  await seen(lead, 'of 7 right')
  expect(await seriousFindings(lead)).toEqual([])
  await lead.goto(app.address + (await quizOf(lead, 'Listen, look, show it')))
  await tabTo('main button:not([aria-pressed])')
  await lead.keyboard.press('Enter')
  await seen(lead, 'Question 1 of 5')
  await tabTo('[data-clip] button')
  await lead.keyboard.press('Enter')
  await seen(lead, '[three short beeps]')
  const chosen = async (words: string) => {
    const down = await lead.$$eval(
      'main label:has([type=radio])',
      (all, text) => all.findIndex((each) => each.textContent.includes(text)),
      words,
    )
    await tabTo('main input[type=radio]')
    await lead.keyboard.press('Space')
    for (let n = 0; n < down; n++) await lead.keyboard.press('ArrowDown')
  }
  const on = async (n: number) => {
    await tabTo('footer button:nth-of-type(2)')
    await lead.keyboard.press('Enter')
    await seen(lead, `Question ${n} of 5`)
  }
  await chosen('Close the door')
  await on(2)
  await chosen('The right latch')
  await on(3)
  await chosen('false')
  await on(4)
  await tabTo('main textarea')
  await lead.keyboard.type('Crate 4 of order 2209 fell; six basil pots are broken.')
  await on(5)
  await tabTo('[data-recorder] button')
  await lead.keyboard.press('Enter')
  await lead.waitForSelector('[data-recorder=open]')
  await tabTo('[data-recorder] button')
  await lead.keyboard.press('Enter')
  await seen(lead, '0:02 of 1:00')
  expect(await seriousFindings(lead)).toEqual([])
  await tabTo('[data-recorder] button')
  await lead.keyboard.press('Enter')
  await seen(lead, 'All are answered')
  await lead.waitForFunction(() => (document.querySelector<HTMLMediaElement>('[data-clip] video')?.duration ?? 0) > 1)
  expect(await seriousFindings(lead)).toEqual([])
  await tabTo('footer button:nth-of-type(2)')
  await lead.keyboard.press('Enter')
  await seen(lead, 'Handed in')
  const judged = `${new URL(lead.url()).pathname}/judge`
  for (const mail of ['gareth', 'tomasz']) {
    const grader = await signedIn(browser, app, `${mail}@larkmoor.example`)
    await grader.goto(app.address + judged)
    await grader.waitForFunction(() => (document.querySelector<HTMLMediaElement>('[data-clip] video')?.duration ?? 0) > 1)
    expect(await seriousFindings(grader)).toEqual([])
    await grade(grader, [2, 2], '')
    await grader.waitForFunction(() => document.querySelectorAll('form').length === 1)
    await grade(grader, [2, 2, 1], mail === 'gareth' ? 'It can be seen well.' : '')
    await seen(grader, mail === 'gareth' ? 'You have judged your part.' : 'Settled: 5 of 5 points')
    expect(grader.complaints).toEqual([])
    await grader.browserContext().close()
  }
  await lead.reload()
  await seen(lead, 'It can be seen well.')
  await seen(lead, 'Passed')
  expect(lead.complaints).toEqual([])
  await lead.browserContext().close()
  const tomasz = await signedIn(browser, app, 'tomasz@larkmoor.example', 'phone')
  await fitsATelephone(tomasz, app.address + (await quizOf(tomasz, 'The tray seeder')), 7)
  await tomasz.browserContext().close()
  const marta = await signedIn(browser, app, 'marta@larkmoor.example', 'phone')
  await fitsATelephone(marta, app.address + (await quizOf(marta, 'Listen, look, show it')), 5)
  await outlivesTheTab(marta)
})

it('the questions of a year stand in plain sentences, each figure opens to its people, and questions are typed as a text', async () => {
  const lead = await signedIn(browser, app, 'marta@larkmoor.example')
  await lead.goto(`${app.address}${await quizOf(lead, 'Clean hands: ready to harvest?')}/analysis`)
  await seen(lead, 'got this right: it does not show who can do it')
  await click(lead, 'dd button')
  await click(lead, 'section ul a')
  await seen(lead, 'Marked by rules 1')
  await lead.goBack()
  await seen(lead, 'Tells apart')
  await click(lead, 'summary ::-p-text(What was chosen)')
  await seen(lead, 'Points elsewhere')
  expect(await seriousFindings(lead)).toEqual([])
  await lead.goto(`${app.address}/banks/new`)
  await lead.locator(field('What its questions are about')).fill('Cold store')
  await press(lead, 'Go on to the questions')
  await press(lead, 'Questions in and out')
  await click(lead, '[role=menuitem] ::-p-text(Type or paste questions)')
  await click(lead, '[role=dialog] textarea')
  await lead.keyboard.type('? How warm may it be?\n# 6 °C ~ 0.5\n: hard, tags cold\n\n? Is the door shut?\n= true\n\n? Nothing to answer')
  await seen(lead, 'One thing is not understood')
  await press(lead, 'Add 2 questions')
  await seen(lead, 'Question 1 · Number')
  await lead.waitForFunction(() => document.querySelector('h1')?.parentElement?.textContent.includes('· Saved') === true)
  await lead.reload()
  await seen(lead, 'Number · hard · cold')
  expect(await seriousFindings(lead)).toEqual([])
  expect(lead.complaints).toEqual([])
  await lead.browserContext().close()
})

it('two judge a reply and do not agree, a third settles it, and the learner reads what was said; a question that turned out wrong is put right', async () => {
  const gareth = await signedIn(browser, app, 'gareth@larkmoor.example', 'phone')
  await click(gareth, 'a[href="/to-judge"]')
  await seen(gareth, 'Counting stock')
  const { path, name } = await gareth.$$eval('a[href$="/judge"]', (links) => {
    const link = links.find((each) => each.closest('li, tr')?.textContent.includes('Counting stock'))!
    return { path: link.getAttribute('href')!, name: link.querySelector('span')!.textContent }
  })
  await click(gareth, `a[href="${path}"]`)
  await press(gareth, 'Give these points')
  await seen(gareth, 'Choose how many points it has.')
  expect(await seriousFindings(gareth)).toEqual([])
  await grade(gareth, [4, 3, 3], 'All of it is there.')
  await seen(gareth, 'You have judged your part.')

  const tomasz = await signedIn(browser, app, 'tomasz@larkmoor.example')
  await tomasz.goto(`${app.address}${path}`)
  await seen(tomasz, 'Counts once more')
  expect(await tomasz.evaluate(() => document.body.innerText)).not.toContain('All of it is there.')
  await grade(tomasz, [1, 0, 1], 'And where could they be?')
  await seen(tomasz, 'A third settles it.')

  const helena = await signedIn(browser, app, 'helena@larkmoor.example')
  await helena.goto(`${app.address}/to-judge`)
  await seen(helena, 'two do not agree; you settle it')
  await helena.goto(`${app.address}${path}`)
  await seen(helena, 'The two lie 8 of 10 points apart')
  expect(await seriousFindings(helena)).toEqual([])
  await grade(helena, [4, 2, 2], 'Say where you looked.')
  await seen(helena, 'Settled: 8 of 10 points')

  const learner = await signedIn(browser, app, demoCompany().people.find((person) => person.name === name)!.mail, 'phone')
  await learner.goto(`${app.address}${path.replace('/judge', '')}`)
  await seen(learner, 'Say where you looked.')
  expect(await seriousFindings(learner)).toEqual([])

  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  await marta.goto(`${app.address}${await quizOf(marta, 'The tray seeder')}/analysis`)
  await press(marta, 'Put results right: Five of 144 cells are empty in the third tray. What do you do?')
  await seen(marta, 'attempts that are over were asked this')
  await click(marta, '[role=dialog] button[type=submit]')
  await seen(marta, 'Say why: whoever has another result reads it')
  await marta.locator(field('The reason')).fill('Both can be defended.')
  expect(await seriousFindings(marta)).toEqual([])
  await click(marta, '[role=dialog] button[type=submit]')
  await seen(marta, '– does not count any more')
  for (const page of [gareth, tomasz, helena, learner, marta]) expect(page.complaints).toEqual([])
})
