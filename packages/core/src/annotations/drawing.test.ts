import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Annotation, PLAIN_LOOK, type AnnotationKind, type Rect } from '../guides'
import { arrowPaths } from './arrow'
import { anchorAt, areaOf, pinned, pointOf, unitOf, widestOf, type Ground } from './attach'
import { casingFor, contrast, contrastUnder, darkened, PALETTE, rgbOf, wordsOn } from './colour'
import { drawAnnotations, isListed } from './drawing'
import { cut, distance, holds, overlap, shareInside } from './geometry'
import { handleMoved, handlesOf, movedBy, newAnnotation } from './kinds'
import { snapBox, snapPoint } from './snap'
import { linesOf, setWords, widthOf } from './words'

const ground: Ground = {
  of: { widthPx: 1520, heightPx: 900 },
  shown: { x: 0, y: 0, width: 1520, height: 900 },
  element: { x: 600, y: 400, width: 200, height: 60 },
}
const KINDS: AnnotationKind[] = ['frame', 'label', 'tag', 'arrow', 'rectangle', 'ellipse', 'text', 'inset', 'blackout']
const setting = { look: PLAIN_LOOK, way: 'read', shownPx: 760 } as const
const made = (kind: AnnotationKind, more: object = {}): Annotation =>
  ({
    ...newAnnotation(kind, `${kind}-one`, ground, null),
    ...(kind === 'label' || kind === 'text' ? { words: 'Press it once' } : {}),
    ...more,
  }) as Annotation
const all = KINDS.map((kind) => made(kind))

describe('words', () => {
  it('are broken into lines that fit, also where a word is too long', () => {
    const text = 'Turn the crank until the tray clicks, Donaudampfschifffahrt'
    const lines = linesOf(text, 15, 'sans', 90)
    expect(lines.join('').replaceAll(' ', '')).toBe(text.replaceAll(' ', ''))
    for (const line of lines) expect(widthOf(line, 15, 'sans')).toBeLessThanOrEqual(90)
  })
  it('take room that is never too small for them, whatever size was wished for', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 80 }),
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 0, max: 200 }),
        (words, width, height) => {
          const set = setWords(words, { typePx: 15, face: 'serif', widest: 160, wish: { width, height } })
          for (const line of set.lines) expect(widthOf(line, 15, 'serif')).toBeLessThanOrEqual(set.width + 1e-6)
          expect(set.height).toBeGreaterThanOrEqual(set.lines.length * 15)
          expect(set.width).toBeGreaterThanOrEqual(width)
        },
      ),
    )
  })
  it('are measured as the fonts are: wide letters more, twice the size twice as much', () => {
    expect(widthOf('WWW', 15, 'sans')).toBeGreaterThan(widthOf('iii', 15, 'sans') * 2)
    expect(widthOf('Żółć', 30, 'sans')).toBeCloseTo(2 * widthOf('Żółć', 15, 'sans'))
    expect(widthOf('漢', 10, 'sans')).toBe(10)
  })
})

describe('the drawing of a picture', () => {
  it('has all kinds, inside of the picture, and is the same every time', () => {
    const drawing = drawAnnotations(all, ground, setting)
    expect(drawing.drawn.map((each) => each.kind).sort()).toEqual([...KINDS].sort())
    for (const { box } of drawing.drawn) expect(overlap(box, ground.shown)).toBeGreaterThan(0)
    expect(drawAnnotations(all, ground, setting)).toEqual(drawing)
    expect(drawing.lost).toEqual([])
  })
  it('tells what has lost its element, and draws the rest', () => {
    const drawing = drawAnnotations(all, { ...ground, element: undefined }, setting)
    expect(drawing.lost.sort()).toEqual([
      'arrow-one',
      'blackout-one',
      'ellipse-one',
      'frame-one',
      'inset-one',
      'label-one',
      'rectangle-one',
      'tag-one',
      'text-one',
    ])
  })
  it('puts words into a numbered list where they would be smaller than 12 px', () => {
    const labels = ['Hopper', 'Crank', 'Tray'].map((words, n) =>
      made('label', { id: `label-${n}x`, words, at: { to: 'picture', at: { x: 0.3 + n / 5, y: 0.5 }, gapPx: 0 } }),
    )
    expect(drawAnnotations(labels, ground, { ...setting, shownPx: 700 }).listed).toEqual([])
    const small = drawAnnotations(labels, ground, { ...setting, shownPx: 358 })
    expect(small.listed).toEqual(['Hopper', 'Crank', 'Tray'].map((words, n) => ({ id: `label-${n}x`, mark: String(n + 1), words })))
    expect(drawAnnotations([...labels, made('tag')], ground, { ...setting, shownPx: 358 }).listed.map((each) => each.mark)).toEqual([
      'a',
      'b',
      'c',
    ])
    expect(isListed(ground, { ...setting, look: { ...PLAIN_LOOK, labelPx: 30 }, shownPx: 358 })).toBe(false)
  })
  it('says in Practise what it says there, in the same place unless the two were parted', () => {
    const label = made('label', { practiseWords: 'Your turn', place: { dx: 150, dy: 80 } })
    const words = (way: 'read' | 'practise', annotation = label) => {
      const [drawn] = drawAnnotations([annotation], ground, { ...setting, way }).drawn
      const text = drawn!.shapes.find((shape) => shape.is === 'words') as { lines: readonly string[] }
      return {
        said: text.lines.join(' '),
        middle: { x: drawn!.slip!.x + drawn!.slip!.width / 2, y: drawn!.slip!.y + drawn!.slip!.height / 2 },
      }
    }
    expect(words('read').said).toBe('Press it once')
    expect(words('practise')).toEqual({ said: 'Your turn', middle: words('read').middle })
    expect(words('practise', { ...label, practisePlace: { dx: -150, dy: 80 } } as Annotation).middle.x).toBeLessThan(
      ground.element!.x + 200,
    )
  })
  it('enlarges a part of a picture, and draws on it no larger than on a whole one', () => {
    const part: Ground = { ...ground, shown: { x: 500, y: 300, width: 380, height: 300 } }
    expect(widestOf(part)).toBe(1140)
    expect(unitOf(part)).toBeCloseTo(0.5)
    expect(widestOf({ ...ground, shown: { x: 0, y: 0, width: 1000, height: 800 } })).toBe(1520)
    expect(unitOf({ of: { widthPx: 300, heightPx: 200 }, shown: { x: 0, y: 0, width: 300, height: 200 } })).toBe(1)
  })
  it('keeps labels within the part that is shown', () => {
    const shown: Rect = { x: 500, y: 300, width: 500, height: 300 }
    const [drawn] = drawAnnotations([made('label', { place: { dx: 900, dy: 900 } })], { ...ground, shown }, setting).drawn
    expect(holds(shown, drawn!.slip!)).toBe(true)
  })
})

