import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemKey } from '../items'
import type { StageId } from '../shared'
import {
  addCheckIn,
  addItems,
  addStage,
  findPart,
  moveStageBy,
  placePart,
  PlanDocument,
  planFrom,
  removePart,
  removeStage,
  setCheckIn,
  STARTERS,
  timeLineOf,
  type PlannedCheckIn,
  type PlanPart,
  type Stage,
} from './index'
import { checkIn, half, id, plan, stage, task } from './testing'

describe('any plan, however it is written', () => {
  const days = fc.integer({ min: -5, max: 500 })
  const change = fc.oneof(
    fc.record({ does: fc.constant('place' as const), part: fc.nat(20), stage: fc.nat(5), day: days }),
    fc.record({ does: fc.constant('remove' as const), part: fc.nat(20) }),
    fc.record({ does: fc.constant('add' as const), stage: fc.nat(5), n: fc.nat(12) }),
    fc.record({ does: fc.constant('stage' as const), stage: fc.nat(5), places: fc.integer({ min: -6, max: 6 }) }),
  )
  const partsOf = ({ stages }: PlanDocument): PlanPart[] =>
    stages.flatMap(({ items, checkIns = [] }) => [
      ...items.map(({ item }) => ({ item })),
      ...checkIns.map((each) => ({ checkIn: each.id })),
    ])
  const names = (of: PlanDocument) =>
    partsOf(of)
      .map((part) => ('item' in part ? itemKey(part.item) : part.checkIn))
      .sort()
  it('holds what it held but for what is added or taken out, and can be stored', () =>
    fc.assert(
      fc.property(fc.array(change, { maxLength: 25 }), (changes) => {
        let written = plan([
          stage(
            1,
            [
              [1, 1],
              [2, 3, true],
            ],
            { checkIns: [checkIn(1, 2)] },
          ),
          stage(2, [[3, 2]], { checkIns: [checkIn(2, 1), checkIn(3, 9)] }),
          stage(3, [[4, 1]]),
        ])
        for (const each of changes) {
          const [before, parts] = [names(written), partsOf(written)]
          const to = written.stages[('stage' in each ? each.stage : 0) % written.stages.length]!.id
          const part = parts.length > 0 && 'part' in each ? parts[each.part % parts.length] : undefined
          if (each.does === 'place' && part) {
            written = placePart(written, part, to, each.day)
            expect(names(written)).toEqual(before)
            expect(findPart(written, part)).toMatchObject({ stage: { id: to }, day: Math.min(400, Math.max(1, each.day)) })
          } else if (each.does === 'remove' && part) {
            written = removePart(written, part)
            expect([names(written).length, findPart(written, part)]).toEqual([before.length - 1, undefined])
          } else if (each.does === 'add') {
            written = addItems(written, to, [task(each.n), task(each.n)])
            expect(new Set(names(written)).size).toBe(names(written).length)
          } else if (each.does === 'stage') {
            written = moveStageBy(written, to, each.places)
            expect(names(written)).toEqual(before)
          }
        }
        expect(PlanDocument.safeParse(written).success).toBe(true)
        const { stages, length } = timeLineOf(written, half)
        expect(
          stages.every(({ items, checkIns, from, until }) => [...items, ...checkIns].every(({ on }) => from <= on && on <= until)),
        ).toBe(true)
        expect(length).toBe(stages.at(-1)!.until)
      }),
    ))
})

