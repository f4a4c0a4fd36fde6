import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isWorkingDay, USUAL_CALENDAR, type Away, type WorkCalendar } from '../calendar'
import { itemKey } from '../items'
import { addDays, type LocalDate, type StageId } from '../shared'
import {
  isOver,
  planChange,
  PACES,
  PlanDocument,
  simulate,
  standingOf,
  toRelease,
  type PlanFacts,
  type PlannedCheckIn,
  type Release,
  type Stage,
  type StageStanding,
} from './index'
import { checkIn, day, half, key, plan, stage, task } from './testing'

const facts = (start: string, more: Partial<PlanFacts> = {}): PlanFacts => ({
  start: day(start),
  calendar: USUAL_CALENDAR,
  away: [],
  ...more,
})
const holidays = (...days: string[]): WorkCalendar => ({ ...USUAL_CALENDAR, holidays: new Set(days.map(day)) })

describe('a plan for somebody, worked out by hand', () => {
  // Monday 4 January 2027.
  const two = plan([
    stage(1, [
      [1, 1],
      [2, 2],
      [3, 5],
    ]),
    stage(
      2,
      [
        [4, 1],
        [5, 3],
        [6, 3],
        [7, 3],
      ],
      { release: 'both', free: { days: 2, working: true } },
    ),
  ])
  it('begins on its first day, rests for the free days, and ends with its last item', () => {
    const { stages, endsOn, days, startsOn } = simulate(two, facts('2027-01-04'), 'as-planned', half)
    expect(stages.map(({ startsOn: on, endsOn: end }) => [on, end])).toEqual([
      ['2027-01-04', '2027-01-08'],
      ['2027-01-13', '2027-01-15'],
    ])
    expect([startsOn, endsOn]).toEqual(['2027-01-04', '2027-01-15'])
    expect(days.map(({ on, minutes, over }) => [on, minutes, over])).toEqual([
      ['2027-01-04', 30, 0],
      ['2027-01-05', 30, 0],
      ['2027-01-08', 30, 0],
      ['2027-01-13', 30, 0],
      ['2027-01-15', 90, 30],
    ])
  })
  it('starts after a weekend or a holiday on which it would, and gives way to holidays on its way', () => {
    expect(simulate(two, facts('2027-01-02'), 'as-planned', half).startsOn).toBe('2027-01-04')
    expect(simulate(two, facts('2027-01-04', { calendar: holidays('2027-01-04', '2027-01-05') }), 'as-planned', half).startsOn).toBe(
      '2027-01-06',
    )
    const { moved, days } = simulate(two, facts('2027-01-04', { calendar: holidays('2027-01-05') }), 'as-planned', half)
    expect(moved).toEqual({ holiday: 1, away: 0 })
    expect(days.map(({ on }) => on)).toEqual(['2027-01-04', '2027-01-06', '2027-01-11', '2027-01-14', '2027-01-18'])
  })
  it('counts all days where it says so, and moves what would fall on a day off', () => {
    const calendar = { ...two, working: false }
    const { days } = simulate(calendar, facts('2027-01-07'), 'as-planned', half)
    // Thursday; Friday; the fifth day is a Monday.
    expect(days.slice(0, 3).map(({ on }) => on)).toEqual(['2027-01-07', '2027-01-08', '2027-01-11'])
    const weekend = plan([stage(1, [[1, 3]])], { working: false })
    expect(simulate(weekend, facts('2027-01-07'), 'as-planned', half).days[0]!.on).toBe('2027-01-11')
  })
  it('waits while somebody is away, or it is held for them', () => {
    const away: Away[] = [{ from: day('2027-01-06'), until: day('2027-01-19') }]
    const { days, moved } = simulate(two, facts('2027-01-04', { away }), 'as-planned', half)
    expect(days.map(({ on }) => on)).toEqual(['2027-01-04', '2027-01-05', '2027-01-22', '2027-01-27', '2027-01-29'])
    expect(moved.away).toBe(1)
    const first: Away[] = [{ from: day('2027-01-04'), until: day('2027-01-08') }]
    expect(simulate(two, facts('2027-01-04', { away: first }), 'as-planned', half).startsOn).toBe('2027-01-11')
  })
  it.each<[Release, string | null, string | null]>([
    // Three working days late: the first stage ends on Wednesday 13 instead of Friday 8.
    ['date', '2027-01-13', '2027-01-13'],
    ['completion', '2027-01-18', null],
    ['both', '2027-01-18', null],
  ])('released by %s, the second stage waits as that says when somebody is slow, and when they do nothing', (release, slow, nothing) => {
    const [first, second] = two.stages as [Stage, Stage]
    const changed = { ...two, stages: [first, { ...second, release }] }
    const second_ = (pace: (typeof PACES)[number]) => simulate(changed, facts('2027-01-04'), pace, half).stages[1]!.startsOn
    expect([second_('slow'), second_('nothing')]).toEqual([slow, nothing])
  })
  it('says where somebody gets stuck who does nothing', () => {
    const { endsOn, stuckAt } = simulate(two, facts('2027-01-04'), 'nothing', half)
    expect([endsOn, stuckAt]).toEqual([null, two.stages[1]!.id])
  })
  it('does not wait for what is optional, and lets early birds on where completion is enough', () => {
    const early = plan([
      stage(1, [
        [1, 5],
        [2, 5, true],
      ]),
      stage(2, [[3, 1]], { release: 'completion' }),
    ])
    const released = new Map([[early.stages[0]!.id, day('2027-01-04')]])
    const standings = standingOf(early, facts('2027-01-04'), { released, done: new Map([[key(1), day('2027-01-05')]]) })
    expect(standings[0]!.finishedOn).toBe('2027-01-05')
    expect(standings[1]).toMatchObject({ startsOn: '2027-01-06', released: false })
    expect(toRelease(standings, day('2027-01-05'))).toEqual([])
    expect(toRelease(standings, day('2027-01-06')).map((each) => each.id)).toEqual([early.stages[1]!.id])
    expect(isOver(standings)).toBe(false)
  })
  it('may be longer than a year, with 300 items', () => {
    const long = plan(
      Array.from({ length: 60 }, (_, s) =>
        stage(
          s + 1,
          Array.from({ length: 5 }, (__, n) => [s * 5 + n, 1 + n] as [number, number]),
        ),
      ),
    )
    expect(PlanDocument.safeParse(long).success).toBe(true)
    const { stages, endsOn } = simulate(long, facts('2027-01-04'), 'as-planned', half)
    expect([stages.length, endsOn! > '2028-01-04']).toEqual([60, true])
  })
})

