import { stepName, type GuideQuiz, type Section, type Step } from '../../guides'
import { figuresOf, type GuideFigures } from '../figures/figure'
import { itemsOf, type HandoutGuide, type Say } from '../handout'
import { onwardToWords, onwardWords, quizWords, skippedWords } from '../onwardWords'
import { rectPath, type Box, type LeadsTo, type Placed } from './box'
import { figureBoxes } from './figureBoxes'
import { textBoxes, type Piece } from './lines'
import { addPart, type Part, type Tag } from './part'
import type { Setting } from './pieces'
import { richBoxes } from './richBoxes'
import { cautionBox, signBoxes } from './safetyBoxes'
import { fontOf, type Style } from './type'

/** What setting a guide needs beside the setting of its texts. `level`: of the heading over its sections; `pageOf`: the page of a place, as words. */
export type GuideSetting = {
  guide: HandoutGuide
  setting: Setting
  t: Say
  widthPt: number
  level: 2 | 3
  pageOf: (anchor: string) => string
  within: Part
}

/** The place of an item of a guide on paper. */
export const anchorOf = (guide: Pick<HandoutGuide, 'guideId'>, itemId: string | null = null): string =>
  itemId === null ? guide.guideId : `${guide.guideId} ${itemId}`

const INK = '#17212b'
const SOFT = '#4a5662'
const sans = (sizePt: number, leadingPt: number, strong = false, colour = INK): Style => ({
  font: fontOf('sans', strong),
  sizePt,
  leadingPt,
  colour,
})
const headTag = (level: number): Tag => `H${Math.min(level, 4)}` as Tag

function sectionBoxes(section: Section, { guide, setting, t, widthPt, level, within }: GuideSetting): Box[] {
  const style = { ...sans(14.5, 19, true), colour: INK }
  const more: Piece[] = section.optional ? [{ words: `  ${t('may be left out')}`, style: sans(10, 19, false, SOFT) }] : []
  const boxes = textBoxes([{ words: section.title || t('Section without a title'), style }, ...more], setting.type, {
    widthPt,
    beforePt: 20,
    part: addPart(within, headTag(level)),
  })
  return boxes.map((box, n) => ({
    ...box,
    keep: true,
    ruled: true,
    ...(n === 0
      ? {
          anchor: anchorOf(guide, section.id),
          mark: { title: section.title, level: level - 1 },
          placed: [{ is: 'path', d: 'M0 0H22', scale: 1, x: -30, y: 11, stroke: INK, lined: 1.6, part: null } as Placed, ...box.placed],
        }
      : {}),
  }))
}

/** The number of a step beside its first line, on a tick of the ruler. */
function numberOf(n: number, setting: Setting, t: Say, part: Part): Placed[] {
  const style = sans(12, setting.body.leadingPt, true)
  part.actual = t('Step {{n}}', { n })
  const [box] = textBoxes([{ words: String(n), style }], setting.type, { x: -44, widthPt: 28, part, align: 'right' })
  return [
    { is: 'path', d: 'M0 0H8', scale: 1, x: -12, y: setting.body.leadingPt / 2 + 0.5, stroke: INK, lined: 0.9, part: null },
    ...box!.placed,
  ]
}

/** How it goes on after a step: what is asked, and each way with where it leads. */
function onwardBoxes(step: Step, { guide, setting, t, widthPt, pageOf }: GuideSetting, within: Part): Box[] {
  const onward = onwardWords(step, guide, t)
  const skipped = skippedWords(step, guide, t)
  const small = sans(10, 14)
  const skip =
    skipped === '' ? [] : textBoxes([{ words: skipped, style: small }], setting.type, { widthPt, beforePt: 5, part: addPart(within, 'P') })
  if (!onward) return skip
  const ask = textBoxes([{ words: onward.ask, style: sans(10, 14, true) }], setting.type, {
    widthPt,
    beforePt: 7,
    part: addPart(within, 'P'),
  })
  const list = addPart(within, 'L')
  const ways = onward.ways.flatMap(({ words, to }) => {
    const entry = addPart(list, 'LI')
    const lead: LeadsTo | undefined = typeof to === 'object' ? { anchor: anchorOf(guide, to.stepId) } : undefined
    const where = onwardToWords(to, t, typeof to === 'object' ? pageOf(anchorOf(guide, to.stepId)) : '')
    const pieces: Piece[] = [
      { words: `${words}: `, style: small },
      { words: where, style: { ...small, colour: lead ? setting.linkColour : INK }, ...(lead ? { to: lead } : {}) },
    ]
    const boxes = textBoxes(pieces, setting.type, { x: 18, widthPt: widthPt - 18, beforePt: 1, part: addPart(entry, 'LBody') })
    const arrow: Placed = { is: 'path', d: 'M0 4H8M5 1L8 4L5 7', scale: 1, x: 3, y: 3.5, stroke: INK, lined: 0.9, part: null }
    return boxes.map((box, n) => (n === 0 ? { ...box, placed: [arrow, ...box.placed] } : box))
  })
  return [...skip, ...ask.map((box) => ({ ...box, keep: true })), ...ways]
}

