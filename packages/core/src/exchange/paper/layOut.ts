import { darkened } from '../../annotations'
import type { Handout, HandoutGuide, Say } from '../handout'
import { shifted, type Box, type Placed } from './box'
import { contentsBoxes } from './contentsBoxes'
import { guideBoxes } from './guideBoxes'
import { bookletBoxes, headBoxes } from './headBoxes'
import { textBoxes } from './lines'
import { paginate, type Page } from './paginate'
import { addPart, pruned, type Part } from './part'
import type { Setting } from './pieces'
import { sheetOf, type PaperSize, type Sheet } from './sheet'
import { fontOf, type Font, type Type } from './type'

/** A page as it is printed: everything from its top left corner, in points. */
export type PrintedPage = { placed: Placed[]; anchors: { name: string; y: number }[]; marks: { title: string; level: number; y: number }[] }
/** A handout on paper. `missing`: characters for which there is no letter in the fonts. */
export type Paper = { sheet: Sheet; pages: PrintedPage[]; root: Part; missing: string[] }

const FOOT: { size: number; leading: number; colour: string } = { size: 8.5, leading: 11, colour: '#4a5662' }

/** Type that writes down for what it has no letter. */
function noting(type: Type, missing: Set<string>): Type {
  const looked = new Set<string>()
  return {
    lacks: (character, font) => type.lacks(character, font),
    widthOf: (words, font) => {
      const key = `${font.face}${font.strong}${font.slanted} ${words}`
      if (!looked.has(key)) {
        looked.add(key)
        for (const character of words) if (character.trim() !== '' && type.lacks(character, font)) missing.add(character)
      }
      return type.widthOf(words, font)
    },
  }
}

/** Widths are asked for again and again: each is measured once. */
function remembering(type: Type): Type {
  const known = new Map<string, number>()
  const keyOf = (words: string, { face, strong, slanted }: Font) => `${face[1]}${strong ? 1 : 0}${slanted ? 1 : 0}${words}`
  return {
    lacks: (character, font) => type.lacks(character, font),
    widthOf: (words, font) => {
      const key = keyOf(words, font)
      let width = known.get(key)
      if (width === undefined) known.set(key, (width = type.widthOf(words, font)))
      return width
    },
  }
}

type Chapter = { boxes: Box[]; guide: HandoutGuide | null }

/** All that is set, in chapters that begin on pages of their own, and the structure of it. */
function chaptersOf(
  handout: Handout,
  sheet: Sheet,
  type: Type,
  t: Say,
  pageOf: (anchor: string) => string,
): { chapters: Chapter[]; root: Part } {
  const root: Part = { tag: 'Document', parts: [], language: handout.language }
  const settingOf = (guide: Pick<HandoutGuide, 'look'>): Setting => ({
    type,
    body: { font: fontOf(guide.look.type), sizePt: 10.6, leadingPt: 15.4, colour: '#17212b' },
    linkColour: darkened(guide.look.colour, 4.5),
    home: handout.home,
    pageHeightPt: sheet.bodyPt,
  })
  const widthPt = sheet.columnPt
  const several = handout.guides.length > 1
  const first = handout.guides[0]
  if (!first) return { chapters: [], root }
  const chapters: Chapter[] = []
  const contents = (within: Part) => contentsBoxes(handout, settingOf(first), t, pageOf, within, widthPt)
  const begin: Part = addPart(root, 'Sect')
  if (several)
    chapters.push({
      guide: null,
      boxes: [...bookletBoxes(handout, { setting: settingOf(handout), t, widthPt, within: begin }), ...contents(begin)],
    })
  for (const guide of handout.guides) {
    const setting = settingOf(guide)
    const within = several ? addPart(root, 'Sect', { language: guide.document.language }) : begin
    if (!several) begin.language = guide.document.language
    const head = headBoxes(guide, handout.made, { setting, t, widthPt, within }, !several)
    const level = several ? 3 : 2
    if (!several) chapters.push({ guide, boxes: [...head, ...contents(within)] })
    const steps = guideBoxes({ guide, setting, t, widthPt, level, pageOf, within })
    chapters.push({ guide, boxes: several ? [...head, ...steps.map((box, n) => (n === 0 ? { ...box, beforePt: 24 } : box))] : steps })
  }
  return { chapters: chapters.filter((chapter) => chapter.boxes.length > 0), root }
}

