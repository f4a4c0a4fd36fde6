import { NOBODY } from '@jackdaw/core/audiences'
import { nanoid } from 'nanoid'
import type { Change, GuideDocument, Step } from '@jackdaw/core/guides'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, press, quiet, seen, seriousFindings, signedIn, startApp, type App } from './app'
import type { Watched } from './playerHand'

let app: App
let browser: Browser
let marta: Watched
let clerk: Watched
let guideId = ''
let steps: Step[] = []

/** Asks the server as the person whose page it is. */
const ask = <T>(page: Watched, method: string, path: string, body?: unknown): Promise<T> =>
  page.evaluate(
    async (how, where, what) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
      const response = await fetch(where, {
        method: how,
        headers: { 'content-type': 'application/json', 'x-csrf-token': csrf },
        ...(what === undefined ? {} : { body: JSON.stringify(what) }),
      })
      if (!response.ok) throw new Error(`${how} ${where}: ${response.status} ${await response.text()}`)
      return (response.status === 204 ? null : await response.json()) as T
    },
    method,
    path,
    body,
  )
const clean = async (page: Watched): Promise<void> => {
  expect(await seriousFindings(page)).toEqual([])
  expect(page.complaints).toEqual([])
}

beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  ;[marta, clerk] = await Promise.all([
    signedIn(browser, app, 'marta@larkmoor.example'),
    signedIn(browser, app, 'ines@larkmoor.example', 'phone'),
  ])
  const { rows } = await ask<{ rows: { id: string }[] }>(marta, 'get', '/api/guides?find=standing%20order')
  guideId = rows[0]!.id
  const draft = await ask<{ revision: number; document: GuideDocument }>(marta, 'get', `/api/guides/${guideId}/draft`)
  steps = draft.document.items.filter((item): item is Step => item.kind === 'step')
  const danger = { id: 'danger-one', level: 'danger' as const, words: 'The conveyor starts by itself.', acknowledge: true }
  const third = steps[2]!
  const changes: Change[] = [
    { type: 'set-step', stepId: steps[1]!.id, fields: { cautions: [danger] } },
    { type: 'set-step', stepId: steps[1]!.id, fields: { signs: ['W024'] } },
    { type: 'set-step', stepId: third.id, fields: { exercise: { ...third.exercise, options: ['Kestrel Hotel', 'Moorgate Foods'] } } },
    { type: 'set-facts', facts: { solo: { ...draft.document.solo, task: `Standing order for ${third.action!.value!}.` } } },
  ]
  const saved = await ask<{ revision: number }>(marta, 'post', `/api/guides/${guideId}/draft/changes`, {
    baseRevision: draft.revision,
    changeSetId: nanoid(),
    changes,
  })
  await ask(marta, 'post', `/api/guides/${guideId}/editions`, {
    revision: saved.revision,
    changeNote: 'Danger at the belt',
    mustReread: true,
    audience: NOBODY,
    openToAll: true,
    due: { kind: 'none' },
  })
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

describe('a danger', () => {
  it('stops Watch and Practise, is asked for in both, and stands on record with the time', async () => {
    await marta.goto(`${app.address}/guides/${guideId}/watch`)
    await marta.waitForSelector('[data-stage]')
    await press(marta, 'Next step')
    await marta.waitForSelector('[data-safety-first] [data-caution=danger]')
    await seen(marta, 'Crushing of hands')
    await clean(marta)
    await marta.keyboard.press('ArrowRight')
    await marta.keyboard.press('Space')
    // Keys that turn steps and play do not say that somebody has read it.
    expect(await marta.$('[data-picture]')).toBeNull()
    await press(marta, 'I have read this')
    await marta.waitForSelector('[data-picture]')
    await seen(marta, 'The conveyor starts by itself.')

    await marta.goto(`${app.address}/guides/${guideId}/practise`)
    await press(marta, 'Go on')
    await marta.waitForSelector('[data-safety-first] [data-caution=danger]')
    await press(marta, 'I have read this')
    await marta.waitForSelector('[data-surface]')
    await clean(marta)

    await marta.waitForFunction(
      async (path: string) => {
        const { rows } = (await (await fetch(path)).json()) as { rows: { name: string; acknowledged: { way: string }[] }[] }
        return (
          rows
            .find((row) => row.name === 'Marta Sorrel')
            ?.acknowledged.map((each) => each.way)
            .sort()
            .join() === 'practise,watch'
        )
      },
      { polling: 300 },
      `/api/guides/${guideId}/caution-records`,
    )
    await marta.goto(`${app.address}/records/guides/${guideId}/cautions`)
    await seen(marta, 'Practise, ')
    await clean(marta)
  })
})

