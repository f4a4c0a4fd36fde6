import { darkened } from '../../annotations'
import type { Look } from '../../guides'
import type { Handout, HandoutGuide, Say } from '../handout'
import { headFacts } from '../headFacts'
import { shifted, type Box, type Placed } from './box'
import { anchorOf } from './guideBoxes'
import { textBoxes } from './lines'
import { addPart, type Part } from './part'
import type { Setting } from './pieces'
import { signBoxes } from './safetyBoxes'
import { fontOf, type Style } from './type'

const SOFT = '#4a5662'
const INK = '#17212b'
const sans = (sizePt: number, leadingPt: number, strong = false, colour = INK): Style => ({
  font: fontOf('sans', strong),
  sizePt,
  leadingPt,
  colour,
})

/** What setting the first pages needs. */
type HeadSetting = { setting: Setting; t: Say; widthPt: number; within: Part }

/** The company's name and logo over a title. */
function companyBox(look: Look, { setting, widthPt, within }: HeadSetting): Box[] {
  if (!look.name && !look.logo) return []
  const colour = darkened(look.colour, 4.5)
  const logo: Placed[] = look.logo
    ? [
        {
          is: 'logo',
          data: look.logo,
          x: 0,
          y: 0,
          widthPt: 110,
          heightPt: 30,
          part: addPart(within, 'Figure', { alt: look.name || 'Logo' }),
        },
      ]
    : []
  const name = look.name
    ? textBoxes([{ words: look.name, style: sans(11, 30, true, colour) }], setting.type, {
        x: look.logo ? 120 : 0,
        widthPt: widthPt - 120,
        part: addPart(within, 'P'),
      })
    : []
  return [{ heightPt: 30, beforePt: 0, placed: [...logo, ...name.flatMap((line) => line.placed)] }]
}

/** Facts one under another, their names in a column of their own. */
function factBoxes(facts: readonly [string, string][], { setting, widthPt, within }: HeadSetting, beforePt: number): Box[] {
  const list = addPart(within, 'L')
  return facts.flatMap(([name, value], n) => {
    const entry = addPart(list, 'LI')
    const [label] = textBoxes([{ words: name, style: sans(10, 14.5, false, SOFT) }], setting.type, {
      widthPt: 96,
      part: addPart(entry, 'Lbl'),
    })
    const boxes = textBoxes([{ words: value, style: sans(10, 14.5, true) }], setting.type, {
      x: 100,
      widthPt: widthPt - 100,
      beforePt: n === 0 ? beforePt : 0,
      part: addPart(entry, 'LBody'),
    })
    return boxes.map((box, i) => (i === 0 ? { ...box, placed: [...label!.placed, ...box.placed] } : box))
  })
}

const QR_PT = 66
/** The code that leads to the guide in the application, with what it is for. */
function codeBox(guide: HandoutGuide, made: string, { setting, t, widthPt, within }: HeadSetting): Box {
  const part = addPart(within, 'Figure', { alt: t('Code that leads to {{address}}', { address: guide.address }) })
  const words = [
    guide.edition === null
      ? t('Printed {{day}}. Scan the code to see what the guide says today.', { day: made })
      : t('Printed {{day}}. Scan the code to see whether this edition still holds.', { day: made }),
    guide.address,
  ]
  const lines = [
    ...textBoxes([{ words: words[0]!, style: sans(9.5, 13) }], setting.type, {
      x: QR_PT + 14,
      widthPt: widthPt - QR_PT - 14,
      part: addPart(within, 'P'),
    }),
    ...textBoxes([{ words: words[1]!, style: sans(8.5, 12, false, setting.linkColour), to: { href: guide.address } }], setting.type, {
      x: QR_PT + 14,
      widthPt: widthPt - QR_PT - 14,
      part: addPart(within, 'P'),
    }),
  ]
  let y = Math.max(0, (QR_PT - lines.reduce((sum, line) => sum + line.heightPt, 0)) / 2)
  const placed = lines.flatMap((line) => {
    const here = line.placed.map((each) => shifted(each, 0, y))
    y += line.heightPt
    return here
  })
  return {
    heightPt: QR_PT,
    beforePt: 18,
    placed: [{ is: 'path', d: guide.qr.d, scale: QR_PT / guide.qr.size, x: 0, y: 0, fill: INK, part }, ...placed],
  }
}

const ruleBox = (widthPt: number, colour: string): Box => ({
  heightPt: 2,
  beforePt: 8,
  placed: [{ is: 'path', d: `M0 0H${widthPt}`, scale: 1, x: 0, y: 1, stroke: colour, lined: 1.8, part: null }],
})

/** The head of a guide: its title, what it is for, the facts, and signs for the whole of it. @param first whether it stands on a title page */
export function headBoxes(guide: HandoutGuide, made: string, given: HeadSetting, first: boolean): Box[] {
  const { setting, widthPt, within, t } = given
  const { document, look } = guide
  const colour = darkened(look.colour, 4.5)
  const company = first ? companyBox(look, given) : []
  const [size, leading] = first ? [27, 33] : [21, 26]
  const title = textBoxes(
    [{ words: document.title, style: { font: fontOf(look.type, true), sizePt: size, leadingPt: leading, colour: INK } }],
    setting.type,
    {
      widthPt,
      beforePt: first ? 60 : 0,
      part: addPart(within, first ? 'H1' : 'H2'),
    },
  )
  const named = title.map((box, n) =>
    n === 0
      ? { ...box, keep: true, anchor: anchorOf(guide), mark: { title: document.title, level: first ? 0 : 1 } }
      : { ...box, keep: true },
  )
  const section = guide.section === null ? undefined : document.items.find((item) => item.id === guide.section)
  const only =
    section?.kind === 'section'
      ? textBoxes([{ words: t('Section: {{title}}', { title: section.title }), style: sans(12, 17, true) }], setting.type, {
          widthPt,
          beforePt: 4,
          part: addPart(within, 'P'),
        })
      : []
  const summary =
    document.summary.trim() === ''
      ? []
      : textBoxes([{ words: document.summary, style: { ...setting.body, sizePt: 11.5, leadingPt: 16.5, colour: SOFT } }], setting.type, {
          widthPt,
          beforePt: 8,
          part: addPart(within, 'P'),
        })
  return [
    ...company,
    ...named,
    ...only,
    ruleBox(widthPt, colour),
    ...summary,
    ...factBoxes(headFacts(guide, t), given, 12),
    ...signBoxes(document.signs, setting, t, within, { x: 0, widthPt, beforePt: 14 }),
    codeBox(guide, made, given),
  ]
}

/** The title of a booklet. */
export function bookletBoxes(handout: Handout, given: HeadSetting): Box[] {
  const { setting, widthPt, within, t } = given
  const colour = darkened(handout.look.colour, 4.5)
  const company = companyBox(handout.look, given)
  const title = textBoxes(
    [{ words: handout.title, style: { font: fontOf(handout.look.type, true), sizePt: 30, leadingPt: 36, colour: INK } }],
    setting.type,
    {
      widthPt,
      beforePt: 60,
      part: addPart(within, 'H1'),
    },
  )
  const facts: [string, string][] = [
    [t('Guides'), String(handout.guides.length)],
    [t('Printed'), handout.made],
  ]
  return [
    ...company,
    ...title.map((box, n) => (n === 0 ? { ...box, mark: { title: handout.title, level: 0 } } : box)),
    ruleBox(widthPt, colour),
    ...factBoxes(facts, given, 12),
  ]
}