/** How much smaller pictures are set where a step would else begin a new page. */
const SMALLER = 0.75

/** Sets a step, and once more with smaller pictures for where there is no room for it. */
function stepBoxes(step: Step, n: number, figures: GuideFigures, given: GuideSetting, level: number): Box[] {
  const boxes = stepIn(step, n, figures, given, level, 1)
  const [first, ...rest] = boxes
  if (!first || step.pictures.length === 0) return boxes
  return [{ ...first, instead: stepIn(step, n, figures, given, level, SMALLER) }, ...rest]
}

function stepIn(step: Step, n: number, figures: GuideFigures, given: GuideSetting, level: number, share: number): Box[] {
  const { guide, setting, t, widthPt, within } = given
  const part = addPart(within, 'Sect')
  const head = addPart(part, headTag(level))
  const safety = (step.cautions ?? []).map((caution, i) =>
    cautionBox(caution, setting, t, part, { x: 0, widthPt, beforePt: i === 0 ? 0 : 5 }),
  )
  const signs = signBoxes(step.signs ?? [], setting, t, part, { x: 0, widthPt, beforePt: 5 })
  const words = richBoxes(step.body, setting, part, { x: 0, widthPt, beforePt: safety.length + signs.length > 0 ? 6 : 0 })
  const shown = step.pictures.flatMap((picture, i) =>
    figureBoxes(picture, setting, {
      step,
      n,
      figures,
      t,
      within: part,
      x: 0,
      widthPt,
      beforePt: i === 0 ? 7 : 9,
      share,
    }),
  )
  const boxes = [...safety, ...signs, ...words, ...shown, ...onwardBoxes(step, given, part)]
  const all = boxes.length > 0 ? boxes : [{ heightPt: setting.body.leadingPt, beforePt: 0, placed: [] }]
  return all.map((box, i): Box => ({
    ...box,
    beforePt: i === 0 ? 14 : box.beforePt,
    group: step.id,
    ruled: true,
    // Cautions and signs never stand alone at the end of a page.
    ...(i < safety.length + signs.length ? { keep: true } : {}),
    ...(i === 0
      ? {
          anchor: anchorOf(guide, step.id),
          mark: { title: `${n}. ${stepName(step)}`.trim(), level: level - 1 },
          placed: [...numberOf(n, setting, t, head), ...box.placed],
        }
      : {}),
  }))
}

function quizBoxes(quiz: GuideQuiz, { guide, setting, t, widthPt, within }: GuideSetting): Box[] {
  const style = sans(10.5, 15, true)
  const lines = textBoxes([{ words: quizWords(quiz, guide, t), style, to: { href: guide.address } }], setting.type, {
    x: 9,
    widthPt: widthPt - 18,
    beforePt: 12,
    part: addPart(within, 'P'),
  })
  return lines.map((line, n) => ({
    ...line,
    heightPt: line.heightPt + (n === lines.length - 1 ? 3 : 0),
    ruled: true,
    ...(n < lines.length - 1 ? { keep: true } : {}),
    placed: [
      { is: 'path', d: rectPath(widthPt, line.heightPt + 3), scale: 1, x: 0, y: -1, fill: '#eef1f3', part: null },
      { is: 'path', d: `M0 0V${line.heightPt + 3}`, scale: 1, x: 0, y: -1, stroke: setting.linkColour, lined: 2.4, part: null },
      ...line.placed,
    ],
  }))
}

/** Sets what a guide consists of. */
export function guideBoxes(given: GuideSetting): Box[] {
  const { guide, setting, widthPt, within, level } = given
  const figures = figuresOf(guide)
  let part = within
  let stepLevel: number = level
  const boxes = itemsOf(guide).flatMap((item): Box[] => {
    switch (item.kind) {
      case 'section':
        part = addPart(within, 'Sect')
        stepLevel = level + 1
        return sectionBoxes(item, { ...given, within: part })
      case 'step':
        return stepBoxes(item, item.n ?? 0, figures, { ...given, within: part }, stepLevel)
      case 'quiz':
        return quizBoxes(item, { ...given, within: part })
    }
  })
  const closing = guide.section === null ? (guide.document.closing ?? '').trim() : ''
  if (closing === '') return boxes
  return [
    ...boxes,
    ...textBoxes([{ words: closing, style: setting.body }], setting.type, { widthPt, beforePt: 20, part: addPart(within, 'P') }),
  ]
}
