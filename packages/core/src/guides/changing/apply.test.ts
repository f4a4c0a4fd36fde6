import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seededIds, type PictureId, type QuizId, type StepId } from '../../shared'
import type { Annotation } from '../annotation'
import { PLAIN_SOLO } from '../exercise'
import type { Flow } from '../flow'
import { aDocument, aGuideQuiz, aSection, aStep } from '../testing'
import { richTextOf } from '../text/richTextOf'
import { apply, applyAll } from './apply'
import type { Change, ChangeOf, ChangeType, StepFieldsSet } from './changes'
import { joinChanges } from './joinChanges'
import { inOldForm, readChange, type OldChange } from './oldChanges'

const [one, two, three] = [aStep('One'), aStep('Two'), aStep('Three')]
const heading = aSection('Before you start')
const quiz = aGuideQuiz()
const ids = seededIds(99)
const pictures = [ids(), ids(), ids()] as PictureId[]
const sheetId = ids() as PictureId
const withSheet = { ...three, pictures: [{ id: sheetId, alt: '', sheet: { widthPx: 400, heightPx: 300, pictures: [] } }] }
const start = aDocument(heading, one, two, quiz, withSheet)

const element = {
  pictureId: pictures[0]!,
  rect: { x: 0, y: 0, width: 9, height: 9 },
  of: { widthPx: 90, heightPx: 90 },
  role: '',
  name: '',
  frame: [],
  locators: [],
}
const page = { address: 'https://book.example/', title: 'Orders', application: 'Order Book' }
const annotations: Annotation[] = [
  { id: 'frame-one', kind: 'frame', area: { to: 'element', gapPx: 3 } },
  { id: 'label-one', kind: 'label', at: { to: 'element', at: 'right', gapPx: 0 }, words: 'Here' },
]
const step = fc.constantFrom(one, two)
const picture = fc.constantFrom(...pictures)
const inPicture = fc.record({ stepId: step.map((each) => each.id), pictureId: picture })
/** Values of every field that can be set, and none. */
const FIELDS: { [F in keyof StepFieldsSet]-?: fc.Arbitrary<StepFieldsSet[F]> } = {
  body: fc.string().map((text) => richTextOf(text)),
  action: fc.constantFrom(null, { verb: 'select' as const, page, element }),
  element: fc.constantFrom(null, element),
  check: fc.constantFrom(null, { sureness: 0.5, doubts: ['odd-name' as const], otherPictures: [] }),
  cautions: fc.constantFrom(null, [], [{ id: 'caution-one', level: 'note' as const, words: 'Wet', acknowledge: false }]),
  signs: fc.constantFrom(null, [], ['W010' as const]),
  exercise: fc.constantFrom(null, { hint: 'Look at the top' }, { task: { kind: 'click' as const } }),
  flow: fc.constantFrom<Flow | null>(null, { choices: [{ id: 'choice-1', words: 'New', to: three.id }] }),
  combinedFrom: fc.constantFrom(null, [three.id]),
}
/** Some of every kind: a kind that is added to the changes is added here. */
const SOME: { [T in ChangeType]: fc.Arbitrary<Omit<ChangeOf<T>, 'type'>> } = {
  'set-facts': fc
    .constantFrom<ChangeOf<'set-facts'>['facts']>(
      { title: 'Rinse' },
      { title: 'Dry', summary: 'Twice' },
      { kind: 'policy' },
      { confirmSteps: true },
      { look: { colour: '#095660' } },
      { signs: ['W010'] },
      { solo: { ...PLAIN_SOLO, passMark: 60 } },
      { closing: 'Well done' },
      { closing: '' },
      { system: { name: 'Order Book', addresses: ['https://book.example'], versions: ['4'] } },
      { system: { name: '', addresses: [], versions: [] } },
    )
    .map((facts) => ({ facts })),
  'insert-item': fc.record({ item: fc.constantFrom(one, two, withSheet), after: fc.constantFrom(null, two.id) }),
  'remove-item': fc.record({ itemId: fc.constantFrom(one.id, two.id, three.id, heading.id, quiz.id) }),
  'move-item': fc.record({
    itemId: fc.constantFrom(one.id, two.id, three.id),
    after: fc.constantFrom(null, one.id, two.id, heading.id, quiz.id),
  }),
  'set-section-title': fc.record({ sectionId: fc.constant(heading.id), title: fc.string() }),
  'set-optional': fc.record({ sectionId: fc.constant(heading.id), optional: fc.boolean() }),
  'set-quiz': fc.record({
    guideQuizId: fc.constant(quiz.id),
    quizId: fc.constantFrom(quiz.quizId, ids() as QuizId),
    need: fc.constantFrom('nothing', 'handed-in', 'passed'),
  }),
  'set-step': fc.record({
    stepId: step.map((each) => each.id),
    fields: fc.record(FIELDS, { requiredKeys: [] }) as fc.Arbitrary<StepFieldsSet>,
  }),
  'insert-picture': fc.record({
    stepId: step.map((each) => each.id),
    picture: picture.map((id) => ({ id, alt: '' })),
    after: fc.option(picture),
  }),
  'remove-picture': inPicture,
  'move-picture': fc.record({ stepId: step.map((each) => each.id), pictureId: picture, after: fc.option(picture) }),
  'set-picture-alt': inPicture.map((at) => ({ ...at, alt: 'A tray' })),
  'set-not-ready': fc.record({ itemId: fc.constantFrom(one.id, heading.id), notReady: fc.boolean(), why: fc.constantFrom('', 'No price') }),
  silence: fc.record({ finding: fc.constantFrom('acronym:a', 'acronym:b'), silenced: fc.boolean() }),
  'put-annotation': fc
    .tuple(inPicture, fc.constantFrom(...annotations), fc.constantFrom(null, 'frame-one'))
    .map(([at, annotation, after]) => ({ ...at, annotation, after })),
  'remove-annotation': fc
    .tuple(inPicture, fc.constantFrom('frame-one', 'label-one'))
    .map(([at, annotationId]) => ({ ...at, annotationId })),
  'set-shown': fc.tuple(inPicture, fc.constantFrom(null, element.rect)).map(([at, shown]) => ({ ...at, shown })),
  'set-sheet': fc
    .constantFrom(400, 500)
    .map((widthPx) => ({ stepId: three.id, pictureId: sheetId, sheet: { widthPx, heightPx: 300, pictures: [] } })),
}
const TYPES = Object.keys(SOME) as ChangeType[]
const ofType = (type: ChangeType): fc.Arbitrary<Change> => (SOME[type] as fc.Arbitrary<object>).map((rest) => ({ type, ...rest }) as Change)
// Without pictures there would be little to be done: some are put in first.
const ready = applyAll(
  pictures.map((id): Change => ({ type: 'insert-picture', stepId: one.id, picture: { id, alt: '' }, after: null })),
  start,
).document
const anyChange = fc.oneof(...TYPES.map(ofType))

