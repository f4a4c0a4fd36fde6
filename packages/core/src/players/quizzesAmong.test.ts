import { describe, expect, it } from 'vitest'
import { END, numberAt } from '../flow'
import { emptyDocument, findingsBeforePublishing, type GuideDocument, type GuideQuiz } from '../guides'
import { seededIds, type GuideQuizId, type QuizId } from '../shared'
import { ALL_WAYS, type Way } from '../ways'
import { actingScriptOf } from './actingScript'
import { canFinish, isClosed, leftToDo, openTo, type Play, type Played } from './moves'
import { begin, recall, reduce, resume, type PlayerEvent } from './player'
import { ANYBODY, acting, guideOf, heading, says } from './testing'

const ids = seededIds(301)
const aQuiz = (need: GuideQuiz['need']): GuideQuiz => ({ kind: 'quiz', id: ids() as GuideQuizId, quizId: ids() as QuizId, need })
const [one, two, three] = [acting(says('Open the form')), acting(says('Enter the name')), says('Look at it')]
const quiz = aQuiz('passed')
const guide = guideOf(one, quiz, two, three)
const played = (document: GuideDocument, way: Way, settled: readonly string[] = []): Play => ({
  ...{ script: actingScriptOf(document, way), person: ANYBODY, triesPerStep: 0, settled: new Set(settled) },
})
/** Plays on from a state, one event after the other. */
const after = (play: Play, from: Played, ...events: Omit<PlayerEvent, 'at'>[]): Played =>
  events.reduce<Played>(
    ({ state, effects }, event) => {
      const next = reduce(state, { ...event, at: 1_000 } as PlayerEvent, play)
      return { state: next.state, effects: [...effects, ...next.effects] }
    },
    { state: from.state, effects: [] },
  )

describe('a quiz among the steps', () => {
  it.each([
    ['read', [one.id, quiz.id, 'free', two.id]],
    ['watch', [one.id, quiz.id, two.id]],
    ['practise', [one.id, quiz.id, two.id]],
    ['solo', [one.id, two.id]],
  ] as const)('stands in the way of %s as far as that way meets it', (way, expected) => {
    const free = { ...aQuiz('nothing'), id: 'free' as GuideQuizId }
    expect(actingScriptOf(guideOf(one, quiz, free, two), way).steps.map(({ id }) => id)).toEqual(expected)
    expect(ALL_WAYS).toContain(way)
  })
  it('is left out where only some steps are practised again', () => {
    expect(actingScriptOf(guide, 'practise', [two.id]).steps.map(({ id }) => id)).toEqual([two.id])
  })
  it('has no number: those of the steps go on behind it', () => {
    const { script } = played(guide, 'read')
    expect(script.steps.map((_, at) => numberAt(script, at))).toEqual([1, 1, 2, 3])
    expect(numberAt(script, script.steps.length)).toBe(3)
  })
  it('closes what follows until it is settled, and tells the record nothing of itself', () => {
    const closed = played(guide, 'read')
    const at = after(closed, begin('read', closed, 0), { type: 'next' })
    expect(at.state.at).toBe(quiz.id)
    expect(at.effects).toEqual([{ do: 'show', stepId: quiz.id }])
    expect(isClosed(closed, at.state, quiz.id)).toBe(true)
    expect([...openTo(closed, at.state)].sort()).toEqual([one.id, quiz.id].sort())
    for (const event of [{ type: 'next' }, { type: 'confirm' }, { type: 'acknowledge' }, { type: 'show-me' }] as const)
      expect(after(closed, at, event)).toEqual({ state: at.state, effects: [] })
    // Whoever wants to go further gets as far as the quiz.
    expect(after(closed, begin('read', closed, 0), { type: 'go', to: three.id } as never).state.at).toBe(quiz.id)
    const open = played(guide, 'read', [quiz.id])
    expect(after(open, at, { type: 'next' }).state.at).toBe(two.id)
    expect(openTo(open, at.state)).toEqual(new Set([one.id, quiz.id, two.id, three.id, END]))
  })
  it('is still to be done before the guide is finished, even for whoever has seen every step', () => {
    const all = [one.id, two.id, three.id]
    const known = { lastStepId: three.id, seen: all, acknowledged: [], confirmed: [], finished: false }
    const closed = played(guide, 'read')
    // A result was put right afterwards: it begins where it is closed now.
    const { state } = recall(closed, known, 0)
    expect([state.at, leftToDo(closed, state), canFinish(closed, state)]).toEqual([quiz.id, [quiz.id], false])
    const open = played(guide, 'read', [quiz.id])
    expect(canFinish(open, recall(open, known, 0).state)).toBe(true)
  })
  it('that is not needed keeps nobody back', () => {
    const free = guideOf(one, aQuiz('nothing'), two)
    const play = played(free, 'read', [])
    const end = after(play, begin('read', play, 0), { type: 'next' }, { type: 'next' }, { type: 'next' })
    expect([end.state.at, canFinish(play, end.state)]).toEqual([END, true])
  })
  it('is not confirmed like a step', () => {
    const play = played({ ...guide, confirmSteps: true }, 'read', [quiz.id])
    const at = after(play, begin('read', play, 0), { type: 'confirm' })
    expect(at.state.at).toBe(quiz.id)
    expect(after(play, at, { type: 'confirm' }).state.confirmed).toEqual([one.id])
    expect(after(play, at, { type: 'next' }).state.at).toBe(two.id)
  })
  it('comes first where the guide begins with it', () => {
    const before = guideOf(quiz, one, two)
    const play = played(before, 'read')
    expect(begin('read', play, 0).state.at).toBe(quiz.id)
    expect([...openTo(play, begin('read', play, 0).state)]).toEqual([quiz.id])
  })
  it('stops what plays by itself, and is not done by acting', () => {
    const watch = played(guide, 'watch')
    const at = after(watch, begin('watch', watch, 0), { type: 'played' })
    expect(at.state.at).toBe(quiz.id)
    expect(after(watch, at, { type: 'played' }).state).toEqual(at.state)
    const practise = played(guide, 'practise')
    const there = resume(
      { ...begin('practise', practise, 0).state, at: quiz.id, results: { [one.id]: { tries: 1, help: 0, done: true, ms: 5 } } },
      practise,
      0,
    )
    expect(there.state.at).toBe(quiz.id)
    expect(after(practise, there, { type: 'act', act: { do: 'go-on' } } as never)).toEqual({ state: there.state, effects: [] })
    expect(after(played(guide, 'practise', [quiz.id]), there, { type: 'next' }).state.at).toBe(two.id)
  })
  it('is passed over with the optional section in which it stands', () => {
    const play = played(
      guideOf(heading('Start'), one, { ...heading('Only some'), optional: true }, quiz, two, heading('End'), three),
      'read',
    )
    const at = after(play, begin('read', play, 0), { type: 'next' })
    expect(at.state.at).toBe(quiz.id)
    expect(after(play, at, { type: 'skip-section' }).state.at).toBe(three.id)
  })
})

describe('publishing a guide with a quiz among its steps', () => {
  it('needs the quiz to be one that can be taken', () => {
    const document = { ...emptyDocument('Filter', 'how-to'), items: [one, quiz] }
    expect(findingsBeforePublishing(document, new Set())).toEqual([{ reason: 'quiz-not-there', itemId: quiz.id }])
    expect(findingsBeforePublishing(document, new Set([quiz.quizId]))).toEqual([])
  })
})
