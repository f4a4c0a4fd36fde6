import { writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from 'puppeteer-core'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { ALL, KINDS, bench, draftOf, draw, drawnBox, edit, kindsOn, rest, rows, rowsAre, saved, tool } from './benchHand'

let app: App
let browser: Browser
let marta: Page & { complaints: string[] }
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  marta = await signedIn(browser, app, 'marta@larkmoor.example')
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

describe('annotating a recorded step', () => {
  it('takes every kind by mouse, moves them with snapping, and gives a label back to place itself', async () => {
    const id = await edit(app, marta, 'standing order')
    const stage = await bench(marta, 2)
    const before = (await rows(marta)).length
    for (const [name, from, to] of [
      ['Frame', [0.1, 0.5], [0.3, 0.6]],
      ['Number', [0.2, 0.8], [0.2, 0.8]],
      ['Arrow', [0.4, 0.9], [0.6, 0.7]],
      ['Rectangle', [0.65, 0.5], [0.8, 0.6]],
      ['Ellipse', [0.1, 0.65], [0.25, 0.75]],
      ['Inset', [0.02, 0.02], [0.12, 0.08]],
      ['Blackout', [0.85, 0.85], [0.95, 0.95]],
    ] as [string, [number, number], [number, number]][]) {
      await tool(marta, name, 'press')
      await draw(marta, stage, from, to)
    }
    for (const [name, at, words] of [
      ['Label', [0.5, 0.4], 'Placed by itself'],
      ['Text', [0.5, 0.6], 'Only words'],
    ] as [string, [number, number], string][]) {
      await tool(marta, name, 'press')
      await draw(marta, stage, at, at)
      await marta.waitForSelector('[data-selected] textarea')
      await marta.keyboard.type(words)
    }
    await rowsAre(marta, before + 9)
    // The label is taken by the hand and stays where it is put, until it is given back.
    await click(marta, '::-p-xpath(//button[@data-annotation-row][contains(.,"Placed by itself")])')
    await seen(marta, 'It places itself')
    await saved(marta)
    const label = async () =>
      (await draftOf(marta, id)).items[1].pictures[0].annotations.find((each: any) => each.words === 'Placed by itself')
    expect(await label()).not.toHaveProperty('place')
    await click(marta, '::-p-xpath(//button[contains(.,"Put it where it is")])')
    await marta.waitForSelector('::-p-xpath(//button[contains(.,"Place it for me")])')
    await saved(marta)
    expect((await label()).place.dx).toBeTypeOf('number')
    await press(marta, 'Place it for me')
    await seen(marta, 'It places itself')
    await press(marta, 'Done')
    await marta.waitForFunction(() => !document.querySelector('[data-bench]'))
    expect(await kindsOn(marta, 2)).toEqual(KINDS)
    expect(marta.complaints).toEqual([])
  })
  it('takes every kind by keyboard alone, moved by single pixels and by ten, and removed again', async () => {
    const id = await edit(app, marta, 'delivery slot')
    await bench(marta, 3)
    const before = (await rows(marta)).length
    for (const name of ALL) await tool(marta, name, 'enter')
    await rowsAre(marta, before + 9)
    const textRow = (await marta.$$('[data-annotation-row]')).at(-3)!
    await textRow.focus()
    for (let n = 0; n < 3; n++) await marta.keyboard.press('ArrowRight')
    await marta.keyboard.down('Shift')
    await marta.keyboard.press('ArrowDown')
    await marta.keyboard.up('Shift')
    await saved(marta)
    const annotations = (await draftOf(marta, id)).items[2].pictures[0].annotations
    const text = annotations.find((each: any) => each.kind === 'text')
    const element = (await draftOf(marta, id)).items[2].action.element
    const unit = element.of.widthPx / 760
    // From the right middle of the element by three pixels and ten.
    expect(text.at.to).toBe('element')
    expect((text.at.at.x - 1) * element.rect.width).toBeCloseTo(3 * unit, 0)
    expect((text.at.at.y - 0.5) * element.rect.height).toBeCloseTo(10 * unit, 0)
    await textRow.focus()
    await marta.keyboard.press('Delete')
    await rowsAre(marta, before + 8)
    expect(await seriousFindings(marta)).toEqual([])
    await marta.keyboard.down('Control')
    for (let n = 0; n < 16; n++) await marta.keyboard.press('z')
    await marta.keyboard.up('Control')
    await rowsAre(marta, before)
    expect(marta.complaints).toEqual([])
  })
  it('lets everything follow when the picture is replaced and the element stands elsewhere', async () => {
    const id = await edit(app, marta, 'delivery slot')
    await bench(marta, 4)
    await tool(marta, 'Label', 'enter')
    await marta.waitForSelector('[data-selected] textarea')
    await marta.keyboard.type('Stays with it')
    const file = join(tmpdir(), `replacement-${process.pid}.png`)
    await writeFile(
      file,
      await sharp({ create: { width: 900, height: 700, channels: 3, background: '#e8efe9' } })
        .png()
        .toBuffer(),
    )
    const [chooser] = await Promise.all([marta.waitForFileChooser(), press(marta, 'Replace the picture …')])
    const was = (await draftOf(marta, id)).items[3].pictures[0].id
    await chooser.accept([file])
    await marta.waitForFunction(
      (old: string) => document.querySelector('[data-bench]')?.getAttribute('data-bench') !== old,
      { timeout: 20_000 },
      was,
    )
    await rest(600)
    const stage = (await marta.waitForSelector('[data-bench] canvas'))!
    await tool(marta, 'What it is about', 'press')
    await draw(marta, stage, [0.6, 0.7], [0.8, 0.8])
    await press(marta, 'Done')
    await marta.waitForFunction(() => !document.querySelector('[data-bench]'))
    const frame = (await drawnBox(marta, 4, 'frame'))!
    expect([frame.x, frame.y].map((each) => Math.round(each * 20) / 20)).toEqual([0.7, 0.75])
    const label = (await drawnBox(marta, 4, 'label'))!
    expect(label.x).toBeGreaterThan(0.55)
    expect(label.y).toBeGreaterThan(0.5)
    await saved(marta)
    const step = (await draftOf(marta, id)).items[3]
    expect(step.pictures).toHaveLength(1)
    expect(step.action.element.of).toEqual({ widthPx: 900, heightPx: 700 })
  })
  it('lays pictures out on a blank sheet, and shows a part of a picture without losing the rest', async () => {
    const id = await edit(app, marta, 'Water the seed trays')
    await (await marta.$('li[data-step] [data-step-text]'))!.click()
    await press(marta, 'Blank sheet')
    await marta.waitForSelector('[data-bench] canvas')
    const file = join(tmpdir(), `laid-${process.pid}.png`)
    const picture = sharp({ create: { width: 400, height: 300, channels: 3, background: '#c7d8c0' } })
    await writeFile(file, await picture.png().toBuffer())
    for (let n = 0; n < 2; n++) {
      const [chooser] = await Promise.all([marta.waitForFileChooser(), press(marta, 'Lay a picture on it …')])
      await chooser.accept([file])
      await marta.waitForSelector(`::-p-xpath(//button[contains(.,"Picture ${n + 1} on the sheet")])`)
    }
    await press(marta, 'Picture 2 on the sheet')
    await seen(marta, 'Take it off the sheet')
    await tool(marta, 'Label', 'enter')
    await marta.waitForSelector('[data-selected] textarea')
    await marta.keyboard.type('Side by side')
    await press(marta, 'Done')
    await saved(marta)
    const [step] = (await draftOf(marta, id)).items
    const [first, second] = step.pictures[0].sheet.pictures
    expect(second.rect.x).toBeGreaterThanOrEqual(first.rect.x + first.rect.width)
    expect(await marta.$$eval('li[data-step] [data-picture] img', (all) => all.length)).toBe(2)

    await edit(app, marta, 'delivery slot')
    const stage = await bench(marta, 2)
    await tool(marta, 'Crop', 'press')
    await draw(marta, stage, [0.1, 0.1], [0.6, 0.6])
    await marta.waitForSelector('::-p-xpath(//button[contains(.,"Show the whole picture")])')
    await press(marta, 'Done')
    await marta.waitForFunction(() => !document.querySelector('[data-bench]'))
    const shown = await marta.$eval('li[data-step]:nth-of-type(2) [data-picture]', (each) => {
      const [box, image] = [each.getBoundingClientRect(), each.querySelector('img')!.getBoundingClientRect()]
      return image.width / box.width
    })
    expect(shown).toBeCloseTo(2, 1)
  })
})