describe('changes', () => {
  it('are undone by their inverses, whatever they are and in whatever order they came', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 30 }), (changes) => {
        const done = applyAll(changes, ready)
        const undone = applyAll(done.inverses, done.document)
        expect(undone.refused).toEqual([])
        expect(undone.document).toEqual(ready)
        expect(applyAll(undone.inverses, undone.document).document).toEqual(done.document)
      }),
    )
  })
  it('are carried out in every kind, some of the time', () => {
    const [first, ...others] = pictures
    const prepared: Change[] = [
      ...annotations.map((annotation): Change => ({ type: 'put-annotation', stepId: one.id, pictureId: first!, annotation, after: null })),
      ...others.map((pictureId): Change => ({ type: 'remove-picture', stepId: one.id, pictureId })),
      { type: 'remove-item', itemId: two.id },
    ]
    const { document } = applyAll(prepared, ready)
    const never = TYPES.filter((type) => !fc.sample(ofType(type), { numRuns: 100, seed: 13 }).some((change) => apply(change, document).ok))
    expect(never).toEqual([])
  })
  it('never hold an item twice', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 25 }), (changes) => {
        const items = applyAll(changes, ready).document.items.map((item) => item.id)
        expect(new Set(items).size).toBe(items.length)
      }),
    )
  })
  it('keep their effect when neighbours are joined', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 25 }), (changes) => {
        expect(applyAll(joinChanges(changes), ready).document).toEqual(applyAll(changes, ready).document)
      }),
    )
  })
  it('do the same in the form that older pages know', () => {
    fc.assert(
      fc.property(ofType('set-step'), (change) => {
        if (change.type !== 'set-step') return
        const old = JSON.parse(JSON.stringify(inOldForm(change))) as OldChange[]
        // Fields that came after those pages are not for them.
        const fields = Object.fromEntries(Object.entries(change.fields).filter(([field]) => old.some((each) => field in each)))
        expect(applyAll(old.map(readChange), ready).document).toEqual(applyAll([{ ...change, fields }], ready).document)
      }),
    )
  })
  it('become one while one types in one step', () => {
    const write = (stepId: StepId, text: string): Change => ({ type: 'set-step', stepId, fields: { body: richTextOf(text) } })
    expect(joinChanges([...['R', 'Ri', 'Rin'].map((text) => write(one.id, text)), write(two.id, 'x')])).toHaveLength(2)
  })
  it('put a step at the end when the one it should follow is gone', () => {
    const result = apply({ type: 'move-item', itemId: one.id, after: ids() as StepId }, start)
    expect(result.ok && result.document.items.at(-1)?.id).toBe(one.id)
  })
  it('say why they cannot be done', () => {
    expect(apply({ type: 'remove-item', itemId: ids() as StepId }, start)).toEqual({ ok: false, reason: 'item-missing' })
    expect(apply({ type: 'insert-item', item: one, after: null }, start)).toEqual({ ok: false, reason: 'item-exists' })
    expect(apply({ type: 'set-step', stepId: heading.id as unknown as StepId, fields: { signs: null } }, start)).toEqual({
      ok: false,
      reason: 'not-a-step',
    })
  })
})