describe('a reader on a phone whose network goes', () => {
  it('reads on to the end, past the danger, and is told that it is on record once it is', async () => {
    await clerk.goto(`${app.address}/guides/${guideId}`)
    await seen(clerk, 'Step 1 of 11')
    // Everything that the guide needs comes while there is a network, once the first page stands.
    await clerk.waitForFunction(() => {
      const come = performance.getEntriesByType('resource').map(({ name }) => name)
      return ['StepSafetyView', 'StepPicturesView'].every((part) => come.some((name) => name.includes(part)))
    })
    await quiet(clerk, 1_000)
    await clerk.setOfflineMode(true)
    await press(clerk, 'Next')
    await clerk.waitForSelector('[data-caution=danger] button')
    await press(clerk, 'I have read this')
    for (let n = 2; n < 11; n++) {
      await press(clerk, 'Next')
      await seen(clerk, `Step ${n + 1} of 11`)
      const broken = await clerk.$$eval('article img', (all) =>
        all
          .filter((each) => (each as HTMLImageElement).complete && (each as HTMLImageElement).naturalWidth === 0)
          .map((each) => (each as HTMLImageElement).src),
      )
      expect(broken).toEqual([])
    }
    await press(clerk, 'To the end')
    await press(clerk, 'Done')
    await seen(clerk, 'goes on record as soon as the server can be reached')
    expect(await clerk.evaluate(() => document.body.innerText)).not.toContain('It is on record')
    await clerk.setOfflineMode(false)
    await seen(clerk, 'It is on record that you have read edition 2')
    await clean(clerk)
  })
})

describe('Solo', () => {
  it('lists what the picture shows, and offers a list where the application does', async () => {
    await marta.goto(`${app.address}/guides/${guideId}/solo`)
    await press(marta, 'Begin')
    await press(marta, 'Go on')
    await press(marta, 'I have read this')
    await press(marta, 'List of elements')
    const names = () => marta.$$eval('section[aria-label="Elements"] ul button', (all) => all.map((each) => each.textContent!.trim()))
    await marta.waitForSelector('section[aria-label="Elements"] ul button')
    const own = new Set(steps.map((step) => step.action?.element?.name.trim()))
    // More than the right elements of the guide: what else stands on the picture.
    expect((await names()).filter((name) => !own.has(name)).length).toBeGreaterThan(2)
    expect(await names()).toContain(steps[1]!.action!.element!.name.trim())
    await marta.keyboard.press('Escape')
    await marta.waitForFunction(() => !document.querySelector('section[aria-label="Elements"]'))
    expect(await marta.evaluate(() => document.body.innerText)).not.toContain('Leave Solo?')
    await press(marta, 'List of elements')
    await press(marta, steps[1]!.action!.element!.name.trim())
    await seen(marta, 'Step 3 of 11')
    await press(marta, steps[2]!.action!.element!.name.trim())
    const options = await marta.waitForSelector('[data-entries]')
    expect(await options!.$$eval('button', (all) => all.map((each) => each.textContent!.trim()))).toContain('Kestrel Hotel')
    await clean(marta)
  })
})

describe('a reader who sees that something is wrong', () => {
  it('tells the owner at the step, who sees it on the ruler until it is done', async () => {
    await clerk.goto(`${app.address}/guides/${guideId}?step=${steps[3]!.id}`)
    await seen(clerk, 'Step 4 of 11')
    await press(clerk, 'Something is wrong here')
    await clerk.waitForSelector('form textarea:focus')
    await clerk.keyboard.type('There is a new button since Monday.')
    await clean(clerk)
    await press(clerk, 'Send to the owner')
    await seen(clerk, 'Sent to the owner')
    await marta.goto(`${app.address}/guides/${guideId}/edit?step=${steps[3]!.id}`)
    await marta.waitForSelector('nav[aria-label="Outline"] [data-remark-mark]')
    await seen(marta, 'There is a new button since Monday.')
    await seen(marta, '390 × 844')
    await clean(marta)
    await press(marta, 'It is done')
    await marta.waitForFunction(() => !document.querySelector('[data-remark-mark]'))
    await marta.reload()
    await marta.waitForSelector('li[data-step]')
    expect(await ask(marta, 'get', `/api/guides/${guideId}/remarks`)).toEqual([])
  })
})
