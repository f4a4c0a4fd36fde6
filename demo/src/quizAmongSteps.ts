import { BLANK_QUIZ } from '@jackdaw/core/quizzes'
import { ticked } from '@jackdaw/core/audiences'
import { known, nth, type GuideId, type GuideQuizId, type QuizId, type StepId } from '@jackdaw/core/shared'
import { questionsOf } from './quizzes'
import type { Loading } from './tasks'

const DAY = 86_400_000
/** After how many steps of the guide it stands: once the housing has no pressure, and before it is opened. */
const AFTER = 4

/** A quiz between two steps of the guide on pump filters, behind which it goes on for whoever has all of it right; a second edition has it. */
export async function addQuizAmongSteps(
  { services, folder, ids, lead, until }: Loading,
  guide: { id: GuideId; steps: readonly StepId[] },
): Promise<void> {
  const at = until - 9 * DAY
  const id = services.newId<QuizId>()
  const questions = await questionsOf(folder, 'pump-filter', services.newId)
  const parts = questions.map((question, n) => ({
    part: 'question' as const,
    id: `part-${n + 1}`,
    question: { ...question, steps: [{ guideId: guide.id, stepId: nth(guide.steps, n === 0 ? 2 : AFTER - 1) }] },
  }))
  const document = {
    ...BLANK_QUIZ,
    title: 'Before the housing is opened',
    words: '',
    parts,
    passMark: 100,
    afterFailing: 'which' as const,
  }
  await services.addQuiz({ id, document, ownerId: lead, now: at })
  await services.publishQuiz(id, 1, lead, at)
  const item = { kind: 'quiz' as const, id: services.newId<GuideQuizId>(), quizId: id, need: 'passed' as const }
  await services.saveChanges(guide.id, lead, [{ type: 'insert-item', item, after: nth(guide.steps, AFTER - 1) }], at)
  await services.publish(
    guide.id,
    {
      ...{ revision: 1, changeNote: 'Three questions before the housing is opened', mustReread: false },
      ...{ audience: ticked([known(ids.teams, 'Fitters')], []), openToAll: false, due: { kind: 'days', days: 45 } },
    },
    lead,
    at,
  )
}
