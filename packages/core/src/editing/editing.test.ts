import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { groundOf, pointOf } from '../annotations'
import {
  applyAll,
  itemName,
  plainText,
  richTextOf,
  stepsOf,
  type Annotation,
  type Change,
  type GuideDocument,
  type NamedPoint,
  type Step,
} from '../guides'
import type { PictureId } from '../shared'
import { combineSteps } from './combine'
import { findInGuide, replaceInGuide } from './findReplace'
import { cautionOnAll, chosenSteps, copiesOf, insertItems, moveItems, rangeBetween, removeItems, signsOnAll, splitStep } from './manySteps'
import { pasteAnnotations, positionOf, withPosition } from './pasteAnnotations'
import { replacePicture, setElement } from './replacePicture'
import { aDocument, aSection, aStep, framed, ids, label, of } from './testing'

const [one, two, three] = [framed('Open the form', 100), framed('Fill it in', 300), aStep('Done')]
const start = aDocument(aSection('Before'), one, two, aSection('After'), three)
const after = (changes: readonly Change[], document: GuideDocument = start) => {
  const done = applyAll(changes, document)
  expect(done.refused).toEqual([])
  return done.document
}
const texts = (document: GuideDocument) =>
  document.items.map((item) => (item.kind === 'step' ? plainText(item.body) : `# ${itemName(document, item.id)}`))

describe('splitting', () => {
  it('leaves the pictures with the first part and says where the second came from', () => {
    const document = after(splitStep(one, richTextOf('Open'), richTextOf('the form'), ids).changes)
    expect(texts(document).slice(0, 3)).toEqual(['# Before', 'Open', 'the form'])
    expect(stepsOf(document)[1]).toMatchObject({ splitFrom: one.id, pictures: [] })
  })
})

describe('splitting a step that leads elsewhere', () => {
  it('asks where to go on behind the second part, and passes over both', () => {
    const skipWhen = { of: 'role' as const, ids: [] }
    const leading = { ...three, flow: { choices: [{ id: 'choice-one', words: 'Again', to: 'end' as const }], skipWhen } }
    const [first, second] = stepsOf(after(splitStep(leading, richTextOf('a'), richTextOf('b'), ids).changes, aDocument(leading)))
    expect([first!.flow, second!.flow]).toEqual([{ skipWhen }, leading.flow])
  })
})

describe('many steps', () => {
  it('are chosen as a range, whichever end came first', () => {
    expect(rangeBetween(start, two.id, start.items[0]!.id)).toEqual(start.items.slice(0, 3).map((item) => item.id))
    expect(rangeBetween(start, two.id, 'gone')).toEqual([])
  })
  it('are moved together in their order, also behind one of themselves', () => {
    expect(texts(after(moveItems(start, new Set([one.id, three.id]), null)))).toEqual([
      'Open the form',
      'Done',
      '# Before',
      'Fill it in',
      '# After',
    ])
    expect(texts(after(moveItems(start, new Set([one.id, three.id]), three.id)))).toEqual([
      '# Before',
      'Fill it in',
      '# After',
      'Open the form',
      'Done',
    ])
  })
  it('are copied with new ids that say where they came from', () => {
    const copies = copiesOf(chosenSteps(start, new Set([two.id, one.id])), ids)
    const document = after(insertItems(copies, three.id))
    expect(texts(document).slice(-2)).toEqual(['Open the form', 'Fill it in'])
    expect(new Set(document.items.map((item) => item.id)).size).toBe(7)
    expect(stepsOf(document).at(-1)).toMatchObject({ copiedFrom: two.id, pictures: two.pictures })
  })
  it('get a caution once, and a sign once', () => {
    const caution = { level: 'warning', words: 'Hot water', acknowledge: true } as const
    const twice = after(
      cautionOnAll(stepsOf(after(cautionOnAll(stepsOf(start), caution, ids))), { ...caution, level: 'danger' }, ids),
      after(cautionOnAll(stepsOf(start), caution, ids)),
    )
    for (const step of stepsOf(twice)) expect(step.cautions).toMatchObject([{ level: 'danger', words: 'Hot water' }])
    expect(signsOnAll(stepsOf(after(signsOnAll(stepsOf(start), ['M009']))), ['M009'])).toEqual([])
  })
})

