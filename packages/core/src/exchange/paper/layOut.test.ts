import { describe, expect, it } from 'vitest'
import type { Block, Choice, Flow, StepPicture } from '../../guides'
import { seededRandom, type PictureId } from '../../shared'
import { valueOf } from '../../testing'
import { GuideDocument, stepsOf, tooMuchIn } from '../../guides'
import { columnWidths, gridOf } from './tableBoxes'
import { layOut, type Paper } from './layOut'
import { aDocument, aGuideQuiz, aHandout, aHandoutGuide, aStep, longGuide, partsIn, PLAIN_TYPE, plainWords, wordsOn } from './testing'

const laidOut = (...guides: Parameters<typeof aHandout>): Paper => layOut(aHandout(...guides), 'a4', PLAIN_TYPE, plainWords)
const ofDocument = (document: GuideDocument, more: Parameters<typeof aHandoutGuide>[1] = {}): Paper =>
  laidOut(aHandoutGuide(document, more))
const PICTURE = 'picture-0000000000001' as PictureId
const cell = (words: string, more: object = {}, type: 'tableCell' | 'tableHeader' = 'tableCell') => ({
  type,
  ...(Object.keys(more).length > 0 ? { attrs: more } : {}),
  content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text: words }] }],
})
const aTable = (rows: ReturnType<typeof cell>[][]): Block => ({
  type: 'table',
  content: rows.map((content) => ({ type: 'tableRow', content })),
})

/** Whether everything stands on its sheet, between the edges. */
function expectOnSheet({ sheet, pages }: Paper): void {
  for (const page of pages)
    for (const each of page.placed) {
      expect(each.x).toBeGreaterThan(20)
      expect(each.y).toBeGreaterThan(20)
      if (each.is === 'words') expect(each.x + each.widthPt).toBeLessThan(sheet.widthPt - 30)
      if (each.is === 'picture') expect(each.x + each.widthPt).toBeLessThan(sheet.widthPt - 30)
      if (each.is === 'picture') expect(each.y + each.heightPt).toBeLessThan(sheet.heightPt - 50)
      expect(each.y).toBeLessThan(sheet.heightPt - 20)
    }
}

describe('a guide on paper', () => {
  it('has a title page with its facts, contents with the pages on which things stand, and a foot on each page', () => {
    const document = longGuide(3, 25)
    const paper = ofDocument(document)
    const pages = wordsOn(paper)
    expect(pages[0]).toMatch(/Rinse the trays .*Edition 3 Published 3 November 2026 Owner Ada Finch .*Printed 4 November 2026/)
    pages.forEach((words, n) =>
      expect(words).toMatch(new RegExp(`12 Rinse the trays Edition 3, 3 November 2026 Page ${n + 1} of ${pages.length}$`)),
    )
    const second = pages.findIndex((words, n) => n > 0 && words.includes('Part 2 26 Rinse')) + 1
    expect(second).toBeGreaterThan(1)
    expect(pages.join(' ')).toContain(`Part 2 ${second} `)
    expectOnSheet(paper)
  })
  it('is a structure in which headings go down level by level, and every figure says what it shows', () => {
    const picture: StepPicture = {
      id: PICTURE,
      alt: '',
      annotations: [{ id: 'label-1', kind: 'label', at: { to: 'picture', at: 'middle', gapPx: 0 }, words: 'Stop button' }],
    }
    const document = longGuide(1, 2)
    const step = stepsOf(document)[1]!
    step.pictures = [picture]
    const { root, pages } = ofDocument(document, { sizes: { [PICTURE]: { widthPx: 800, heightPx: 500 } } })
    const parts = partsIn(root)
    expect(parts.flatMap((part) => (/^H\d/.test(part.tag) ? [part.tag] : []))).toEqual(['H1', 'H2', 'H2', 'H3', 'H3'])
    expect(parts.filter((part) => part.tag === 'Figure').map((part) => part.alt)).toContain(
      'Picture of step 2. On the picture: Stop button',
    )
    for (const { part } of pages.flatMap((page) => page.placed))
      if (part) expect([parts.includes(part), part.parts.length]).toEqual([true, 0])
  })
  it('says at a branch where each way leads, on which page, and where a step is passed over', () => {
    const document = longGuide(1, 60)
    const steps = stepsOf(document)
    const choices: Choice[] = [
      { id: 'choice-1', words: 'It drips', to: steps[49]!.id },
      { id: 'choice-2', words: 'All is dry', to: 'end' },
    ]
    steps[0]!.flow = { ask: 'Does it drip?', choices } satisfies Flow
    steps[2]!.flow = { skipWhen: { of: 'value', stepId: steps[0]!.id, accept: { how: 'exact', value: 'no' } } }
    const paper = ofDocument(document)
    const page = paper.pages.findIndex((each) => each.anchors.some(({ name }) => name.endsWith(steps[49]!.id))) + 1
    const words = wordsOn(paper).join(' ')
    expect(words).toContain(`Does it drip? It drips: go on at step 50, page ${page} All is dry: this is the end`)
    expect(words).toContain('If “no” was entered at step 1: pass this step over')
    expect(wordsOn(paper)[page - 1]).toContain('50 Rinse tray 50')
  })
  it('takes one section alone, with the numbers that its steps have in the guide', () => {
    const document = longGuide(2, 3)
    const section = document.items.filter((item) => item.kind === 'section')[1]!
    const words = wordsOn(ofDocument(document, { section: section.id })).join(' ')
    expect(words).toContain('Section: Part 2')
    expect(words).toContain('4 Rinse tray 4')
    expect(words).not.toContain('Rinse tray 1 ')
  })
  it('puts several guides into one booklet with one contents, and names quizzes with what is asked of them', () => {
    const quiz = aGuideQuiz()
    const second = aHandoutGuide(
      { ...aDocument(aStep('Fill the crate'), quiz), title: 'Pack crates' },
      { guideId: 'second' as never, quizzes: { [quiz.quizId]: 'Crates' } },
    )
    const paper = laidOut(aHandoutGuide(longGuide(1, 2)), second)
    const pages = wordsOn(paper)
    expect(pages[0]).toMatch(/^Order office Guides 2 Printed 4 November 2026 Contents Rinse the trays 2 Part 1 2 .*Pack crates 3/)
    expect(pages[2]).toMatch(/^Pack crates .*Quiz: Crates\. Pass it before you go on\. .*12 Pack crates/)
    expect(paper.pages.flatMap((page) => page.marks.map((mark) => mark.level))).toEqual([0, 1, 2, 3, 3, 1, 2])
  })
  it('shows a picture that is taller than a page whole, and a long guide in good order', () => {
    const document = longGuide(10, 50)
    stepsOf(document)[7]!.pictures = [{ id: PICTURE, alt: 'A long list' }]
    const paper = ofDocument(document, { sizes: { [PICTURE]: { widthPx: 600, heightPx: 6_000 } } })
    const shown = paper.pages.flatMap((page) => page.placed).find((each) => each.is === 'picture')
    expect(shown).toMatchObject({ from: { x: 0, y: 0, width: 600, height: 6_000 } })
    expectOnSheet(paper)
    const numbers = wordsOn(paper)
      .join(' ')
      .match(/Rinse tray (\d+) with warm water/g)!
    expect(numbers).toEqual(Array.from({ length: 500 }, (_, n) => `Rinse tray ${n + 1} with warm water`))
  })
  it('tells for what there are no letters', () => {
    expect(ofDocument(aDocument(aStep('洗う', 'Rinse'))).missing).toEqual(['う', '洗'])
    expect(ofDocument(aDocument(aStep('Rinse'))).missing).toEqual([])
  })
  it('stands on its sheets whatever is in the document, and loses no step', () => {
    const random = seededRandom(18)
    for (let n = 0; n < 60; n++) {
      const document = valueOf(GuideDocument, { random, hint: () => undefined }) as GuideDocument
      if (tooMuchIn(document).length > 0) continue
      const ids = stepsOf(document).flatMap((step) => step.pictures.map((picture) => picture.id))
      const paper = ofDocument(document, {
        sizes: Object.fromEntries(ids.map((id, i) => [id, { widthPx: 200 + 37 * i, heightPx: 90 + 71 * i }])),
      })
      const anchors = new Set(paper.pages.flatMap((page) => page.anchors.map(({ name }) => name.split(' ')[1])))
      for (const step of stepsOf(document)) expect(anchors).toContain(step.id)
    }
  })
})

