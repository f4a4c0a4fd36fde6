import { SIGN_NAMES, signParts } from '../../annotations'
import type { Caution, CautionLevel, SignId } from '../../guides'
import type { Say } from '../handout'
import { rectPath, shifted, type Box, type Placed } from './box'
import { textBoxes } from './lines'
import { addPart, type Part } from './part'
import type { Setting } from './pieces'
import { fontOf, type Style } from './type'

/** Panels of the safety ladder (ANSI Z535.4): colour, colour of the word on it, and of the sign in its triangle. */
const PANELS: Readonly<Record<CautionLevel, { panel: string; ink: string; alert: boolean; word: string }>> = {
  danger: { panel: '#c8102e', ink: '#ffffff', alert: true, word: 'Danger' },
  warning: { panel: '#ff8200', ink: '#000000', alert: true, word: 'Warning' },
  caution: { panel: '#ffd100', ink: '#000000', alert: true, word: 'Caution' },
  note: { panel: '#0b5394', ink: '#ffffff', alert: false, word: 'Note' },
}
type Room = { x: number; widthPt: number; beforePt: number }
const HEAD_PT = 17
const PADDING_PT = 6

/** Sets a caution: its signal word on its panel, and what it says in a frame of the same colour. */
export function cautionBox(caution: Caution, setting: Setting, t: Say, within: Part, { x, widthPt, beforePt }: Room): Box {
  const { panel, ink, alert, word } = PANELS[caution.level]
  const part = addPart(within, 'Sect')
  const said: Style = { font: fontOf('sans', true), sizePt: 10, leadingPt: HEAD_PT, colour: ink }
  const head = textBoxes([{ words: t(word).toLocaleUpperCase(), style: said }], setting.type, {
    x: x + (alert ? 22 : 7),
    widthPt,
    part: addPart(part, 'P'),
  })[0]!
  const lines = textBoxes([{ words: caution.words, style: setting.body }], setting.type, {
    x: x + 8,
    widthPt: widthPt - 16,
    part: addPart(part, 'P'),
  })
  let y = HEAD_PT + PADDING_PT / 2
  const words = lines.flatMap((line) => {
    const here = line.placed.map((each) => shifted(each, 0, y))
    y += line.heightPt
    return here
  })
  const height = y + PADDING_PT
  const wide = (head.placed[0]?.is === 'words' ? head.placed[0].widthPt : 60) + (alert ? 30 : 14)
  const path = (d: string, more: Partial<Extract<Placed, { is: 'path' }>>): Placed => ({
    is: 'path',
    d,
    scale: 1,
    x,
    y: 0,
    part: null,
    ...more,
  })
  return {
    heightPt: height,
    beforePt,
    placed: [
      path(rectPath(widthPt, height), { stroke: panel, lined: 1.4 }),
      path(rectPath(wide, HEAD_PT), { fill: panel }),
      ...(alert
        ? [
            path('M12 1L23.5 21H.5z', { scale: 0.6, x: x + 5, y: 1.8, fill: ink }),
            path('M11 8h2l-.4 6h-1.2zM12 18.3a1.3 1.3 0 1 0 0-2.6 1.3 1.3 0 0 0 0 2.6z', { scale: 0.6, x: x + 5, y: 1.8, fill: panel }),
          ]
        : []),
      ...head.placed,
      ...words,
    ],
  }
}

const SIGN_PT = 34
/** Sets signs with what they say, three in a row. */
export function signBoxes(ids: readonly SignId[], setting: Setting, t: Say, within: Part, { x, widthPt, beforePt }: Room): Box[] {
  if (ids.length === 0) return []
  const perRow = 3
  const roomPt = widthPt / perRow
  const list = addPart(within, 'L')
  const style: Style = { font: fontOf('sans'), sizePt: 9, leadingPt: 11.5, colour: setting.body.colour }
  return Array.from({ length: Math.ceil(ids.length / perRow) }, (_, row): Box => {
    const placed = ids.slice(row * perRow, (row + 1) * perRow).flatMap((id, n): Placed[] => {
      const left = x + n * roomPt
      const entry = addPart(list, 'LI')
      const sign = addPart(addPart(entry, 'Lbl'), 'Figure', { alt: t(SIGN_NAMES[id]) })
      const words = textBoxes([{ words: t(SIGN_NAMES[id]), style }], setting.type, {
        x: left + SIGN_PT + 7,
        widthPt: roomPt - SIGN_PT - 14,
        part: addPart(entry, 'LBody'),
      })
      const top = Math.max(0, (SIGN_PT - words.length * style.leadingPt) / 2)
      return [
        ...signParts(id).map((each): Placed => {
          const { scale, x: dx, y: dy } = each.placed ?? { scale: 1, x: 0, y: 0 }
          const unit = SIGN_PT / 100
          return {
            is: 'path',
            d: each.d,
            scale: unit * scale,
            x: left + dx * unit,
            y: dy * unit,
            part: sign,
            cap: 'round',
            evenOdd: true,
            ...(each.fill ? { fill: each.fill } : {}),
            ...(each.stroke ? { stroke: each.stroke, lined: each.widthPx ?? 1 } : {}),
          }
        }),
        ...words.flatMap((line, i) => line.placed.map((each) => shifted(each, 0, top + i * style.leadingPt))),
      ]
    })
    return { heightPt: SIGN_PT + 3, beforePt: row === 0 ? beforePt : 3, placed }
  })
}
