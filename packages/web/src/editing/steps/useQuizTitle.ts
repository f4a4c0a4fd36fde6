import type { QuizRow } from '@jackdaw/contracts/quizzes'
import type { QuizId } from '@jackdaw/core/shared'
import { useQuizzes } from '../../quizzes/queries'
import { useTexts } from '../../ui/words/texts'

/** The quizzes that can be put among the steps, and what one of them is called; one that the author may not write has no name here. */
export function useQuizTitle(id: QuizId): { title: string; quiz: QuizRow | undefined; quizzes: readonly QuizRow[] } {
  const { t } = useTexts()
  const { data } = useQuizzes(false)
  const quiz = data?.find((each) => each.id === id)
  const title = quiz ? quiz.title || t('Without a title') : data ? t('A quiz that is not in your list') : t('Quiz')
  return { title, quiz, quizzes: data ?? [] }
}