describe('a table on paper', () => {
  const ofTable = (rows: ReturnType<typeof cell>[][]): Paper =>
    ofDocument(aDocument({ ...aStep(), body: { type: 'doc', content: [aTable(rows)] } }))
  it('has its cells where HTML would have them', () => {
    const { cells, columns } = gridOf(
      aTable([
        [cell('a', { rowspan: 2 }), cell('b', { colspan: 2 })],
        [cell('c'), cell('d')],
      ]) as never,
    )
    expect(columns).toBe(3)
    expect(cells.map(({ row, column, columns: wide, rows: high }) => [row, column, wide, high])).toEqual([
      [0, 0, 1, 2],
      [0, 1, 2, 1],
      [1, 1, 1, 1],
      [1, 2, 1, 1],
    ])
  })
  it('gives columns what they wish, or shares the room, or says that there is not enough', () => {
    expect(
      columnWidths(
        [
          { least: 10, most: 40 },
          { least: 10, most: 20 },
        ],
        100,
      ),
    ).toEqual([40, 20])
    expect(
      columnWidths(
        [
          { least: 10, most: 90 },
          { least: 10, most: 50 },
        ],
        80,
      ),
    ).toEqual([50, 30])
    expect(columnWidths([{ least: 60, most: 90 }], 50)).toBeNull()
  })
  it('has its head on each page, heads as such, and every row once', () => {
    const paper = ofTable([
      [cell('Herb', {}, 'tableHeader'), cell('Crates', {}, 'tableHeader')],
      ...Array.from({ length: 90 }, (_, n) => [cell(`Basil ${n}`), cell(`${n}`)]),
    ])
    const pages = wordsOn(paper).filter((words) => words.includes('Basil'))
    expect(pages.length).toBeGreaterThan(1)
    pages.forEach((words) => expect(words).toContain('Herb Crates Basil'))
    expect(pages.join(' ').match(/Basil \d+/g)).toHaveLength(90)
    expect(partsIn(paper.root).filter((part) => part.tag === 'TH')).toHaveLength(2)
    expectOnSheet(paper)
  })
  it('stays on the page where it is wider, and where a row is higher than one', () => {
    const wide = ofTable([
      Array.from({ length: 40 }, (_, n) => cell(`Column ${n} with words`)),
      Array.from({ length: 40 }, (_, n) => cell(`${n}`)),
    ])
    expectOnSheet(wide)
    expect(wordsOn(wide).join(' ')).toContain('39')
    const high = ofTable([[cell('Rinse the tray. '.repeat(900)), cell('x')]])
    expectOnSheet(high)
    expect(wordsOn(high).join(' ').match(/tray/g)!.length).toBeGreaterThanOrEqual(900)
  })
})
