import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Flow, GuideDocument, Step } from '../guides'
import { canFinish, choicesAt, isClosed, leftToDo, MOST_ROUNDS, openTo, type Play, type PlayerEffect } from './moves'
import { begin, recall, reduce, resume, type PlayerEvent } from './player'
import { scoreOf } from './score'
import { END } from '../flow'
import { PlayerState } from './state'
import { acting, ANYBODY, click, elementAt, guideOf, heading, PICTURE, playOf, says } from './testing'
import type { Way } from '../ways'

const [one, two, three, four] = [says('One'), says('Two'), says('Three'), says('Four')]
const save = acting(says('Save'))
const customer = acting(says('Type the customer'), 'type', { value: 'Copper Ladle' })
type Doing = PlayerEvent extends infer E ? (E extends PlayerEvent ? Omit<E, 'at'> : never) : never

const run = (play: Play, state: PlayerState, events: readonly Doing[], from = 1_000) => {
  const effects: PlayerEffect[] = []
  events.forEach((event, n) => {
    const next = reduce(state, { ...event, at: from + n * 1_000 } as PlayerEvent, play)
    state = next.state
    effects.push(...next.effects)
  })
  return { state, effects, told: effects.flatMap((each) => (each.do === 'tell' ? [each] : [])) }
}
const go = (way: Way, document: GuideDocument, events: readonly Doing[], person = ANYBODY) => {
  const play = playOf(document, way === 'solo', person)
  const first = begin(way, play, 0)
  const done = run(play, first.state, events)
  return { play, ...done, told: [...first.effects.flatMap((each) => (each.do === 'tell' ? [each] : [])), ...done.told] }
}
const reading = { lastStepId: null, seen: [], acknowledged: [], confirmed: [], finished: false }
const caution = (step: Step): Step => ({ ...step, cautions: [{ id: 'caution-1', level: 'danger', words: 'Hot', acknowledge: true }] })
const next = { type: 'next' as const }