describe('arrows', () => {
  it('turn clockwise above zero and the other way below, and are straight at zero', () => {
    const [from, to] = [
      { x: 0, y: 100 },
      { x: 200, y: 100 },
    ]
    const middle = (bend: number) => arrowPaths(from, to, bend, 'end', 10).along[8]!
    expect(middle(50).y).toBeCloseTo(50)
    expect(middle(-50).y).toBeCloseTo(150)
    expect(middle(0)).toEqual({ x: 100, y: 100 })
    expect(arrowPaths(from, to, 120, 'both', 10).paths).toHaveLength(3)
    expect(arrowPaths(from, to, 120, 'none', 10).paths[0]).toContain(' 1 1 200 100')
    expect(arrowPaths(from, from, 50, 'end', 10).paths).toEqual([])
  })
  it('end where they are to end', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -150, max: 150 }),
        fc.integer({ min: -300, max: 300 }),
        fc.integer({ min: 20, max: 300 }),
        (bend, x, y) => {
          const { along } = arrowPaths({ x: 0, y: 0 }, { x, y }, bend, 'end', 10)
          expect(distance(along.at(-1)!, { x, y })).toBeLessThan(0.01)
          expect(distance(along[0]!, { x: 0, y: 0 })).toBeLessThan(0.01)
        },
      ),
    )
  })
})

describe('anchors', () => {
  it('are found again for any point, attached to anything', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('element', 'picture'),
        fc.integer({ min: 0, max: 1520 }),
        fc.integer({ min: 0, max: 900 }),
        (to, x, y) => {
          const point = pointOf(anchorAt({ x, y }, to as 'element', ground), ground)!
          expect(distance(point, { x, y })).toBeLessThan(0.1)
          const pin = pinned(anchorAt({ x, y }, to as 'element', ground), ground)
          expect(pin.to).toBe('picture')
          expect(distance(pointOf(pin, ground)!, { x, y })).toBeLessThan(0.2)
        },
      ),
    )
  })
  it('lead their gap away from the middle of an element and into a picture', () => {
    expect(pointOf({ to: 'element', at: 'right', gapPx: 10 }, ground)).toEqual({ x: 820, y: 430 })
    expect(pointOf({ to: 'picture', at: 'top-right', gapPx: 10 }, ground)).toEqual({ x: 1500, y: 20 })
    expect(areaOf({ to: 'element', gapPx: 5 }, ground)).toEqual({ x: 590, y: 390, width: 220, height: 80 })
  })
})