describe('a check-in of a plan that is written', () => {
  it('is added, moved, changed and taken out', () => {
    const [first, second] = [stage(1, [[1, 4]]), stage(2, [[2, 1]])]
    const { id: of, ...said } = checkIn(1, 1)
    const on = (document: PlanDocument) => document.stages.map(({ checkIns = [] }) => checkIns.map((each) => each.day))
    const added = addCheckIn(plan([first, second]), first.id, { id: of, name: said.name, questions: said.questions })
    expect(on(added)).toEqual([[4], []])
    expect(on(placePart(added, { checkIn: of }, first.id, -2))).toEqual([[1], []])
    const moved = placePart(added, { checkIn: of }, second.id, 6)
    expect(on(moved)).toEqual([[], [6]])
    expect(placePart(moved, { checkIn: of }, second.id, 6)).toBe(moved)
    expect(placePart(moved, { checkIn: of }, id<StageId>(9, 's'), 6)).toBe(moved)
    expect(setCheckIn(moved, of, { name: 'Look back' }).stages[1]!.checkIns![0]).toMatchObject({ name: 'Look back', day: 6 })
    expect(findPart(moved, { checkIn: of })).toMatchObject({ stage: { id: second.id }, day: 6 })
    expect(on(removePart(moved, { checkIn: of }))).toEqual([[], []])
    for (const each of [added, moved, removePart(moved, { checkIn: of })]) expect(PlanDocument.safeParse(each).success).toBe(true)
  })
  it('is not taken twice, without a question, or in such numbers as nobody answers', () => {
    const fits = (...checkIns: PlannedCheckIn[]) => PlanDocument.safeParse(plan([{ ...stage(1, [[1, 1]]), checkIns }])).success
    const many = (n: number) => Array.from({ length: n }, (_, at) => checkIn(at, 1))
    expect([fits(checkIn(1, 1), checkIn(1, 2)), fits({ ...checkIn(1, 1), questions: [] }), fits(...many(40)), fits(...many(41))]).toEqual([
      ...[false, false, true, false],
    ])
    const [question] = checkIn(1, 1).questions
    expect(fits({ ...checkIn(1, 1), questions: [question!, question!] })).toBe(false)
  })
})

describe('the time line of a plan as it is written', () => {
  const drawn = plan([
    stage(1, [
      [1, 1],
      [2, 3],
    ]),
    stage(
      2,
      [
        [3, 2],
        [4, 2],
        [5, 2],
        [6, 1, true],
      ],
      { free: { days: 2, working: false } },
    ),
  ])
  it('has day 1 first, free days between, and the load of each day', () => {
    const { stages, days, length } = timeLineOf(drawn, half)
    expect(stages.map(({ freeFrom, from, until }) => [freeFrom, from, until])).toEqual([
      [1, 1, 3],
      [4, 6, 7],
    ])
    expect(days).toEqual([
      { day: 1, minutes: 30, over: 0 },
      { day: 3, minutes: 30, over: 0 },
      { day: 7, minutes: 90, over: 30 },
    ])
    expect(length).toBe(7)
  })
  it('begins from one of five, each a plan that holds', () => {
    let n = 0
    const all = STARTERS.map((starter) => planFrom(starter, starter.title, <I extends string>() => id<I>(n++, 's')))
    expect(all.map((each) => PlanDocument.safeParse(each).success)).toEqual([true, true, true, true, true])
  })
  it('is changed by moving items and stages, and never holds one twice', () => {
    const [first, second] = drawn.stages as [Stage, Stage]
    const days = (of: PlanDocument, n: number) => of.stages[n]!.items.map(({ item, day: on }) => [item, on])
    expect(days(placePart(placePart(drawn, { item: task(2) }, first.id, 7), { item: task(1) }, first.id, -2), 0)).toEqual([
      [task(1), 1],
      [task(2), 7],
    ])
    expect(days(placePart(drawn, { item: task(1) }, second.id, 0), 1).at(-1)).toEqual([task(1), 1])
    expect(days(addItems(drawn, first.id, [task(6), task(9)]), 0).at(-1)).toEqual([task(9), 3])
    expect(moveStageBy(drawn, second.id, -5).stages.map((each) => each.id)).toEqual([second.id, first.id])
    expect(removeStage(removeStage(drawn, first.id), second.id).stages).toHaveLength(1)
    expect(addStage(drawn, id<StageId>(3, 's'), 'Third').stages).toHaveLength(3)
    for (const changed of [placePart(drawn, { item: task(1) }, second.id, 3), addItems(drawn, first.id, [task(1)])])
      expect(PlanDocument.safeParse(changed).success).toBe(true)
    expect(PlanDocument.safeParse({ ...drawn, stages: [first, { ...second, items: first.items }] }).success).toBe(false)
  })
})