describe('any plan, for anybody, at any pace', () => {
  const date = fc.integer({ min: 0, max: 400 }).map((n) => addDays(day('2026-11-02'), n))
  const someFacts = fc.record({
    start: date,
    calendar: fc.array(date, { maxLength: 8 }).map((days): WorkCalendar => ({ ...USUAL_CALENDAR, holidays: new Set(days) })),
    away: fc.array(
      fc.tuple(date, fc.integer({ min: 0, max: 20 })).map(([from, n]) => ({ from, until: addDays(from, n) })),
      { maxLength: 3 },
    ),
  })
  const aStage = fc.record({
    release: fc.constantFrom<Release>('date', 'completion', 'both'),
    free: fc.record({ days: fc.integer({ min: 0, max: 6 }), working: fc.boolean() }),
    items: fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.boolean()), { maxLength: 4 }),
    checkIns: fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 2 }),
  })
  const somePlan = fc.tuple(fc.array(aStage, { minLength: 1, maxLength: 5 }), fc.boolean()).map(([stages, working]) => {
    let n = 0
    return plan(
      stages.map(({ items, checkIns, ...more }, s) => ({
        ...stage(s, []),
        ...more,
        items: items.map(([on, optional]) => ({ item: task(n++), day: on, optional })),
        checkIns: checkIns.map((on) => checkIn(n++, on)),
      })),
      { working },
    )
  })
  it('asks for nothing on a day on which nobody works or they are away, in the order of the stages', () =>
    fc.assert(
      fc.property(somePlan, someFacts, fc.constantFrom(...PACES), (any, who, pace) => {
        const { stages, endsOn, done } = simulate(any, who, pace, half)
        const isHere = (on: LocalDate) => isWorkingDay(who.calendar, on) && !who.away.some(({ from, until }) => from <= on && on <= until)
        const starts = stages.flatMap(({ startsOn }) => startsOn ?? [])
        expect(starts).toEqual([...starts].sort())
        expect(new Set(starts).size).toBe(starts.length)
        const asked = stages.flatMap(({ checkIns }) => checkIns.map(({ on }) => on))
        for (const on of [...starts, ...asked, ...stages.flatMap(({ items }) => items.map(({ dueOn }) => dueOn))])
          expect([on, isHere(on)]).toEqual([on, true])
        if (pace !== 'nothing') expect(endsOn).not.toBeNull()
        if (pace === 'as-planned')
          for (const { items } of stages) for (const { item, dueOn } of items) expect(done.get(itemKey(item))).toBe(dueOn)
      }),
    ))
  it('is carried out, day by day, as it was simulated', () =>
    fc.assert(
      fc.property(somePlan, someFacts, fc.constantFrom(...PACES), (any, who, pace) => {
        const simulated = simulate(any, who, pace, half)
        const [released, done] = [new Map<StageId, LocalDate>(), new Map<string, LocalDate>()]
        let today = addDays(who.start, -1)
        for (let n = 0; n < 400; n++, today = addDays(today, 1)) {
          for (const [each, on] of simulated.done) if (on === addDays(today, -1)) done.set(each, on)
          const standings = standingOf(any, who, { released, done })
          for (const { id: due } of toRelease(standings, today)) released.set(due, today)
        }
        const carriedOut = standingOf(any, who, { released, done })
        const said = ({ id: of, startsOn, items, checkIns }: StageStanding) => [of, startsOn, items, checkIns]
        expect(carriedOut.filter((each) => each.released).map(said)).toEqual(
          simulated.stages.filter(({ startsOn }) => startsOn !== null && startsOn < today).map(said),
        )
      }),
      { numRuns: 25 },
    ))
})