const spots: NamedPoint[] = ['top-left', 'top', 'top-right', 'left', 'middle', 'right', 'bottom-left', 'bottom', 'bottom-right']
describe('another picture', () => {
  const put = (annotation: Annotation): Step => ({ ...two, pictures: [{ ...two.pictures[0]!, annotations: [annotation] }] })
  it('takes along what is attached to the element, wherever the element stands in it and however large it is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...spots),
        fc.integer({ min: 0, max: 40 }),
        fc.record({
          x: fc.integer({ min: 0, max: 1800 }),
          y: fc.integer({ min: 0, max: 900 }),
          width: fc.integer({ min: 4, max: 700 }),
          height: fc.integer({ min: 4, max: 300 }),
        }),
        fc.integer({ min: 400, max: 2600 }),
        (at, gapPx, rect, widthPx) => {
          const step = put({ ...label('label-one'), at: { to: 'element', at, gapPx } } as Annotation)
          const by = { id: ids() as PictureId, widthPx, heightPx: 1300 }
          const next = stepsOf(after(replacePicture(step, step.pictures[0]!.id, by, { element: rect, sizes: {} }), aDocument(step)))[0]!
          const ground = groundOf(next, next.pictures[0]!, undefined)!
          const { at: anchor } = next.pictures[0]!.annotations![0] as Extract<Annotation, { kind: 'label' }>
          const point = pointOf(anchor, ground)!
          const unit = Math.max(1, widthPx / 760)
          const share = {
            x: at.includes('left') ? 0 : at.includes('right') ? 1 : 0.5,
            y: at.includes('top') ? 0 : at.includes('bottom') ? 1 : 0.5,
          }
          const way = { x: Math.sign(share.x - 0.5), y: at === 'middle' ? -1 : Math.sign(share.y - 0.5) }
          expect(point.x).toBeCloseTo(rect.x + share.x * rect.width + way.x * gapPx * unit, 6)
          expect(point.y).toBeCloseTo(rect.y + share.y * rect.height + way.y * gapPx * unit, 6)
        },
      ),
    )
  })
  it('keeps what is attached to the picture at its share, and the cut of what is shown', () => {
    const step = put({
      id: 'tag-one',
      kind: 'tag',
      number: 1,
      meaning: 'sequence',
      at: { to: 'picture', at: { x: 0.25, y: 0.5 }, gapPx: 0 },
    })
    step.pictures[0]!.shown = { x: 0, y: 0, width: 640, height: 400 }
    const id = step.pictures[0]!.id
    const by = { id: ids() as PictureId, widthPx: 2560, heightPx: 1600 }
    const next = stepsOf(after(replacePicture(step, id, by, { sizes: { [id]: of } }), aDocument(step)))[0]!
    expect(next.pictures).toHaveLength(1)
    expect(next.pictures[0]!.shown).toEqual({ x: 0, y: 0, width: 1280, height: 800 })
    expect(next.action!.element!.rect).toEqual({ x: 600, y: 400, width: 240, height: 80 })
    const tag = next.pictures[0]!.annotations![0] as Extract<Annotation, { kind: 'tag' }>
    expect(pointOf(tag.at, groundOf(next, next.pictures[0]!, by)!)).toEqual({ x: 640, y: 800 })
  })
  it('can have an element drawn in it, with or without an action', () => {
    const rect = { x: 1, y: 2, width: 30, height: 40 }
    const pictureId = two.pictures[0]!.id
    const acted = stepsOf(after(setElement(two, { pictureId, rect, of })))[1]!
    expect(acted.action!.element).toMatchObject({ rect, name: 'Save' })
    const bare = stepsOf(after(setElement(three, { pictureId, rect, of })))[2]!
    expect(bare.element).toMatchObject({ rect, name: '' })
    expect(stepsOf(after(setElement(bare, null), after(setElement(three, { pictureId, rect, of }))))[2]!.element).toBeUndefined()
  })
})

describe('annotations copied', () => {
  it('land on the element of each step, and pictures without one get them where they say', () => {
    const document = after(pasteAnnotations([label('label-new', 'top')], [one, two, three], ids))
    const [first, second, third] = stepsOf(document)
    expect(first!.pictures[0]!.annotations).toHaveLength(3)
    expect(second!.pictures[0]!.annotations!.at(-1)).toMatchObject({ kind: 'label', at: { to: 'element', at: 'top' } })
    expect(third!.pictures).toEqual([])
  })
  it('give others their position only', () => {
    const placed = { ...label('label-two', 'bottom'), place: { dx: 10, dy: 90 } } as Annotation
    expect(withPosition(label('label-one'), positionOf(placed))).toEqual({ ...placed, id: 'label-one' })
    expect(withPosition(placed, positionOf(label('label-one', 'top')))).toMatchObject({ at: { at: 'top' }, id: 'label-two' })
    expect(withPosition(placed, positionOf(label('label-one', 'top')))).not.toHaveProperty('place')
    const frame: Annotation = { id: 'frame-one', kind: 'frame', area: { to: 'element', gapPx: 8 } }
    expect(withPosition(frame, positionOf(placed))).toEqual(frame)
  })
})

