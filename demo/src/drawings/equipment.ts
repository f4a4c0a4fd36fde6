import { box, INK, name, path, sheet, text } from './pen'
import { GREEN, STEEL, valve } from './parts'

/** Drawings of equipment and places, by the name of their file. */
// prettier-ignore
export const EQUIPMENT: Record<string, string> = {
  'tank-front': sheet(
    path('M 330 130 h 300 v 280 a 150 60 0 0 1 -300 0 z', { fill: STEEL }) + path('M 330 220 h 300', { dash: '8 6', stroke: '#4A7C8C' }) + box(440, 70, 80, 60, { fill: '#FFFFFF' }) + path('M 480 130 v 230 M 430 350 h 100 M 440 372 h 80', { width: 6 }) +
      box(584, 170, 18, 200, { fill: '#FFFFFF' }) + box(586, 240, 14, 128, { fill: '#8FC1CC', stroke: 'none' }) + path('M 130 190 h 200', { width: 14, stroke: '#A9B4BA' }) + valve(220, 190) + path('M 480 468 v 70 h 220', { width: 14, stroke: '#A9B4BA' }) + valve(610, 538) +
      name(60, 110, 'Inlet valve V1', 220, 164) + name(560, 90, 'Mixer', 522, 96) + name(690, 250, 'Level glass', 604, 260) + name(690, 470, 'Drain valve V3', 618, 516) + name(120, 330, 'Lower mark', 334, 386),
  ),
  'tank-strip': sheet(
    ['#C8442E', '#DE7B32', '#E5B53B', '#B9C24A', '#6FA858', '#3F8A77', '#3E6A94', '#4D4F8C'].map((fill, index) => box(110 + index * 94, 170, 80, 90, { fill }) + text(150 + index * 94, 296, String(index + 3), { size: 24, bold: true, middle: true })).join('') +
      box(492, 350, 60, 190, { fill: '#FFFFFF' }) + box(492, 350, 60, 60, { fill: '#6FA858' }) + path('M 522 344 v -30 m -8 12 l 8 -12 l 8 12', { width: 3 }) + text(110, 120, 'Scale: hold the strip beside it', { size: 24 }) + name(630, 450, 'Strip: pH 7', 556, 390) + path('M 392 310 h 250', { width: 5 }) + text(660, 318, 'good: 6 to 8', { size: 26, bold: true }),
  ),
  'packing-place': sheet(
    box(180, 330, 500, 26, { fill: STEEL }) + [200, 640].map((x) => box(x, 356, 18, 150, { fill: STEEL })).join('') + box(250, 286, 120, 44, { fill: '#FFFFFF' }) + box(270, 250, 80, 30, { fill: '#E9F3DE' }) + box(430, 262, 96, 68, { fill: '#EEF1F2' }) + box(446, 240, 64, 22, { fill: '#FFFFFF' }) +
      box(580, 210, 70, 100, { fill: '#FFFFFF' }) + path('M 592 232 h 46 M 592 250 h 46 M 592 268 h 30', { width: 2 }) + [0, 1, 2, 3].map((row) => box(50, 440 - row * 46, 110, 42, { fill: GREEN })).join('') + box(740, 480, 180, 22, { fill: '#C9A877' }) + [0, 1].map((row) => box(750, 434 - row * 46, 76, 42, { fill: GREEN }) + box(834, 434 - row * 46, 76, 42, { fill: GREEN })).join('') +
      name(60, 230, 'Empty crates', 104, 300) + name(270, 200, 'Scale', 306, 252) + name(400, 190, 'Label printer', 478, 242) + name(600, 140, 'Packing list', 630, 212) + name(780, 320, 'Pallet', 830, 390),
  ),
  'packing-scale': sheet(
    box(250, 380, 460, 40, { fill: STEEL, round: 6 }) + box(330, 250, 300, 120, { fill: GREEN }) + [360, 410, 460, 510, 560, 600].map((x) => path(`M ${x} 250 q -24 -50 4 -80 q 26 30 -4 80`, { fill: '#5F8F55' })).join('') + box(360, 440, 240, 100, { fill: '#FFFFFF', round: 8 }) + text(480, 506, '1.48 kg', { size: 42, bold: true, middle: true, mono: true }) +
      box(622, 448, 84, 84, { fill: '#CFE6C4', round: 8 }) + path('M 642 490 l 16 18 l 28 -40', { width: 6 }) + name(720, 360, 'Green: within 3 %', 690, 460) + name(90, 470, 'Display', 360, 480),
  ),
  'crate-label': sheet(
    box(180, 110, 600, 380, { width: 3, round: 10 }) + text(216, 176, 'BASIL, GREEN', { size: 40, bold: true }) + text(216, 226, 'Crate M, 18 pots', { size: 26 }) + text(216, 286, 'Lot', { size: 20 }) + text(280, 290, 'L47-B-12', { size: 40, bold: true, mono: true }) + text(216, 350, '1.48 kg', { size: 26 }) + text(216, 396, 'Packed 20 Nov', { size: 26 }) +
      Array.from({ length: 34 }, (_, i) => box(500 + i * 7, 340, (i * 7) % 5 < 2 ? 2 : 4, 90, { fill: INK, stroke: 'none' })).join('') + text(600, 462, '5 040127 470012', { size: 18, mono: true, middle: true }) + path('M 268 250 v -10 h 22 M 468 240 h 22 v 10 M 268 296 v 10 h 22 M 468 306 h 22 v -10', { width: 7 }) + path('M 268 250 v -10 h 22 M 468 240 h 22 v 10 M 268 296 v 10 h 22 M 468 306 h 22 v -10', { width: 3, stroke: '#0FB5C9' }) +
      name(480, 66, 'Lot number: week, house, bay', 490, 240),
  ),
  'hand-wash': sheet(
    path('M 90 360 h 330 q 0 120 -165 120 q -165 0 -165 -120 z', { fill: STEEL }) + path('M 230 360 v -90 q 0 -40 60 -40 v 40', { width: 12, stroke: '#8C98A0' }) + box(90, 230, 60, 90, { fill: '#FFFFFF', round: 8 }) + text(120, 284, 'soap', { size: 22, middle: true }) + box(370, 190, 90, 120, { fill: '#FFFFFF' }) + text(415, 256, 'paper', { size: 24, middle: true }) +
      path('M 640 520 v -120 q -60 -40 -70 -110 q 26 -8 44 40 l 14 20 v -190 q 22 -16 34 0 v 130 v -160 q 22 -16 34 0 v 160 v -146 q 22 -14 34 0 v 150 v -116 q 22 -12 32 0 v 190 q -4 70 -40 110 v 42 z', { fill: '#F3E4D3' }) +
      [[648, 176], [760, 196], [600, 318], [700, 350], [776, 410], [690, 500]].map(([x, y], index) => box(x! - 15, y! - 15, 30, 30, { fill: INK }) + text(x!, y! + 7, String(index + 1), { size: 18, bold: true, fill: '#FFFFFF', middle: true })).join('') + text(500, 70, 'Often missed: tips, sides, thumb,', { size: 26 }) + text(500, 104, 'palm, edge, wrist', { size: 26 }),
  ),
  'brookside-plan': sheet(
    box(60, 60, 840, 480, { fill: '#EDF2E8', stroke: '#A4AC9C' }) + [0, 1, 2].map((n) => box(120 + n * 170, 130, 140, 250, { fill: '#FFFFFF' }) + text(190 + n * 170, 262, `House ${n + 1}`, { size: 22, bold: true, middle: true })).join('') + box(650, 130, 200, 150, { fill: '#FFFFFF' }) + text(750, 212, 'Packhouse', { size: 22, bold: true, middle: true }) + box(650, 310, 120, 80, { fill: '#FFFFFF' }) + text(710, 356, 'Tank room', { size: 24, middle: true }) +
      box(430, 520, 100, 34, { fill: '#C9A877' }) + text(480, 586, 'Gate', { size: 20, bold: true, middle: true }) + path('M 470 510 H 90 V 96 H 880 V 470 H 500', { dash: '14 10', width: 4 }) + path('M 100 330 l -10 -20 l -10 20 M 480 86 l 22 10 l -22 10', { width: 4 }) + box(740, 424, 118, 40, { fill: '#CFE6C4' }) + text(799, 450, 'Assembly', { size: 22, middle: true }),
    '#FFFFFF',
  ),
  'three-sites': sheet(
    (['North House', 'Brookside', 'Quay Depot'] as const).map((site, n) => path(`M ${90 + n * 300} 330 v -90 l 90 -70 l 90 70 v 90 z`, { fill: '#EDF2E8' }) + path(`M ${90 + n * 300} 240 h 180 M ${180 + n * 300} 170 v 160 M ${135 + n * 300} 205 v 125 M ${225 + n * 300} 205 v 125`, { width: 1.5 }) + text(180 + n * 300, 376, site, { size: 24, bold: true, middle: true })).join('') +
      ['raises young plants', 'grows and packs', 'sends out'].map((what, n) => text(180 + n * 300, 408, what, { size: 24, middle: true })).join('') + [0, 1].map((n) => path(`M ${290 + n * 300} 290 h 84 m -16 -14 l 16 14 l -16 14`, { width: 4 })).join('') + text(480, 520, 'A pot of basil takes five weeks from the left to the right.', { size: 22, middle: true }),
  ),
}
