import { QUESTION_KINDS, type Difficulty, type QuestionKind } from '@jackdaw/core/quizzes'
import type { Texts } from '../ui/words/texts'

/** What kinds of questions are called in the reader's language. */
export const kindName = (t: Texts['t'], kind: QuestionKind): string => t(QUESTION_KINDS[kind].name)
/** What difficulties are called in the reader's language. */
export const difficultyName = (t: Texts['t'], difficulty: Difficulty): string =>
  ({ easy: t('easy'), medium: t('medium'), hard: t('hard') })[difficulty]