describe('Read', () => {
  const guide = guideOf(one, two, three, four)
  it('goes from the first step to the closing page and is done', () => {
    const { state, told } = go('read', guide, [next, next, next, next, { type: 'finish' }, { type: 'finish' }])
    expect(state).toMatchObject({ at: END, finished: true })
    expect(told.map((each) => each.verb)).toEqual(['step-viewed', 'step-viewed', 'step-viewed', 'step-viewed', 'finished'])
  })
  it('goes on where the person was, or at the first step they have not seen when that one is gone', () => {
    const play = playOf(guide)
    expect(recall(play, { ...reading, lastStepId: three.id, seen: [one.id, three.id] }, 0).state.at).toBe(three.id)
    expect(recall(play, { ...reading, lastStepId: 'gone', seen: ['gone', one.id] }, 0).state).toMatchObject({
      at: two.id,
      seen: [one.id, two.id],
    })
    expect(recall(play, reading, 0).state.at).toBe(one.id)
    expect(recall(play, { ...reading, lastStepId: 'gone', seen: ['gone'], finished: true }, 0).state).toMatchObject({
      at: one.id,
      finished: true,
    })
  })
  it('opens a step only when the one before is confirmed, where the author asks for it', () => {
    const confirmed = { ...guide, confirmSteps: true }
    expect(go('read', confirmed, [next, { type: 'go', to: four.id }]).state.at).toBe(one.id)
    expect(go('read', confirmed, [{ type: 'confirm' }, { type: 'go', to: four.id }]).state.at).toBe(two.id)
    expect(recall(playOf(confirmed), { ...reading, lastStepId: four.id, seen: [four.id], confirmed: [one.id] }, 0).state.at).toBe(two.id)
  })
  it('goes on past a caution only once it is acknowledged, and tells so once', () => {
    const warned = { ...guideOf(caution(one), two, caution(three)), confirmSteps: true }
    expect(go('read', warned, [{ type: 'confirm' }, next]).state).toMatchObject({ at: one.id, confirmed: [] })
    const { state, told } = go('read', { ...warned, confirmSteps: false }, [
      { type: 'acknowledge' },
      { type: 'acknowledge' },
      next,
      { type: 'go', to: END },
    ])
    expect(state.at).toBe(three.id)
    expect(told.filter((each) => each.verb === 'step-acknowledged')).toHaveLength(1)
  })
  it('is not done while a step was jumped over', () => {
    const { state, play } = go('read', guide, [{ type: 'go', to: END }, { type: 'finish' }])
    expect(state.finished).toBe(false)
    expect(leftToDo(play, state)).toEqual([two.id, three.id, four.id])
  })
  it('takes the branch that is chosen, goes back where it came from, and is done without the other', () => {
    const choices = [
      { id: 'known-1', words: 'Known', to: two.id },
      { id: 'new-one', words: 'New', to: three.id },
    ]
    const branched = guideOf(
      { ...one, flow: { choices } },
      { ...two, flow: { choices: [{ id: 'on-to-4', words: 'On', to: four.id }] } },
      three,
      four,
    )
    const chosen = go('read', branched, [next, { type: 'choose', id: 'new-one' }])
    expect(chosen.state.at).toBe(three.id)
    expect(run(chosen.play, chosen.state, [{ type: 'back' }]).state.at).toBe(one.id)
    expect(run(chosen.play, chosen.state, [next, next, { type: 'finish' }]).state).toMatchObject({
      finished: true,
      seen: [one.id, three.id, four.id],
    })
  })
  it('ends a loop that nobody ends', () => {
    const loop = guideOf(one, { ...two, flow: { rules: [{ id: 'again-1', when: { of: 'role', ids: [], not: true }, to: one.id }] } }, three)
    const { state } = go(
      'read',
      loop,
      Array.from({ length: 2 * MOST_ROUNDS + 2 }, () => next),
    )
    expect(state.at).toBe(three.id)
  })
  it('leaves out an optional section when asked to', () => {
    const { state } = go('read', guideOf(one, { ...heading('If you like'), optional: true }, two, three, heading('Then'), four), [
      next,
      { type: 'skip-section' },
    ])
    expect(state.at).toBe(four.id)
  })
  it('leaves it out as well when its first step is passed over, and when a branch leads into its middle', () => {
    const never = { skipWhen: { of: 'role' as const, ids: [], not: true as const } }
    const optional = { ...heading('If you like'), optional: true as const }
    const passed = {
      ...guideOf({ ...one, flow: never }, optional, { ...two, flow: never }, three, heading('Then'), four),
      confirmSteps: true,
    }
    const into = {
      ...guideOf(
        { ...one, flow: { choices: [{ id: 'into-it', words: 'In', to: three.id }] } },
        optional,
        two,
        three,
        heading('Then'),
        four,
      ),
      confirmSteps: true,
    }
    const first = go('read', passed, [{ type: 'skip-section' }])
    expect(first.state.at).toBe(four.id)
    const second = go('read', into, [{ type: 'confirm' }, { type: 'choose', id: 'into-it' }, { type: 'skip-section' }])
    expect(second.state.at).toBe(four.id)
    for (const { play, state } of [first, second]) {
      expect(openTo(play, state)).toContain(four.id)
      expect(resume(state, play, 0).state.at).toBe(four.id)
      expect(run(play, state, [{ type: 'confirm' }, { type: 'finish' }]).state.finished).toBe(true)
    }
  })
})

describe('Watch', () => {
  it('goes on by itself, enters what is typed, stands still when asked, and is done at the end', () => {
    const rule = {
      id: 'copper-1',
      when: { of: 'value' as const, stepId: customer.id, accept: { how: 'same' as const, value: 'copper ladle' } },
      to: four.id,
    }
    const guide = guideOf({ ...customer, flow: { rules: [rule] } }, three, four)
    const { state, play } = go('watch', guide, [{ type: 'pause' }, { type: 'played' }])
    expect(state.at).toBe(customer.id)
    const on = run(play, state, [{ type: 'play' }, { type: 'played' }, { type: 'played' }, { type: 'finish' }])
    expect(on.state).toMatchObject({ at: END, finished: true, values: { [customer.id]: 'Copper Ladle' }, seen: [customer.id, four.id] })
    expect(run(play, on.state, [{ type: 'play' }]).state.at).toBe(customer.id)
  })
})

