import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyAll } from './apply'
import type { Change } from './changes'
import { rebase } from './rebase'
import type { PictureId } from '../../shared'
import type { Step } from '../document'
import { PLAIN_SOLO } from '../exercise'
import { richTextOf } from '../text/richTextOf'
import { theirsIn } from './theirs'
import { aDocument, aStep } from '../testing'

const steps = [aStep('One'), aStep('Two'), aStep('Three'), aStep('Four')] as const
const start = aDocument(...steps)
const write = (index: number, text: string): Change => ({ type: 'set-step', stepId: steps[index]!.id, fields: { body: richTextOf(text) } })
const remove = (index: number): Change => ({ type: 'remove-item', itemId: steps[index]!.id })
const after = (changes: Change[]) => applyAll(changes, start).document
const meet = (mine: Change[], theirs: Change[]) => rebase(mine, theirs, after(theirs))

describe('two people on one guide', () => {
  it('both land when they change different steps', () => {
    const result = meet([write(0, 'mine')], [write(1, 'theirs')])
    expect(result.conflicts).toEqual([])
    expect(result.document).toEqual(after([write(0, 'mine'), write(1, 'theirs')]))
  })
  it('clash when both rewrite the same text; theirs stays, mine is handed back as last typed', () => {
    const result = meet([write(0, 'mine, first'), write(0, 'mine, last'), write(2, 'also mine')], [write(0, 'theirs')])
    expect(result.conflicts).toEqual([
      { reason: 'changed', target: `body:${steps[0].id}`, itemId: steps[0].id, mine: write(0, 'mine, last') },
    ])
    expect(result.document).toEqual(after([write(0, 'theirs'), write(2, 'also mine')]))
  })
  it('do not clash when both wrote the same', () => {
    expect(meet([write(0, 'same')], [write(0, 'same')]).conflicts).toEqual([])
  })
  it('hands back what was written in a step that the other removed', () => {
    expect(meet([write(0, 'mine')], [remove(0)]).conflicts).toEqual([
      { reason: 'gone', target: `body:${steps[0].id}`, itemId: steps[0].id, mine: write(0, 'mine') },
    ])
  })
  it('does not remove a step in which the other has just written', () => {
    const result = meet([remove(0)], [write(0, 'theirs')])
    expect(result.conflicts.map((each) => each.reason)).toEqual(['removal'])
    expect(result.document.items).toHaveLength(4)
  })
  it('is content when both removed the same step or moved it', () => {
    expect(meet([remove(0)], [remove(0)])).toMatchObject({ conflicts: [], applied: [] })
    const moved = meet(
      [{ type: 'move-item', itemId: steps[0].id, after: steps[2].id }],
      [{ type: 'move-item', itemId: steps[0].id, after: steps[3].id }],
    )
    expect(moved.conflicts).toEqual([])
    expect(moved.document.items.map((item) => item.id)).toEqual([steps[1].id, steps[2].id, steps[0].id, steps[3].id])
  })
  it('clash on the same fact only', () => {
    expect(meet([{ type: 'set-facts', facts: { summary: 'x' } }], [{ type: 'set-facts', facts: { title: 'y' } }]).conflicts).toEqual([])
    expect(meet([{ type: 'set-facts', facts: { title: 'x' } }], [{ type: 'set-facts', facts: { title: 'y' } }]).conflicts).toHaveLength(1)
  })
  it('clash on the fact that both changed, and the other fact of the same change lands', () => {
    const result = meet(
      [{ type: 'set-facts', facts: { title: 'mine', summary: 'mine' } }],
      [{ type: 'set-facts', facts: { summary: 'theirs' } }],
    )
    expect(result.conflicts.map((each) => each.target)).toEqual(['fact:summary'])
    expect(result.document).toMatchObject({ title: 'mine', summary: 'theirs' })
    expect(theirsIn(result.document)('fact:summary')).toEqual({ kind: 'fact', fact: 'summary', value: 'theirs' })
  })
  it('are told what stands there now, whatever they clashed on', () => {
    const solo = (passMark: number): Change => ({ type: 'set-facts', facts: { solo: { ...PLAIN_SOLO, passMark } } })
    const silence = (silenced: boolean): Change => ({ type: 'silence', finding: 'acronym:x', silenced })
    const five: Step = { ...aStep('Five'), pictures: [{ id: 'p'.repeat(21) as PictureId, alt: 'a' }] }
    const shown = [steps[0], five] as const
    const alt = (words: string): Change => ({
      type: 'set-picture-alt',
      stepId: shown[1].id,
      pictureId: 'p'.repeat(21) as PictureId,
      alt: words,
    })
    for (const [mine, theirs, now] of [
      [solo(90), solo(70), { kind: 'fact', fact: 'solo', value: { ...PLAIN_SOLO, passMark: 70 } }],
      [silence(false), silence(true), { kind: 'fact', fact: 'silenced', value: true }],
      [alt('mine'), alt('theirs'), { id: shown[1].id, pictures: [{ alt: 'theirs' }] }],
    ] as const) {
      const document = applyAll([theirs], aDocument(...shown)).document
      const { conflicts } = rebase([mine], [theirs], document)
      expect(conflicts).toHaveLength(1)
      expect(theirsIn(document)(conflicts[0]!.target)).toMatchObject(now)
    }
  })
  it('hand back what there is no more room for, and keep the rest', () => {
    const room = 40
    const add = (n: number): Change => ({
      type: 'insert-picture',
      stepId: steps[0].id,
      picture: { id: String(n).padStart(21, 'x') as PictureId, alt: '' },
      after: null,
    })
    const theirs = Array.from({ length: room - 1 }, (_, n) => add(n))
    const result = meet([add(100), add(101), write(1, 'mine')], theirs)
    expect(result.conflicts).toMatchObject([{ reason: 'limit', limit: 'pictures', mine: add(101) }])
    expect(result.applied).toHaveLength(2)
  })
  it('loses no words: each change lands or comes back as a conflict', () => {
    const anyChange = fc.oneof(
      fc.tuple(fc.nat(3), fc.constantFrom('a', 'b', 'c')).map(([index, text]) => write(index, text)),
      fc.nat(3).map(remove),
    )
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 6 }), fc.array(anyChange, { maxLength: 6 }), (mine, theirs) => {
        const result = meet(mine, theirs)
        const landed = JSON.stringify(result.document)
        const returned = JSON.stringify(result.conflicts)
        const removedByMe = new Set(result.applied.flatMap((change) => (change.type === 'remove-item' ? [change.itemId as string] : [])))
        const lastWords = new Map(
          mine.flatMap((change) =>
            change.type === 'set-step' && !removedByMe.has(change.stepId) ? [[change.stepId, change] as const] : [],
          ),
        )
        const removedBefore = new Set(mine.flatMap((change) => (change.type === 'remove-item' ? [change.itemId as string] : [])))
        for (const [stepId, change] of lastWords)
          if (!removedBefore.has(stepId))
            expect(landed.includes(JSON.stringify(change.fields.body)) || returned.includes(JSON.stringify(change.fields.body))).toBe(true)
      }),
    )
  })
})