describe('moving', () => {
  it.each(KINDS)('takes a %s along by what the hand or a key says', (kind) => {
    const annotation = made(kind, kind === 'label' ? { place: { dx: 100, dy: -40 } } : {})
    const find = (each: Annotation) => drawAnnotations([each], ground, setting).drawn[0]!
    const before = find(annotation)
    const after = find(movedBy(annotation, { x: 20, y: 10 }, ground, before.slip))
    const box = (drawn: typeof before) => drawn.slip ?? drawn.box
    expect(box(after).x - box(before).x).toBeCloseTo(20, -1)
    expect(box(after).y - box(before).y).toBeCloseTo(10, -1)
    expect(
      Annotation.safeParse(movedBy(annotation, { x: -9_000, y: 9_000 }, ground, before.slip)).success ||
        kind === 'label' ||
        kind === 'arrow',
    ).toBe(true)
  })
  it('by a handle bends an arrow, makes an area larger, and attaches a dot to where it is put', () => {
    const arrow = made('arrow', {
      from: anchorAt({ x: 100, y: 100 }, 'picture', ground),
      to: anchorAt({ x: 300, y: 100 }, 'picture', ground),
    })
    expect(handleMoved(arrow, 'bend', { x: 200, y: 50 }, ground)).toMatchObject({ bend: 50 })
    expect(handlesOf(handleMoved(arrow, 'bend', { x: 200, y: 50 }, ground), ground).find((each) => each.name === 'bend')!.at.y).toBeCloseTo(
      50,
      0,
    )
    const larger = handleMoved(made('rectangle'), 'se', { x: 900, y: 700 }, ground) as Extract<Annotation, { kind: 'rectangle' }>
    expect(areaOf(larger.area, ground)!.width).toBeCloseTo(306, 0)
    expect(handleMoved(made('label'), 'dot', { x: 601, y: 401 }, ground)).toMatchObject({ at: { to: 'element', at: 'top-left' } })
    expect(handleMoved(made('label'), 'dot', { x: 20, y: 20 }, ground)).toMatchObject({ at: { to: 'picture' } })
  })
  it('snaps to the element, to other labels and to the thirds of the picture, whichever is nearest', () => {
    expect(snapBox({ x: 603, y: 100, width: 50, height: 20 }, ground, [], 6)).toMatchObject({
      x: 600,
      y: 100,
      lines: [{ axis: 'x', of: 'element' }],
    })
    expect(snapBox({ x: 1_104, y: 31, width: 50, height: 20 }, ground, [{ x: 1_100, y: 30, width: 80, height: 20 }], 6)).toMatchObject({
      x: 1_100,
      y: 30,
    })
    expect(snapBox({ x: 10, y: 296, width: 50, height: 20 }, ground, [], 6)).toMatchObject({
      y: 300,
      lines: [{ axis: 'y', of: 'picture' }],
    })
    expect(snapPoint({ x: 803, y: 428 }, ground, 8)).toMatchObject({ x: 800, y: 430 })
    expect(snapPoint({ x: 300, y: 300 }, ground, 8).lines).toEqual([])
  })
})

describe('colours', () => {
  it('are measured as WCAG does', () => {
    expect(contrast(rgbOf('#ffffff'), rgbOf('#000000'))).toBeCloseTo(21)
    expect(contrast(rgbOf('#095660'), rgbOf('#ffffff'))).toBeCloseTo(8.4, 1)
    expect(() => rgbOf('red')).toThrow(RangeError)
    expect(contrast(rgbOf(darkened('#0fb5c9', 4.5)), [255, 255, 255])).toBeGreaterThanOrEqual(4.5)
  })
  it('stand on any ground with their casing as well as two colours can, and on white, black and the page better than asked for', () => {
    for (const hex of Object.values(PALETTE))
      for (let grey = 0; grey <= 255; grey += 5) {
        const under = Uint8Array.from({ length: 4 * 9 }, () => grey)
        expect(contrastUnder({ widthPx: 3, heightPx: 3, bytes: under }, [{ x: 1, y: 1 }], hex, casingFor(hex))).toBeGreaterThanOrEqual(
          grey < 15 || grey > 235 ? 3 : 2,
        )
      }
    expect(contrast(rgbOf(wordsOn('#0fb5c9')), rgbOf('#0fb5c9'))).toBeGreaterThan(4.5)
  })
  it('count a fifth of odd pixels as none, and no place as no trouble', () => {
    const bytes = [...Array(10).keys()].flatMap((n) => (n === 0 ? [15, 181, 201, 255] : [255, 255, 255, 255]))
    const places = [...Array(10).keys()].map((x) => ({ x, y: 0 }))
    expect(contrastUnder({ widthPx: 10, heightPx: 1, bytes }, places, '#0fb5c9', '#0fb5c9')).toBeCloseTo(
      contrast(rgbOf('#0fb5c9'), rgbOf('#ffffff')),
    )
    expect(contrastUnder({ widthPx: 1, heightPx: 1, bytes }, [{ x: 5, y: 5 }], '#000000', '#000000')).toBe(21)
  })
})

describe('areas and lines', () => {
  it('are cut to each other', () => {
    expect(cut({ x: -5, y: -5, width: 20, height: 20 }, { x: 0, y: 0, width: 10, height: 10 })).toEqual({
      x: 0,
      y: 0,
      width: 10,
      height: 10,
    })
    expect(cut({ x: 50, y: 0, width: 20, height: 20 }, { x: 0, y: 0, width: 10, height: 10 })).toMatchObject({ width: 0 })
    expect(shareInside({ x: 0, y: 5 }, { x: 20, y: 5 }, { x: 5, y: 0, width: 10, height: 10 })).toBeCloseTo(0.5)
    expect(shareInside({ x: 0, y: 50 }, { x: 20, y: 50 }, { x: 5, y: 0, width: 10, height: 10 })).toBe(0)
  })
})