/** What stands at the foot of a page: what it belongs to on the left, its number on the right. */
function footOf(guide: HandoutGuide | null, handout: Handout, at: string, sheet: Sheet, type: Type, t: Say): Placed[] {
  const style = { font: fontOf('sans'), sizePt: FOOT.size, leadingPt: FOOT.leading, colour: FOOT.colour }
  const edition =
    guide &&
    (guide.edition === null
      ? t('Draft, printed {{day}}', { day: handout.made })
      : t('Edition {{edition}}, {{day}}', { edition: guide.edition, day: guide.published }))
  const words = guide ? `${guide.number} ${guide.document.title}` : handout.title
  const y = sheet.heightPt - 44
  const line: Placed = {
    is: 'path',
    d: `M0 0H${sheet.columnPt}`,
    scale: 1,
    x: sheet.left,
    y: y - 4,
    stroke: '#c9d0d6',
    lined: 0.5,
    part: null,
  }
  const left = textBoxes([{ words, style: { ...style, font: fontOf('sans', true) } }], type, {
    x: sheet.left,
    widthPt: sheet.columnPt - 90,
    part: null,
  })[0]!
  const under = edition
    ? (textBoxes([{ words: edition, style }], type, { x: sheet.left, widthPt: sheet.columnPt - 90, part: null })[0]?.placed ?? [])
    : []
  const right = textBoxes([{ words: at, style }], type, { x: sheet.left, widthPt: sheet.columnPt, part: null, align: 'right' })[0]!
  return [
    line,
    ...left.placed.map((each) => shifted(each, 0, y)),
    ...under.map((each) => shifted(each, 0, y + FOOT.leading)),
    ...right.placed.map((each) => shifted(each, 0, y)),
  ]
}

/** The ruler beside what it measures. */
const rulerOf = (page: Page, sheet: Sheet): Placed[] =>
  page.ruled
    ? [
        {
          is: 'path',
          d: `M0 0V${page.ruled.to - page.ruled.from}`,
          scale: 1,
          x: sheet.left - 12,
          y: sheet.top + page.ruled.from,
          stroke: '#7a8794',
          lined: 0.7,
          part: null,
        },
      ]
    : []

/** Sets a handout on paper: a title page with the facts, contents, the steps with their pictures, and a foot on each page. What refers to a
 * page is set as often as it takes until the numbers hold.
 * @param type by what words are measured
 * @param t words around the guides */
export function layOut(handout: Handout, size: PaperSize, type: Type, t: Say): Paper {
  const sheet = sheetOf(size)
  const missing = new Set<string>()
  const measured = noting(remembering(type), missing)
  let known = new Map<string, number>()
  for (let round = 1; ; round++) {
    const { chapters, root } = chaptersOf(handout, sheet, measured, t, (anchor) => String(known.get(anchor) ?? '00'))
    const pages = chapters.flatMap(({ boxes, guide }) => paginate(boxes, sheet.bodyPt).map((page) => ({ page, guide })))
    const found = new Map(pages.flatMap(({ page }, n) => page.anchors.map(({ name }) => [name, n + 1] as const)))
    const holds = [...found].every(([anchor, n]) => known.get(anchor) === n)
    known = found
    // A number that has one more digit may move a line; three rounds settle all that is not on the very edge.
    if (!holds && round < 4) continue
    const filled = new Set(pages.flatMap(({ page }) => page.placed.flatMap(({ part }) => part ?? [])))
    return {
      sheet,
      root: pruned(root, filled) ?? root,
      missing: [...missing].sort(),
      pages: pages.map(({ page, guide }, n) => ({
        anchors: page.anchors.map(({ name, y }) => ({ name, y: y + sheet.top })),
        marks: page.marks.map((mark) => ({ ...mark, y: mark.y + sheet.top })),
        placed: [
          ...rulerOf(page, sheet),
          ...page.placed.map((each) => shifted(each, sheet.left, sheet.top)),
          ...footOf(guide, handout, t('Page {{n}} of {{of}}', { n: n + 1, of: pages.length }), sheet, measured, t),
        ],
      })),
    }
  }
}
