import { stepName } from '../../guides'
import { itemsOf, type Handout, type Say } from '../handout'
import type { Box } from './box'
import { anchorOf } from './guideBoxes'
import { breakLines, textBoxes } from './lines'
import { addPart, type Part } from './part'
import type { Setting } from './pieces'
import { fontOf, type Style } from './type'

/** More lines than this would be no help to find something: then the steps are left out where there are sections or guides to find. */
const MOST_LINES = 90

type Entry = { words: string; anchor: string; depth: number }

/** What stands in the contents: guides, where there are several, their sections, and the steps as far as there is room for them. */
function entriesOf(handout: Handout): Entry[] {
  const several = handout.guides.length > 1
  const all = handout.guides.flatMap((guide): (Entry & { isStep: boolean })[] => {
    let inSection = 0
    const items = itemsOf(guide).flatMap((item) => {
      if (item.kind === 'section') {
        inSection = 1
        return [{ words: item.title, anchor: anchorOf(guide, item.id), depth: several ? 1 : 0, isStep: false }]
      }
      if (item.kind !== 'step') return []
      return [
        { words: `${item.n} ${stepName(item)}`, anchor: anchorOf(guide, item.id), depth: (several ? 1 : 0) + inSection, isStep: true },
      ]
    })
    return several ? [{ words: guide.document.title, anchor: anchorOf(guide), depth: 0, isStep: false }, ...items] : items
  })
  const heads = all.filter((entry) => !entry.isStep)
  return all.length > MOST_LINES && heads.length > 0 ? heads : all
}

/** Sets the contents: each line leads to its place, and says on which page that is. */
export function contentsBoxes(
  handout: Handout,
  setting: Setting,
  t: Say,
  pageOf: (anchor: string) => string,
  within: Part,
  widthPt: number,
): Box[] {
  const entries = entriesOf(handout)
  if (entries.length === 0) return []
  const style = (depth: number): Style => ({
    font: fontOf('sans', depth === 0),
    sizePt: depth === 0 ? 10.5 : 10,
    leadingPt: 15,
    colour: '#17212b',
  })
  const head = textBoxes(
    [{ words: t('Contents'), style: { font: fontOf('sans', true), sizePt: 14.5, leadingPt: 20, colour: '#17212b' } }],
    setting.type,
    { widthPt, beforePt: 24, part: addPart(within, 'H2') },
  )
  const list = addPart(within, 'TOC')
  const lines = entries.flatMap(({ words, anchor, depth }, n): Box[] => {
    const entry = addPart(list, 'TOCI')
    const own = style(depth)
    const [x, room] = [depth * 14, widthPt - depth * 14 - 40]
    // One line each: what is longer is cut.
    const [line] = breakLines([{ words, style: own }], setting.type, room)
    const shown = (line?.tokens ?? []).map((token) => token.words).join('')
    const text = textBoxes(
      [{ words: shown.length < words.replace(/\s+/g, ' ').trim().length ? `${shown} …` : shown, style: own, to: { anchor } }],
      setting.type,
      { x, widthPt: room + 14, part: entry },
    )[0]!
    const page = textBoxes([{ words: pageOf(anchor), style: { ...own, font: fontOf('sans') }, to: { anchor } }], setting.type, {
      x: widthPt - 36,
      widthPt: 36,
      part: entry,
      align: 'right',
    })[0]!
    return [{ ...text, beforePt: depth === 0 && n > 0 ? 4 : 0, placed: [...text.placed, ...page.placed] }]
  })
  return [...head.map((box) => ({ ...box, keep: true })), ...lines]
}