describe('Practise', () => {
  const guide = guideOf(one, save, customer)
  const act = (doing: Extract<PlayerEvent, { type: 'act' }>['act']): Doing => ({ type: 'act', act: doing })
  it('goes on after the right act only, gives hints that become clearer, and tells what it took', () => {
    const { state, play, told } = go('practise', guide, [act({ do: 'go-on' }), next, act(click('beside')), act(click('beside'))])
    expect(state).toMatchObject({ at: save.id, here: { tries: 2, hint: 2 } })
    const more = run(play, state, [act(click('beside')), act(click('beside')), act(click('element'))])
    expect(more.told[0]).toMatchObject({ verb: 'step-done', stepId: save.id, tries: 5, help: 1, done: true })
    expect(more.state.at).toBe(customer.id)
    expect(told.at(-1)).toEqual({ do: 'tell', verb: 'step-viewed', stepId: save.id })
    const typed = run(play, more.state, [
      act({ do: 'enter', entry: 'x' }),
      act(click('element')),
      act({ do: 'enter', entry: 'copper ladle' }),
      { type: 'finish' },
    ])
    expect(typed.state).toMatchObject({ at: END, finished: true, values: { [customer.id]: 'copper ladle' } })
  })
  it('lets a step that was left out be done after the end, and is finished once', () => {
    const optional = guideOf({ ...heading('If you like'), optional: true }, save, heading('Then'), one)
    const over = go('practise', optional, [{ type: 'skip-section' }, act({ do: 'go-on' }), { type: 'finish' }, { type: 'go', to: save.id }])
    expect(over.state).toMatchObject({ at: save.id, finished: true })
    const done = run(over.play, over.state, [act(click('element')), next, { type: 'finish' }])
    expect(done.state).toMatchObject({ at: END, results: { [save.id]: { tries: 1, done: true } } })
    expect(done.told.map((each) => each.verb)).toEqual(['step-done', 'step-viewed'])
  })
  it('does a step for the person, and counts it as shown', () => {
    const { state: shown, play, told } = go('practise', guide, [{ type: 'show-me' }, act({ do: 'go-on' }), { type: 'show-me' }])
    // It stays where it was shown until the person goes on.
    expect(shown).toMatchObject({ at: save.id, here: { shown: true, done: true } })
    const { state, told: more } = run(play, shown, [next, { type: 'show-me' }, next])
    expect(state).toMatchObject({ at: END, values: { [customer.id]: 'Copper Ladle' } })
    expect([...told, ...more].filter((each) => each.verb === 'step-done').map((each) => 'help' in each && each.help)).toEqual([0, 2, 2])
  })
})

describe('Solo', () => {
  const withTask = (document: GuideDocument) => ({ ...document, solo: { ...document.solo, task: 'Copper Ladle', triesPerStep: 2 } })
  const guide = withTask(guideOf(save, customer, one))
  const act = (doing: Extract<PlayerEvent, { type: 'act' }>['act']): Doing => ({ type: 'act', act: doing })
  it('gives no hints, goes on once the tries are used up, and cannot be jumped about in', () => {
    const { state, play } = go('solo', guide, [act(click('beside')), { type: 'go', to: END }, next, act(click('beside'))])
    expect(state).toMatchObject({ at: customer.id, results: { [save.id]: { tries: 2, help: 0, done: false } } })
    const done = run(play, state, [
      act(click('element')),
      act({ do: 'enter', entry: 'Copper Ladle' }),
      { type: 'back' },
      act({ do: 'go-on' }),
      { type: 'finish' },
    ])
    expect(done.state.finished).toBe(true)
    expect(scoreOf(play.script, done.state, 80)).toMatchObject({ percent: 50, passed: false, judged: 2, rightFirst: 1, missed: [save.id] })
  })
  it('lets a step be left out, which counts as not done', () => {
    const { state } = go('solo', guide, [{ type: 'show-me' }])
    expect(state.results[save.id]).toMatchObject({ done: false, help: 0 })
  })
})

