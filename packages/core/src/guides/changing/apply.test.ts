import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seededIds, type PictureId, type StepId } from '../../shared'
import { apply, applyAll } from './apply'
import type { Change } from './changes'
import { PLAIN_SOLO } from '../exercise'
import type { Flow } from '../flow'
import { joinChanges } from './joinChanges'
import { richTextOf } from '../text/richText'
import { aDocument, aSection, aStep } from '../testing'

const [one, two, three] = [aStep('One'), aStep('Two'), aStep('Three')]
const heading = aSection('Before you start')
const start = aDocument(heading, one, two, three)
const ids = seededIds(99)
const pictures = [ids(), ids(), ids()] as PictureId[]

const anyChange: fc.Arbitrary<Change> = fc.oneof(
  fc.constantFrom('Rinse', 'Dry', 'Stack').map((title): Change => ({ type: 'set-facts', facts: { title } })),
  fc.boolean().map((confirmSteps): Change => ({ type: 'set-facts', facts: { confirmSteps } })),
  fc
    .tuple(fc.constantFrom(one, two, three), fc.constantFrom(null, one, two, three, heading))
    .map(([step, after]): Change => ({ type: 'move-item', itemId: step.id, after: after?.id ?? null })),
  fc.constantFrom(one, two, three, heading).map((item): Change => ({ type: 'remove-item', itemId: item.id })),
  fc
    .tuple(fc.constantFrom(one, two, three), fc.constantFrom(null, two))
    .map(([item, after]): Change => ({ type: 'insert-item', item, after: after?.id ?? null })),
  fc
    .tuple(fc.constantFrom(one, two), fc.string())
    .map(([step, text]): Change => ({ type: 'set-body', stepId: step.id, body: richTextOf(text) })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom(...pictures), fc.constantFrom(null, ...pictures))
    .map(([step, id, after]): Change => ({ type: 'insert-picture', stepId: step.id, picture: { id, alt: '' }, after })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom(...pictures), fc.constantFrom(null, ...pictures))
    .map(([step, pictureId, after]): Change => ({ type: 'move-picture', stepId: step.id, pictureId, after })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom(...pictures))
    .map(([step, pictureId]): Change => ({ type: 'remove-picture', stepId: step.id, pictureId })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom(...pictures))
    .map(([step, pictureId]): Change => ({ type: 'set-picture-alt', stepId: step.id, pictureId, alt: 'A tray' })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom(null, { hint: 'Look at the top' }, { task: { kind: 'click' as const } }))
    .map(([step, exercise]): Change => ({ type: 'set-exercise', stepId: step.id, exercise })),
  fc
    .tuple(fc.constantFrom(one, two), fc.constantFrom<Flow | null>(null, { choices: [{ id: 'choice-1', words: 'New', to: three.id }] }))
    .map(([step, flow]): Change => ({ type: 'set-flow', stepId: step.id, flow })),
  fc.boolean().map((optional): Change => ({ type: 'set-optional', sectionId: heading.id, optional })),
  fc.integer({ min: 1, max: 100 }).map((passMark): Change => ({ type: 'set-facts', facts: { solo: { ...PLAIN_SOLO, passMark } } })),
)

describe('changes', () => {
  it('are undone by their inverses, whatever they are and in whatever order they came', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 25 }), (changes) => {
        const done = applyAll(changes, start)
        const undone = applyAll(done.inverses, done.document)
        expect(undone.refused).toEqual([])
        expect(undone.document).toEqual(start)
        expect(applyAll(undone.inverses, undone.document).document).toEqual(done.document)
      }),
    )
  })
  it('never hold an item twice', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 25 }), (changes) => {
        const items = applyAll(changes, start).document.items.map((item) => item.id)
        expect(new Set(items).size).toBe(items.length)
      }),
    )
  })
  it('keep their effect when neighbours are joined', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 25 }), (changes) => {
        expect(applyAll(joinChanges(changes), start).document).toEqual(applyAll(changes, start).document)
      }),
    )
  })
  it('become one while one types in one step', () => {
    const typed = ['R', 'Ri', 'Rin'].map((text): Change => ({ type: 'set-body', stepId: one.id, body: richTextOf(text) }))
    expect(joinChanges([...typed, { type: 'set-body', stepId: two.id, body: richTextOf('x') }])).toHaveLength(2)
  })
  it('put a step at the end when the one it should follow is gone', () => {
    const result = apply({ type: 'move-item', itemId: one.id, after: ids() as StepId }, start)
    expect(result.ok && result.document.items.at(-1)?.id).toBe(one.id)
  })
  it('say why they cannot be done', () => {
    expect(apply({ type: 'remove-item', itemId: ids() as StepId }, start)).toEqual({ ok: false, reason: 'item-missing' })
    expect(apply({ type: 'insert-item', item: one, after: null }, start)).toEqual({ ok: false, reason: 'item-exists' })
    expect(apply({ type: 'set-body', stepId: heading.id as unknown as StepId, body: richTextOf() }, start)).toEqual({
      ok: false,
      reason: 'not-a-step',
    })
  })
})