describe('find and replace', () => {
  const rich = aStep('x')
  rich.body = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'Take a tr' },
          { type: 'text', text: 'ay', marks: [{ type: 'bold' }] },
          { type: 'text', text: ' and another Tray, not trays.' },
        ],
      },
    ],
  }
  const document = { ...aDocument(aSection('The tray'), rich), title: 'Tray' }
  it('finds words across changes of looks, and counts each text', () => {
    const found = findInGuide(document, { find: 'tray', matchCase: false, wholeWords: true }, 'crate')
    expect(found.map((each) => [each.where, each.times])).toEqual([
      ['title', 1],
      ['section', 1],
      ['step', 2],
    ])
    expect(
      texts(
        after(
          replaceInGuide(document, { find: 'tray', matchCase: false, wholeWords: true }, 'crate', new Set(found.map((each) => each.key))),
          document,
        ),
      ),
    ).toEqual(['# The crate', 'Take a crate and another crate, not trays.'])
  })
  it.each([
    [{ find: 'Tray', matchCase: true, wholeWords: false }, 1, 'Take a tray and another X, not trays.'],
    [{ find: 'tray', matchCase: false, wholeWords: false }, 3, 'Take a X and another X, not Xs.'],
    [{ find: '.', matchCase: false, wholeWords: false }, 1, 'Take a tray and another Tray, not traysX'],
  ])('takes %j as it is written', (search, times, words) => {
    const step = findInGuide(document, search, 'X').find((each) => each.where === 'step')!
    expect([step.times, step.after]).toEqual([times, words])
  })
  it('takes what stands in its place as it is, too', () => {
    expect(findInGuide(document, { find: 'another', matchCase: true, wholeWords: true }, '$& $1')[0]!.after).toContain('and $& $1 Tray')
    expect(findInGuide(document, { find: '', matchCase: false, wholeWords: false }, 'x')).toEqual([])
  })
  it('may take words away altogether', () => {
    const gone = findInGuide(aDocument(aStep('tray')), { find: 'tray', matchCase: false, wholeWords: true }, '')
    expect(gone[0]!.after).toBe('')
  })
})

/** Any operation on the document as it is then. */
const anyOperation = fc.record({
  what: fc.constantFrom(
    'combine',
    'combine-all',
    'split',
    'move',
    'copy',
    'remove',
    'caution',
    'sign',
    'replace',
    'words',
    'paste',
    'silence',
    'ready',
  ),
  from: fc.nat(20),
  to: fc.nat(20),
})
const anO = { find: 'o', matchCase: false, wholeWords: false }
function operation(document: GuideDocument, { what, from, to }: { what: string; from: number; to: number }): Change[] {
  const at = (n: number) => document.items[n % Math.max(1, document.items.length)]
  if (!at(from) || !at(to)) return []
  const range = new Set<string>(rangeBetween(document, at(from)!.id, at(to)!.id))
  const steps = chosenSteps(document, range)
  const [first] = steps
  switch (what) {
    case 'combine':
    case 'combine-all':
      return combineSteps(steps, what === 'combine' ? 'first' : 'all', {}).changes
    case 'split':
      return first ? splitStep(first, richTextOf('a'), richTextOf('b'), ids).changes : []
    case 'move':
      return moveItems(document, range, at(from + to)!.id)
    case 'copy':
      return insertItems(copiesOf(steps, ids), at(to)!.id)
    case 'remove':
      return removeItems([...range].slice(0, 2) as never)
    case 'caution':
      return cautionOnAll(steps, { level: 'note', words: `n${from % 3}`, acknowledge: false }, ids)
    case 'sign':
      return signsOnAll(steps, ['W002'])
    case 'replace': {
      const picture = first?.pictures[0]
      return first && picture
        ? replacePicture(first, picture.id, { id: ids() as PictureId, widthPx: 900, heightPx: 500 }, { sizes: {} })
        : []
    }
    case 'words':
      return replaceInGuide(document, anO, 'oo', new Set(findInGuide(document, anO, 'oo').map((each) => each.key)))
    case 'paste':
      return pasteAnnotations([label(`pasted${from}`)], steps, ids)
    case 'silence':
      return [{ type: 'silence', finding: `passive:${from}`, silenced: to % 2 === 0 }]
    default:
      return [{ type: 'set-not-ready', itemId: at(from)!.id, notReady: to % 2 === 0 }]
  }
}

describe('any sequence of operations', () => {
  it('is undone to the same document, one operation after the other, and done again', () => {
    fc.assert(
      fc.property(fc.array(anyOperation, { maxLength: 14 }), (operations) => {
        let document = start
        const undo: { before: GuideDocument; inverses: Change[] }[] = []
        for (const each of operations) {
          const done = applyAll(operation(document, each), document)
          expect(done.refused).toEqual([])
          undo.push({ before: document, inverses: done.inverses })
          document = done.document
        }
        for (const { before, inverses } of undo.reverse()) {
          const back = applyAll(inverses, document)
          expect(back.refused).toEqual([])
          expect(back.document).toEqual(before)
          document = back.document
        }
        expect(document).toEqual(start)
      }),
      { numRuns: 150 },
    )
  })
})