describe('a state that was written down', () => {
  it('is gone on with in another edition, at the first step that is new when its own is gone', () => {
    const play = playOf(guideOf(save, customer, three))
    const { state } = run(play, begin('practise', play, 0).state, [{ type: 'act', act: click('element') }])
    const read = PlayerState.parse(JSON.parse(JSON.stringify(state)))
    expect(read).toEqual(state)
    expect(resume(read, play, 9_000).state).toEqual({ ...state, here: { ...state.here, since: 9_000 } })
    const other = playOf(guideOf(save, three, four))
    expect(resume(read, other, 9_000).state).toMatchObject({ at: three.id, results: { [save.id]: { done: true } } })
    expect(resume({ ...read, at: END, finished: true }, playOf(guideOf(one)), 0).state).toMatchObject({ at: END, finished: true })
  })
  it('practises just those steps that went wrong', () => {
    const play = { ...playOf(guideOf(one, save, two)), script: { ...playOf(guideOf(save)).script } }
    expect(begin('practise', play, 0, { only: [save.id] }).state).toMatchObject({ at: save.id, only: [save.id] })
  })
})

// Guides with branches, loops, gates, optional sections and every kind of thing to do, and anything that can happen to them.
const target = fc.constantFrom('next' as const, 'end' as const, one.id, save.id, customer.id, three.id)
const flow: fc.Arbitrary<Flow | undefined> = fc.option(
  fc.record(
    {
      choices: fc.array(
        target.map((to) => ({ id: `choice-${to.slice(0, 6)}`, words: 'x', to })),
        { maxLength: 2 },
      ),
      rules: fc.array(
        target.map((to) => ({
          id: `rule-${to.slice(0, 6)}`,
          when: { of: 'value' as const, stepId: customer.id, accept: { how: 'same' as const, value: 'Copper Ladle' } },
          to,
        })),
        { maxLength: 2 },
      ),
      skipWhen: fc.constantFrom(
        { of: 'value' as const, stepId: customer.id, accept: { how: 'anything' as const } },
        { of: 'role' as const, ids: [], not: true as const },
      ),
    },
    { requiredKeys: [] },
  ),
  { nil: undefined },
)
const several: Step = {
  ...says('Tick both'),
  pictures: [{ id: PICTURE, alt: '' }],
  exercise: {
    task: {
      kind: 'several',
      elements: [
        { id: 'first-1', element: elementAt(100, 100) },
        { id: 'second-2', element: elementAt(300, 300) },
      ],
    },
  },
}
const anyGuide = fc
  .tuple(fc.tuple(flow, flow, flow, flow), fc.boolean(), fc.boolean(), fc.boolean())
  .map(([flows, confirmSteps, optional, cautions]): GuideDocument => {
    const steps = [cautions ? caution(one) : one, save, customer, several].map((step, n): Step =>
      flows[n] ? { ...step, flow: flows[n] } : step,
    )
    return {
      ...guideOf(
        steps[0]!,
        { ...heading('If you like'), ...(optional ? { optional: true as const } : {}) },
        steps[1]!,
        steps[2]!,
        heading('Then'),
        steps[3]!,
      ),
      confirmSteps,
    }
  })
