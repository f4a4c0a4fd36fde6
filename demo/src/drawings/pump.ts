import { box, circle, INK, path, sheet, text } from './pen'
import { dial, dialNumbers, gauge, GREEN, padlock, RED, STEEL, valve } from './parts'

const bar = (value: number) => ({ most: 6, value, every: 1 })
const bigGauge = (x: number, words: string, value: number) =>
  path(`M ${x} 320 v 70`, { width: 16, stroke: '#8C98A0' }) +
  dial(x, 190, 140, bar(value)) +
  dialNumbers(x, 190, 140, bar(value))
    .map(([nx, ny, number]) => text(nx, ny, number, { size: 22, bold: true, middle: true }))
    .join('') +
  text(x, 276, 'bar', { size: 22, middle: true }) +
  text(x, 428, words, { size: 24, bold: true, middle: true })
const cartridge = (x: number, fill: string, dirt: string) =>
  box(x, 120, 150, 340, { fill, round: 12 }) +
  [0, 1, 2, 3, 4].map((n) => path(`M ${x} ${170 + n * 60} h 150`, { width: 2 })).join('') +
  box(x - 10, 96, 170, 34, { fill: '#6E7D88', round: 6 }) +
  box(x - 10, 452, 170, 34, { fill: '#6E7D88', round: 6 }) +
  dirt

