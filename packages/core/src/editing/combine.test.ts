import { describe, expect, it } from 'vitest'
import { areaOf, groundOf, pointOf } from '../annotations'
import { applyAll, itemName, plainText, stepsOf, type Annotation, type Change, type GuideDocument, type Step } from '../guides'
import type { PictureId } from '../shared'
import { combineSteps } from './combine'
import { joinWithBefore } from './joinWithBefore'
import { aDocument, aSection, aStep, elementIn, framed, ids, of } from './testing'

const [one, two, three] = [framed('Open the form', 100), framed('Fill it in', 300), aStep('Done')]
const start = aDocument(aSection('Before'), one, two, aSection('After'), three)
const after = (changes: readonly Change[], document: GuideDocument = start) => {
  const done = applyAll(changes, document)
  expect(done.refused).toEqual([])
  return done.document
}
const texts = (document: GuideDocument) =>
  document.items.map((item) => (item.kind === 'step' ? plainText(item.body) : `# ${itemName(document, item.id)}`))

describe('combining', () => {
  it('joins the texts, keeps the first picture, and writes down what went in', () => {
    const document = after(combineSteps([one, two, three], 'first', {}).changes)
    expect(texts(document)).toEqual(['# Before', 'Open the form\nFill it in\nDone', '# After'])
    const [step] = stepsOf(document)
    expect(step).toMatchObject({ id: one.id, combinedFrom: [two.id, three.id], action: one.action })
    expect(step!.pictures).toEqual(one.pictures)
  })
  it('keeps all pictures as a sequence, with what was attached to the lost element where it stood', () => {
    const was = groundOf(two, two.pictures[0]!, of)!
    const [step] = stepsOf(after(combineSteps([one, two], 'all', {}).changes))
    expect(step!.pictures.map((each) => each.id)).toEqual([one.pictures[0]!.id, two.pictures[0]!.id])
    const ground = groundOf(step!, step!.pictures[1]!, of)!
    const [frame, words] = step!.pictures[1]!.annotations as [
      Extract<Annotation, { kind: 'frame' }>,
      Extract<Annotation, { kind: 'label' }>,
    ]
    expect(areaOf(frame.area, ground)!.x).toBeCloseTo(areaOf({ to: 'element', gapPx: 3 }, was)!.x, 0)
    expect(pointOf(words.at, ground)!.x).toBeCloseTo(420, 0)
  })
  it('takes the element of the first step that has one', () => {
    const plain = aStep('First look')
    const [step] = stepsOf(after(combineSteps([plain, two], 'all', {}).changes, aDocument(plain, two)))
    expect(step).toMatchObject({ id: plain.id, action: two.action })
    expect(step!.pictures[0]!.annotations).toEqual(two.pictures[0]!.annotations)
  })
})

describe('what combining would lose', () => {
  const flow = (id: string) => ({ choices: [{ id, words: 'Again', to: 'end' as const }] })
  it('is told: a step has one thing to do, one exercise and one way on', () => {
    const [first, second, third] = [
      { ...one, flow: flow('choice-one') },
      { ...two, exercise: { hint: 'Below' }, flow: flow('choice-two') },
      { ...three, exercise: { soloWords: 'End it' } },
    ]
    const { changes, lost } = combineSteps([first, second, third], 'all', {})
    expect(lost).toEqual([
      { stepId: two.id, field: 'action' },
      { stepId: three.id, field: 'exercise' },
      { stepId: one.id, field: 'flow' },
    ])
    const [step] = stepsOf(after(changes, aDocument(first, second, third)))
    expect([step!.exercise, step!.flow]).toEqual([{ hint: 'Below' }, flow('choice-two')])
  })
  it('is nothing where only one of them has it', () => {
    const doing = { ...three, exercise: { hint: 'Below' }, flow: flow('choice-one') }
    const { changes, lost } = combineSteps([one, doing], 'all', {})
    expect(lost).toEqual([])
    expect(stepsOf(after(changes, aDocument(one, doing)))[0]).toMatchObject({
      action: one.action,
      exercise: doing.exercise,
      flow: doing.flow,
    })
  })
  it('is an exercise on pictures that are not kept', () => {
    const several = {
      ...two,
      exercise: { task: { kind: 'several' as const, elements: [{ id: 'part-one', element: elementIn(two.pictures[0]!.id) }] } },
    }
    expect(combineSteps([one, several], 'first', {}).lost).toContainEqual({ stepId: two.id, field: 'exercise' })
    expect(combineSteps([one, several], 'all', {}).lost).not.toContainEqual({ stepId: two.id, field: 'exercise' })
  })
})

describe('joining with the step before', () => {
  const flow = { choices: [{ id: 'choice-one', words: 'Again', to: 'end' as const }] }
  it('keeps the step before and what the second one had of its own, and tells where the text goes on', () => {
    const wait = aStep('Wait', 'and look')
    const document = aDocument(one, wait, { ...three, flow })
    const joined = joinWithBefore(document, three.id, {})
    if ('refused' in joined) throw new Error(joined.refused)
    expect(joined).toMatchObject({ into: wait.id, number: 2, block: 2 })
    const [, step, ...others] = stepsOf(after(joined.changes, document))
    expect([plainText(step!.body), step!.flow, others]).toEqual(['Wait\nand look\nDone', flow, []])
  })
  it('puts the cursor at the end where nothing is added', () => {
    const blank = aStep('')
    expect(joinWithBefore(aDocument(one, blank), blank.id, {})).toMatchObject({ into: one.id, block: Infinity })
  })
  it('loses nothing: it does not join over a heading, nor two that act on an element each', () => {
    expect(joinWithBefore(start, three.id, {})).toEqual({ refused: 'after-heading' })
    expect(joinWithBefore(aDocument(one), one.id, {})).toEqual({ refused: 'is-first' })
    expect(joinWithBefore(start, two.id, {})).toEqual({ refused: 'both-have-an-element' })
  })
})

describe('combining, where there is too much', () => {
  it('is refused whole, and no picture is left out without a word', () => {
    const withPictures = (count: number): Step => ({
      ...aStep('x'),
      pictures: Array.from({ length: count }, () => ({ id: ids() as PictureId, alt: '' })),
    })
    const steps = [withPictures(39), withPictures(2)]
    expect(applyAll(combineSteps(steps, 'all', {}).changes, aDocument(...steps)).limit).toBe('pictures')
    expect(applyAll(combineSteps(steps, 'first', {}).changes, aDocument(...steps)).limit).toBe(null)
    const caution = (n: number) => ({ id: `caution-${n}`, level: 'note' as const, words: 'x', acknowledge: false })
    const warned = [0, 1].map((n): Step => ({ ...aStep('x'), cautions: Array.from({ length: 11 }, (_, i) => caution(n * 20 + i)) }))
    expect(applyAll(combineSteps(warned, 'all', {}).changes, aDocument(...warned)).limit).toBe('cautions')
  })
})