const anyEvent: fc.Arbitrary<Doing> = fc.oneof(
  fc.constantFrom<Doing>(
    next,
    { type: 'back' },
    { type: 'acknowledge' },
    { type: 'confirm' },
    { type: 'show-me' },
    { type: 'skip-section' },
    { type: 'played' },
    { type: 'pause' },
    { type: 'play' },
    { type: 'ask-out' },
    { type: 'stay' },
    { type: 'finish' },
  ),
  fc.constantFrom(one.id, save.id, customer.id, several.id, END, 'gone').map((to): Doing => ({ type: 'go', to })),
  fc
    .tuple(fc.constantFrom('look' as const, 'read' as const), fc.constantFrom(one.id, save.id, END, 'gone'))
    .map(([type, id]): Doing => ({ type, id })),
  fc.constant<Doing>({ type: 'confirm', stays: true }),
  fc
    .constantFrom('next', 'end', one.id, save.id)
    .chain((to) => fc.constantFrom(`choice-${to.slice(0, 6)}`, `rule-${to.slice(0, 6)}`, 'otherwise'))
    .map((id): Doing => ({ type: 'choose', id })),
  fc
    .constantFrom(
      click('element'),
      click('beside'),
      click({ x: 350, y: 320 }),
      { do: 'enter' as const, entry: 'Copper Ladle' },
      { do: 'enter' as const, entry: 'x' },
      { do: 'go-on' as const },
      { do: 'keys' as const, keys: 'F2' },
    )
    .map((act): Doing => ({ type: 'act', act })),
)

/** Does what the way asks for until the end; says whether it was reached. */
function comesToAnEnd(play: Play, state: PlayerState): boolean {
  for (let turn = 0; turn < 500; turn++) {
    if (state.at === END) return true
    const choices = choicesAt(play, state)
    // Whoever wants to get out of a loop takes another of the ways in turn.
    const choose: Doing = { type: 'choose', id: choices?.ways[turn % choices.ways.length]?.id ?? '' }
    const tries: Doing[] = [
      { type: 'acknowledge' },
      { type: 'confirm' },
      { type: 'act', act: { do: 'go-on' } },
      { type: 'show-me' },
      ...(state.way === 'watch' ? [{ type: 'play' as const }, { type: 'played' as const }] : [next]),
      choose,
    ]
    const before = state.at
    for (const event of tries) {
      state = run(play, state, [event]).state
      if (state.at !== before) break
    }
  }
  return false
}

describe('whatever happens', () => {
  const sequences = fc.tuple(fc.constantFrom<Way>('read', 'watch', 'practise', 'solo'), anyGuide, fc.array(anyEvent, { maxLength: 40 }))
  it('there is a way on to the end from every state, and a way out', () => {
    fc.assert(
      fc.property(sequences, ([way, document, events]) => {
        const { state, play } = go(way, document, events)
        expect(comesToAnEnd(play, state)).toBe(true)
        expect(run(play, state, [{ type: 'ask-out' }]).state.leaving).toBe(true)
        expect(run(play, state, [{ type: 'ask-out' }, { type: 'leave' }]).effects).toContainEqual({ do: 'leave' })
      }),
      { numRuns: 400 },
    )
  })
  it('nobody is ever where they may not be, nothing is finished before its time, and it is told once', () => {
    fc.assert(
      fc.property(sequences, ([way, document, events]) => {
        const { state, play, told } = go(way, document, events)
        if (state.at !== END && way === 'read' && !state.cameFrom[state.at]) expect(openTo(play, state).has(state.at)).toBe(true)
        expect(told.filter((each) => each.verb === 'finished')).toHaveLength(state.finished ? 1 : 0)
        if (state.finished) expect(canFinish(play, state)).toBe(true)
        for (const id of state.confirmed) expect(state.seen).toContain(id)
        if (way === 'read' && state.finished)
          for (const id of state.seen.slice(0, -1)) if (isClosed(play, state, id)) expect(leftToDo(play, state)).toEqual([])
      }),
      { numRuns: 400 },
    )
  })
  it('replaying gives the same state, also when it is written down and taken up again in between', () => {
    fc.assert(
      fc.property(sequences, fc.nat(40), ([way, document, events], cut) => {
        const whole = go(way, document, events)
        const play = playOf(document, way === 'solo')
        const half = run(play, begin(way, play, 0).state, events.slice(0, cut))
        const kept = PlayerState.parse(JSON.parse(JSON.stringify(half.state)))
        expect(run(play, kept, events.slice(cut), 1_000 + Math.min(cut, events.length) * 1_000).state).toEqual(whole.state)
      }),
      { numRuns: 300 },
    )
  })
})