/** Drawings for the filter of an irrigation pump, by the name of their file. */
// prettier-ignore
export const PUMP: Record<string, string> = {
  'pump-filter': sheet(
    path('M 60 330 h 840', { width: 26, stroke: '#A9B4BA' }) + circle(190, 330, 72, { fill: STEEL }) + path('M 190 330 m -40 0 a 40 40 0 1 1 40 40', { width: 4 }) + path('M 452 300 h 96 v 190 a 48 30 0 0 1 -96 0 z', { fill: '#EAF1F4' }) + box(440, 270, 120, 34, { fill: '#6E7D88', round: 6 }) + circle(500, 264, 9, { fill: '#B3261E' }) + valve(350, 330) + valve(680, 330) + gauge(400, 240, -2.4) + gauge(620, 240, -0.9),
  ),
  'pump-bays': sheet(
    [0, 1, 2, 3, 4, 5].map((n) => box(80 + (n % 3) * 220, 70 + Math.floor(n / 3) * 210, 190, 170, { fill: n === 1 || n === 2 ? '#F2E3C4' : '#E2EEDC' }) + text(175 + (n % 3) * 220, 166 + Math.floor(n / 3) * 210, `Bay ${n + 1}`, { size: 30, bold: true, middle: true }) + [0, 1, 2].map((k) => path(`M ${100 + (n % 3) * 220} ${190 + Math.floor(n / 3) * 210 + k * 14} h 150`, { width: 4, stroke: n === 1 || n === 2 ? '#C9B68A' : GREEN })).join('')).join('') +
      path('M 60 520 h 716 M 175 520 v -70 M 285 520 v -360 h -16 M 395 520 v -70 M 505 520 v -360 h -16 M 615 520 v -70 M 720 520 v -360 h -11', { width: 9, stroke: '#6FA0C4' }) + circle(830, 520, 54, { fill: STEEL }) + path('M 830 520 m -30 0 a 30 30 0 1 1 30 30', { width: 4 }) + circle(840, 190, 74, { fill: '#FFFFFF', width: 4 }) + path('M 840 190 v -50', { width: 7 }) + path('M 840 190 l 30 50', { width: 5, stroke: RED }) + circle(840, 190, 8, { fill: INK }) + text(840, 306, '10 minutes', { size: 26, bold: true, middle: true }),
  ),
  'pump-panel': sheet(
    box(90, 60, 420, 480, { fill: '#E7EBED', round: 12 }) + text(300, 120, 'Pump 2', { size: 34, bold: true, middle: true }) + circle(200, 190, 22, { fill: '#DDE3E6' }) + text(240, 198, 'running', { size: 22 }) + circle(380, 190, 22, { fill: '#E5B53B' }) + text(414, 198, 'fault', { size: 22 }) +
      circle(300, 360, 104, { fill: '#F2D24B', width: 4 }) + text(160, 300, '0', { size: 40, bold: true, middle: true }) + text(436, 300, 'I', { size: 40, bold: true, middle: true }) + `<g transform="rotate(-42 300 360)">${box(274, 264, 52, 192, { fill: RED, round: 10 })}</g>` + circle(300, 360, 12, { fill: '#FFFFFF' }) + padlock(300, 440) + path('M 338 462 l 30 10', { width: 2 }) + box(360, 452, 130, 56, { fill: '#FFF6D6', round: 4 }) + text(425, 488, 'D. Kranz', { size: 26, bold: true, middle: true }) +
      box(640, 120, 230, 330, { fill: '#EEF4F6', round: 10 }) + text(755, 172, 'Control room', { size: 26, bold: true, middle: true }) + box(676, 204, 158, 90, { fill: '#FFFFFF' }) + text(755, 260, 'Pump 2', { size: 26, middle: true }) + box(694, 330, 122, 60, { fill: '#4F8A5B', round: 6 }) + text(755, 370, 'Start', { size: 26, bold: true, fill: '#FFFFFF', middle: true }) + path('M 510 290 h 130', { width: 3, dash: '10 8' }),
  ),
  'pump-cartridge': sheet(
    cartridge(150, '#F4EBD6', Array.from({ length: 120 }, (_, i) => circle(160 + ((i * 37) % 130), 180 + ((i * 53) % 250), 2.6, { fill: '#B98A3C', stroke: '#8A6322', width: 1 })).join('')) + text(225, 540, 'sand', { size: 30, bold: true, middle: true }) +
      cartridge(400, '#DCE6D2', Array.from({ length: 9 }, (_, i) => path(`M ${414 + (i % 3) * 44} ${190 + Math.floor(i / 3) * 84} q 22 -16 32 8 q 4 40 -14 44 q -24 4 -18 -52 z`, { fill: '#5F8F55' })).join('')) + text(475, 540, 'slime', { size: 30, bold: true, middle: true }) +
      box(650, 130, 240, 320, { fill: '#FFF9E4', width: 3, round: 6 }) + text(680, 184, 'Filter, pump 2', { size: 28, bold: true }) + [['Out', 'sand'], ['Before', '3.9 bar'], ['After', '3.0 bar']].map(([what, value], n) => text(680, 246 + n * 64, what!, { size: 22 }) + text(770, 246 + n * 64, value!, { size: 28, bold: true }) + path(`M 768 ${256 + n * 64} h 100`, { width: 1.5 })).join(''),
  ),
  'pump-seal': sheet(
    circle(300, 300, 200, { width: 30, stroke: '#3B3F45' }) + circle(300, 300, 200, { width: 2, stroke: '#FFFFFF' }) + path('M 452 158 l 12 18 l -4 14 l 14 12', { width: 5, stroke: RED }) + path('M 200 470 q 100 60 200 0', { width: 6, stroke: '#8FC1CC' }) +
      `<g transform="rotate(-24 700 190)">${box(600, 150, 190, 84, { fill: '#FFFFFF', round: 10 })}${path('M 790 166 l 50 14 v 24 l -50 14 z', { fill: STEEL })}${text(695, 202, 'silicone', { size: 26, bold: true, middle: true })}</g>` + path('M 600 430 q 60 -40 130 -10 q 80 -30 140 20 q 10 70 -40 100 q -120 30 -220 -10 q -40 -40 -10 -100 z', { fill: '#CFE0EC' }) + path('M 630 450 q 90 -30 210 10 M 624 490 q 110 -20 220 10', { width: 2 }) +
      box(560, 316, 130, 34, { fill: '#3B3F45', round: 17 }) + box(740, 326, 130, 14, { fill: '#3B3F45', round: 4 }) + text(625, 384, 'round: good', { size: 24, middle: true }) + text(805, 384, 'flat: replace', { size: 24, middle: true }),
  ),
  'pump-gauges': sheet(
    bigGauge(220, 'before the filter', 3.1) + bigGauge(570, 'after the filter', 3) +
      box(770, 120, 170, 260, { fill: '#FFF9E4', width: 3, round: 6 }) + text(790, 164, 'Pump 2', { size: 24, bold: true }) + text(790, 210, '27 Nov', { size: 24 }) + text(790, 256, '3.1 bar', { size: 24 }) + text(790, 300, '3.0 bar', { size: 24 }) + path('M 790 316 h 120', { width: 1.5 }) + text(790, 350, '0.1 bar', { size: 26, bold: true }) +
      path('M 220 480 v 40 h 350 v -40', { width: 3 }) + text(395, 560, 'difference under 0.2 bar: good', { size: 28, bold: true, middle: true }),
  ),
}