describe('a plan that is changed while somebody goes through it', () => {
  const before = plan([
    stage(1, [
      [1, 1],
      [2, 2],
      [3, 3],
    ]),
    stage(2, [[4, 1]], { release: 'completion' }),
  ])
  const [first, second] = before.stages as [Stage, Stage]
  const released = new Map([[first.id, day('2027-01-04')]])
  const done = new Map([[key(1), day('2027-01-04')]])
  const standings = (of: PlanDocument) => standingOf(of, facts('2027-01-04'), { released, done })
  it('shows what comes, goes and moves of the stages that they have come to, and leaves alone what is done', () => {
    const after = plan([
      stage(1, [
        [1, 5],
        [3, 4],
        [5, 2],
      ]),
      second,
    ])
    expect(planChange(standings(before), standings(after), done, new Set())).toEqual({
      comes: [{ item: task(5) }],
      goes: [{ item: task(2) }],
      moves: [{ part: { item: task(3) }, from: '2027-01-06', to: '2027-01-07' }],
      isChanged: true,
    })
  })
  it('says the same of check-ins, and leaves alone those that were asked', () => {
    const of = (...checkIns: PlannedCheckIn[]) => standings(plan([{ ...first, checkIns }, second]))
    const [was, becomes] = [of(checkIn(1, 1), checkIn(2, 2), checkIn(3, 3)), of(checkIn(2, 4), checkIn(4, 1))]
    const ids = { gone: checkIn(1, 1).id, moved: checkIn(2, 2).id, asked: checkIn(3, 3).id, fresh: checkIn(4, 1).id }
    expect(planChange(was, becomes, done, new Set([ids.asked]))).toEqual({
      comes: [{ checkIn: ids.fresh }],
      goes: [{ checkIn: ids.gone }],
      moves: [{ part: { checkIn: ids.moved }, from: '2027-01-05', to: '2027-01-07' }],
      isChanged: true,
    })
  })
  it('touches nobody with what is still to come', () => {
    const after = plan([
      first,
      stage(
        2,
        [
          [4, 3],
          [6, 1],
        ],
        { release: 'completion' },
      ),
    ])
    expect(planChange(standings(before), standings(after), done, new Set()).isChanged).toBe(false)
    const optional = plan([
      stage(1, [
        [1, 1],
        [2, 2, true],
        [3, 3],
      ]),
      second,
    ])
    expect(planChange(standings(before), standings(optional), done, new Set())).toMatchObject({ comes: [], moves: [], isChanged: true })
  })
})

describe('a check-in in a plan', () => {
  it('lies on a day of its stage, which lasts until it, and holds nobody up', () => {
    const asked = plan([
      stage(1, [[1, 1]], { checkIns: [checkIn(1, 5)] }),
      stage(2, [[2, 1]], { release: 'completion' }),
      stage(3, [[3, 1]], { release: 'both' }),
    ])
    const { stages } = simulate(asked, facts('2027-01-04', { calendar: holidays('2027-01-08') }), 'as-planned', half)
    // Friday is a holiday: they are asked on Monday.
    expect(stages[0]!.checkIns).toEqual([{ id: checkIn(1, 5).id, on: '2027-01-11' }])
    expect(stages.map(({ startsOn, endsOn }) => [startsOn, endsOn])).toEqual([
      ['2027-01-04', '2027-01-11'],
      ['2027-01-05', '2027-01-05'],
      ['2027-01-06', '2027-01-06'],
    ])
  })
})
