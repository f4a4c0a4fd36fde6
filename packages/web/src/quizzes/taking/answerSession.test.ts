import type { Answer } from '@jackdaw/core/quizzes'
import type { QuestionId } from '@jackdaw/core/shared'
import { beforeEach, expect, it } from 'vitest'
import { AnswerSession, type Saved } from './answerSession'
import type { AnswerState } from './answerState'

const id = 'q'.repeat(21) as QuestionId
const words = (text: string): Answer => ({ kind: 'text', answer: { words: text } })
type Saving = { answer: Answer | null; revision: number; end: (saved: Saved) => Promise<void> }

let savings: Saving[]
let planned: { work: () => void; ms: number }[]
let shown: AnswerState | undefined
let over: number
let session: AnswerSession
const begin = (first: [QuestionId, AnswerState][] = []) =>
  new AnswerSession(new Map(first), {
    save: (_id, answer, revision) =>
      new Promise((resolve) =>
        savings.push({
          ...{ answer, revision },
          end: async (saved) => {
            resolve(saved)
            await Promise.resolve()
            await Promise.resolve()
          },
        }),
      ),
    changed: (answers) => void (shown = answers.get(id)),
    over: () => void over++,
    later: (work, ms) => {
      const plan = { work, ms }
      planned.push(plan)
      return () => void (planned = planned.filter((each) => each !== plan))
    },
  })
/** Does what was planned. */
const wait = () => {
  const due = planned
  planned = []
  for (const { work } of due) work()
}
beforeEach(() => {
  savings = []
  planned = []
  shown = undefined
  over = 0
  session = begin()
})

it('saves what was typed once somebody rests, on the revision that was saved before', async () => {
  session.answer(id, words('p'))
  session.answer(id, words('pump'))
  expect([planned.length, savings.length, shown?.state]).toEqual([1, 0, 'waits'])
  wait()
  expect(savings).toMatchObject([{ answer: words('pump'), revision: 0 }])
  await savings[0]!.end({ to: 'saved', revision: 1 })
  expect(shown).toEqual({ answer: words('pump'), revision: 1, state: 'saved' })
})
it('saves what is given while a saving is on its way after it, and never two of one question at once', async () => {
  session.answer(id, words('one'), true)
  wait()
  session.answer(id, words('two'), true)
  wait()
  expect(savings).toHaveLength(1)
  await savings[0]!.end({ to: 'saved', revision: 1 })
  await Promise.resolve()
  wait()
  expect(savings[1]).toMatchObject({ answer: words('two'), revision: 1 })
  await savings[1]!.end({ to: 'saved', revision: 2 })
  expect(shown).toEqual({ answer: words('two'), revision: 2, state: 'saved' })
})
it('tries again by itself when the server is not there, with what was given last', async () => {
  session.answer(id, words('one'))
  wait()
  await savings[0]!.end({ to: 'retries' })
  expect([shown?.state, planned.map(({ ms }) => ms)]).toEqual(['retries', [3_000]])
  session.answer(id, words('two'))
  wait()
  expect(savings[1]).toMatchObject({ answer: words('two'), revision: 0 })
})
it('keeps both where another window has saved another answer, also what was typed meanwhile', async () => {
  const theirs = { answer: words('theirs'), revision: 4 }
  session.answer(id, words('mine'))
  wait()
  session.answer(id, words('mine, longer'))
  await savings[0]!.end({ to: 'clash', theirs })
  expect(shown).toEqual({ answer: words('mine, longer'), revision: 0, state: 'clash', theirs })
  session.choose(id, 'mine')
  expect(savings.at(-1)).toMatchObject({ answer: words('mine, longer'), revision: 4 })
  await savings.at(-1)!.end({ to: 'clash', theirs })
  session.choose(id, 'theirs')
  expect(shown).toEqual({ ...theirs, state: 'saved' })
})
it('says that it was too late, and tells the page that the time is over', async () => {
  session.answer(id, words('late'), true)
  wait()
  await savings[0]!.end({ to: 'too-late' })
  expect([shown?.state, over]).toEqual(['too-late', 1])
})
it('hands in only once all is saved or decided', async () => {
  session = begin([[id, { answer: words('kept'), revision: 2, state: 'waits' }]])
  const all = session.flush()
  expect(savings).toMatchObject([{ answer: words('kept'), revision: 2 }])
  await savings[0]!.end({ to: 'retries' })
  expect(await all).toBe(false)
  const again = session.flush()
  await savings[1]!.end({ to: 'saved', revision: 3 })
  expect(await again).toBe(true)
})
