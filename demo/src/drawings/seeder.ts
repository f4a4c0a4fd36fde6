import { box, circle, INK, path, sheet, text } from './pen'
import { dial, dialNumbers, drum, GREEN, padlock, RED, STEEL } from './parts'

const [BLUE, DEEP_GREEN] = ['#6FA0C4', '#4F8A5B']
const crossed = (x: number, y: number, r: number) =>
  circle(x, y, r, { width: 9, stroke: RED }) +
  path(`M ${x - r * 0.7} ${y - r * 0.7} L ${x + r * 0.7} ${y + r * 0.7}`, { width: 9, stroke: RED })
const vacuum = { most: 10, value: 4, every: 1 }
const lines = (x: number, y: number, words: readonly (readonly [string, string])[]) =>
  words
    .map(
      ([what, value], n) =>
        text(x, y + n * 62, what, { size: 22 }) +
        text(x + 150, y + n * 62, value, { size: 30, bold: true }) +
        path(`M ${x + 146} ${y + 10 + n * 62} h 250`, { width: 1.5 }),
    )
    .join('')

/** Drawings for the tray seeder, by the name of their file. */
// prettier-ignore
export const SEEDER: Record<string, string> = {
  'seeder-overview': sheet(
    box(120, 380, 720, 26, { fill: STEEL }) + [150, 330, 610, 790].map((x) => box(x, 406, 18, 120, { fill: STEEL })).join('') + circle(430, 290, 84, { fill: STEEL }) + circle(430, 290, 14, { fill: '#FFFFFF' }) +
      Array.from({ length: 20 }, (_, i) => circle(430 + 70 * Math.cos(i * 0.314), 290 + 70 * Math.sin(i * 0.314), 3, { fill: INK })).join('') + path('M 520 130 h 130 l -36 100 h -58 z', { fill: '#F1E7D0' }) + path('M 556 230 l -52 20', { width: 6 }) +
      [160, 600, 720].map((x) => box(x, 346, 100, 32, { fill: GREEN })).join('') + box(132, 306, 44, 60, { fill: '#FFFFFF' }) + circle(154, 336, 15, { fill: '#B3261E' }),
  ),
  'seeder-drum': sheet(
    box(120, 280, 720, 30, { fill: STEEL }) + box(260, 190, 400, 210, { fill: '#EEF1F2', round: 14 }) + Array.from({ length: 84 }, (_, i) => circle(290 + (i % 14) * 26, 222 + Math.floor(i / 14) * 30, 3.2, { fill: INK })).join('') +
      box(660, 206, 26, 178, { fill: '#6FA0C4' }) + box(700, 240, 34, 110, { fill: STEEL, round: 6 }) + circle(150, 295, 74, { width: 8 }) + path('M 150 221 v 148 M 76 295 h 148', { width: 5 }),
  ),
  'seeder-dress': sheet(
    path('M 130 600 v -90 q 0 -90 110 -100 l 30 -30 h 80 l 30 30 q 110 10 110 100 v 90 z', { fill: '#8FA6B5' }) + path('M 240 420 v 180 M 380 420 v 180', { width: 2 }) + path('M 252 410 q 58 60 116 0', { width: 3 }) +
      path('M 270 382 v -40 h 80 v 40 q -40 30 -80 0 z', { fill: '#F3E4D3' }) + circle(310, 250, 104, { fill: '#F3E4D3' }) + path('M 206 256 q -6 -130 104 -130 q 110 0 104 130 q -20 -60 -60 -76 q -90 30 -148 76 z', { fill: '#6B4B35' }) + circle(420, 176, 44, { fill: '#6B4B35' }) + path('M 388 196 q 14 16 34 22', { width: 6, stroke: RED }) +
      circle(278, 262, 6, { fill: INK }) + circle(344, 262, 6, { fill: INK }) + path('M 288 308 q 22 16 46 0', { width: 4 }) +
      circle(640, 200, 40, { width: 9, stroke: '#C9A227' }) + path('M 640 160 l -20 -24 l 20 -20 l 20 20 z', { fill: '#DDF0F4' }) + crossed(640, 180, 92) + path('M 800 120 l 40 130 l 40 -130', { width: 6, stroke: '#3E6A94' }) + box(814, 236, 52, 64, { fill: '#FFFFFF' }) + text(840, 276, 'ID', { size: 22, bold: true, middle: true }) + crossed(840, 210, 92) +
      path('M 640 420 q 80 -30 130 -10 l 60 120 q -60 40 -150 30 l -10 -60 z', { fill: '#8FA6B5' }) + path('M 678 556 q 60 12 152 -28', { width: 2 }) + crossed(740, 480, 104),
  ),
  'seeder-lock': sheet(
    box(90, 90, 300, 420, { fill: '#F1F3F4', round: 14 }) + text(240, 140, 'Seeder', { size: 24, bold: true, middle: true }) + box(170, 170, 140, 140, { fill: '#FFFFFF', round: 10 }) + [[210, 250], [270, 250], [240, 210]].map(([x, y]) => circle(x!, y!, 9, { fill: INK })).join('') +
      box(200, 370, 80, 90, { fill: STEEL, round: 8 }) + box(228, 384, 24, 62, { fill: '#FFFFFF' }) + box(226, 418, 28, 30, { fill: INK, round: 3 }) + text(176, 424, 'I', { size: 24, bold: true }) + text(176, 452, '0', { size: 24, bold: true }) +
      path('M 960 520 q -160 30 -220 -120', { width: 20, stroke: INK }) + box(520, 190, 250, 230, { fill: '#F2D24B', round: 18 }) + path('M 645 190 v 230', { width: 3 }) + box(575, 236, 90, 90, { fill: '#FFFFFF', round: 8 }) + [596, 640].map((x) => box(x - 5, 206, 10, 30, { fill: STEEL })).join('') + box(756, 262, 26, 50, { fill: '#F2D24B' }) + circle(770, 286, 9, { fill: '#FFFFFF' }) + padlock(770, 372) + path('M 808 404 l 34 30', { width: 2 }) + box(720, 434, 190, 90, { fill: '#FFF6D6', round: 4 }) + text(736, 470, 'T. Wilk', { size: 26, bold: true }) + text(736, 504, 'Propagation', { size: 20 }),
  ),
  'seeder-drums': sheet(
    box(40, 70, 880, 30, { fill: '#C9A877' }) + ([[90, BLUE, 17], [380, '#FFFFFF', 22], [670, DEEP_GREEN, 27]] as const).map(([x, end, step]) => path(`M ${x + 95} 100 v 60 q 0 26 -22 26`, { width: 9, stroke: '#8C98A0' }) + drum(x, 196, end, step)).join('') +
      ([[90, '0.5 mm', 'basil, chives'], [380, '0.6 mm', 'parsley'], [670, '0.8 mm', 'coriander, dill']] as const).map(([x, hole, seed]) => box(x, 350, 220, 120, { fill: '#FFFFFF', round: 4 }) + text(x + 110, 400, hole, { size: 34, bold: true, middle: true }) + text(x + 110, 444, seed, { size: 24, middle: true })).join(''),
  ),
  'seeder-vacuum': sheet(
    box(110, 50, 740, 500, { fill: '#F1F3F4', round: 14 }) + dial(400, 300, 210, vacuum) + dialNumbers(400, 300, 210, vacuum).map(([x, y, words]) => text(x, y, words, { size: 24, bold: true, middle: true })).join('') + text(400, 420, 'kPa', { size: 26, middle: true }) +
      circle(730, 220, 66, { fill: STEEL, width: 4 }) + path('M 730 220 l 34 -42', { width: 9 }) + path('M 672 300 q 58 40 116 0 m -18 -6 l 20 4 l -8 18', { width: 4 }) + text(730, 372, 'lower    higher', { size: 22, middle: true }) + box(660, 430, 140, 60, { fill: DEEP_GREEN, round: 6 }) + text(730, 470, 'On', { size: 28, bold: true, fill: '#FFFFFF', middle: true }),
  ),
  'seeder-tray': sheet(
    box(196, 26, 568, 548, { fill: '#3B3F45', round: 8 }) + Array.from({ length: 144 }, (_, i) => { const [x, y] = [208 + (i % 12) * 46, 36 + Math.floor(i / 12) * 44]; return box(x, y, 40, 38, { fill: '#7A5C43', stroke: '#2B2E33', width: 1 }) + ([40, 93].includes(i) ? '' : circle(x + 20 - (i === 67 ? 7 : 0), y + 19, 5, { fill: '#F1E7D0', width: 1 })) + (i === 67 ? circle(x + 29, y + 23, 5, { fill: '#F1E7D0', width: 1 }) : '') }).join(''),
  ),
  'seeder-card': sheet(
    path('M 60 500 h 840 M 90 500 v -420 M 870 500 v -420', { width: 10, stroke: '#8C98A0' }) + [0, 1, 2].map((n) => box(110, 150 + n * 116, 740, 14, { fill: STEEL }) + [0, 1, 2].map((k) => box(130 + k * 240, 126 + n * 116, 210, 24, { fill: GREEN })).join('')).join('') + [160, 800].map((x) => circle(x, 540, 30, { fill: INK }) + circle(x, 540, 10, { fill: '#FFFFFF' })).join('') +
      box(250, 70, 460, 410, { fill: '#FFF9E4', width: 3, round: 6 }) + circle(480, 98, 10, { fill: '#FFFFFF' }) + text(290, 150, 'Trolley 1', { size: 34, bold: true }) + lines(290, 216, [['Sort', 'Basil, green'], ['Batch', 'B-2214'], ['Drum', '0.5 mm, blue'], ['Vacuum', '4 kPa']]) + text(290, 464, 'Signed', { size: 22 }) + path('M 436 470 h 250', { width: 1.5 }),
  ),
  'seeder-empty': sheet(
    path('M 190 90 h 260 l -70 190 h -110 z', { fill: '#F1E7D0' }) + path('M 210 140 h 222', { dash: '8 6', stroke: '#4A7C8C' }) + path('M 270 280 l 20 40 h 70 l 20 -40', { fill: STEEL }) + box(284, 320, 82, 18, { fill: RED }) + path('M 366 329 h 60', { width: 8 }) + path('M 304 338 v 120 M 325 338 v 110 M 346 338 v 124', { width: 3, dash: '3 12', stroke: '#8B6B3E' }) +
      path('M 220 440 l 20 -20 h 170 l 20 20 v 120 q -105 26 -210 0 z', { fill: '#E3CFA6' }) + text(325, 526, 'BASIL', { size: 26, bold: true, middle: true }) + path('M 500 420 h 80 m -18 -16 l 18 16 l -18 16', { width: 6 }) +
      path('M 640 300 h 210 v 250 q -105 26 -210 0 z', { fill: '#E3CFA6' }) + path('M 640 300 q 105 -40 210 0 v -44 q -105 -30 -210 0 z', { fill: '#CDB585' }) + box(710, 250, 70, 30, { fill: '#4A7C8C', round: 4 }) + text(745, 440, 'BASIL', { size: 32, bold: true, middle: true }) + text(745, 482, 'B-2214', { size: 24, middle: true }),
  ),
  'seeder-bench': sheet(
    box(60, 420, 840, 30, { fill: '#C9A877' }) + [110, 820].map((x) => box(x, 450, 26, 150, { fill: '#C9A877' })).join('') + [330, 560].map((x) => path(`M ${x} 420 v -90 l -26 -26 M ${x} 330 l 26 -26`, { width: 9, stroke: '#8C98A0' })).join('') + drum(330, 206, BLUE, 20) +
      path('M 200 250 l 110 -6 v 26 l -110 -4 z', { fill: STEEL }) + path('M 120 230 h 90 v 40 h -40 l -14 74 h -36 l 6 -74 z', { fill: '#4A7C8C', round: 6 }) + path('M 136 344 q -10 110 -110 120', { width: 12, stroke: RED }) + [0, 1, 2].map((n) => path(`M 560 ${236 + n * 24} h ${90 + n * 20}`, { width: 3, dash: '4 12', stroke: '#8B6B3E' })).join('') +
      path('M 690 150 q 60 -34 120 0 q 24 4 24 40 q 0 40 -44 40 q -30 0 -40 -24 q -10 24 -40 24 q -44 0 -44 -40 q 0 -36 24 -40 z', { fill: '#DDF0F4', width: 5 }) + path('M 666 186 q -40 -10 -50 20 M 834 186 q 40 -10 50 20', { width: 9, stroke: INK }),
  ),
  'seeder-hooks': sheet(
    box(60, 60, 840, 420, { fill: '#EFE6D6', round: 6 }) + ([[110, '0.5'], [380, '0.6'], [650, '0.8']] as const).map(([x, hole]) => path(`M ${x + 107} 130 v 46 q 0 24 -20 24`, { width: 9, stroke: '#8C98A0' }) + box(x + 62, 84, 90, 44, { fill: '#FFFFFF', round: 4 }) + text(x + 107, 116, hole, { size: 28, bold: true, middle: true }) + path(`M ${x} 206 h 214 v 110 h -214 z`, { dash: '10 8', width: 3, stroke: '#8B7B62' })).join('') + drum(110, 206, BLUE, 17) + drum(650, 206, DEEP_GREEN, 27) +
      box(360, 350, 250, 200, { fill: '#FFF9E4', width: 3, round: 6 }) + text(384, 396, 'Drum 0.5', { size: 26, bold: true }) + text(384, 436, 'Clean, dry', { size: 24 }) + text(384, 486, 'Signed', { size: 20 }) + path('M 384 524 q 20 -40 34 -6 q 10 -30 24 0 q 30 -34 44 0 q 40 -10 84 -16', { width: 4, stroke: '#3E6A94' }) + path('M 384 534 h 200', { width: 1.5 }),
  ),
}
