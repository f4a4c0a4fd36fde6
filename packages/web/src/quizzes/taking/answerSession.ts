import type { Answer } from '@jackdaw/core/quizzes'
import type { QuestionId } from '@jackdaw/core/shared'
import { isPending, NOTHING, type AnswerState } from './answerState'

/** What came of saving an answer. */
export type Saved =
  | { to: 'saved'; revision: number }
  | { to: 'retries' }
  | { to: 'too-late' }
  | { to: 'refused'; why: string }
  | { to: 'clash'; theirs: { answer: Answer | null; revision: number } }

/** What an answer session needs of the world. `later`: does something after so many milliseconds, unless what it gives back is called before. */
export type AnswerPorts = {
  save: (id: QuestionId, answer: Answer | null, revision: number) => Promise<Saved>
  changed: (answers: ReadonlyMap<QuestionId, AnswerState>) => void
  over: () => void
  later: (work: () => void, ms: number) => () => void
}

/** So long after the last key an answer is saved. */
const REST_MS = 350
/** So long after a failure it is tried again. */
const AGAIN_MS = 3_000

/** The answers of an attempt while somebody gives them: each is saved as it is given, one saving of a question at a time, and what is given while one is on
 * its way is saved after it. */
export class AnswerSession {
  private readonly running = new Map<QuestionId, Promise<void>>()
  private readonly timers = new Map<QuestionId, () => void>()

  constructor(
    private answers: ReadonlyMap<QuestionId, AnswerState>,
    private readonly ports: AnswerPorts,
  ) {}

  /** Takes an answer. @param atOnce it is said by one press, and not typed */
  answer(id: QuestionId, given: Answer | null, atOnce = false): void {
    const { revision } = this.answers.get(id) ?? NOTHING
    this.put(id, { answer: given, revision, state: 'waits' })
    this.soon(id, atOnce ? 0 : REST_MS)
  }

  /** Takes one of two answers where another window had saved another one. */
  choose(id: QuestionId, which: 'mine' | 'theirs'): void {
    const state = this.answers.get(id)
    if (!state?.theirs) return
    const { answer, theirs } = state
    this.put(id, which === 'theirs' ? { ...theirs, state: 'saved' } : { answer, revision: theirs.revision, state: 'waits' })
    if (which === 'mine') void this.send(id)
  }

  /** Saves all that waits. @returns whether nothing is left that has to be saved or decided */
  async flush(): Promise<boolean> {
    await Promise.all([...this.answers.keys()].map((id) => this.send(id)))
    return [...this.answers.values()].every(({ state }) => state === 'saved' || state === 'too-late')
  }

  /** Plans nothing more; what is on its way goes on. */
  end(): void {
    for (const cancel of this.timers.values()) cancel()
    this.timers.clear()
  }

  private put(id: QuestionId, state: AnswerState): void {
    this.answers = new Map([...this.answers, [id, state]])
    this.ports.changed(this.answers)
  }

  private soon(id: QuestionId, ms: number): void {
    this.timers.get(id)?.()
    this.timers.set(
      id,
      this.ports.later(() => void this.send(id), ms),
    )
  }

  private send(id: QuestionId): Promise<void> {
    this.timers.get(id)?.()
    this.timers.delete(id)
    const already = this.running.get(id)
    if (already) return already.then(() => this.send(id))
    const state = this.answers.get(id)
    if (!state || !isPending(state)) return Promise.resolve()
    const sending = this.ports.save(id, state.answer, state.revision).then((saved) => {
      this.running.delete(id)
      this.take(id, state, saved)
    })
    this.running.set(id, sending)
    return sending
  }

  /** What came of saving an answer, of which another one may have been given meanwhile. */
  private take(id: QuestionId, sent: AnswerState, saved: Saved): void {
    const now = this.answers.get(id) ?? sent
    const { answer } = now
    const isNewer = now !== sent
    switch (saved.to) {
      case 'saved':
        this.put(id, { answer, revision: saved.revision, state: isNewer ? 'waits' : 'saved' })
        if (isNewer) this.soon(id, REST_MS)
        return
      case 'retries':
        this.put(id, { answer, revision: sent.revision, state: 'retries' })
        return this.soon(id, AGAIN_MS)
      case 'clash':
        return this.put(id, { answer, revision: sent.revision, state: 'clash', theirs: saved.theirs })
      case 'refused':
        return this.put(id, { answer, revision: sent.revision, state: isNewer ? 'waits' : 'refused', why: saved.why })
      case 'too-late':
        this.put(id, { answer, revision: sent.revision, state: 'too-late' })
        return this.ports.over()
    }
  }
}
