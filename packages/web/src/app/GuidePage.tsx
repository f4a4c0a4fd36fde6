import { ReaderPage, viewAhead } from '../players/reader/ReaderPage'
import { lazyPart } from '../ui'

// Guides without quizzes do without.
const QuizInGuide = lazyPart(async () => (await import('../quizzes/inGuide/QuizInGuide')).QuizInGuide)

/** A guide as it is read, with the quizzes that stand among its steps. */
export const GuidePage = Object.assign(() => <ReaderPage QuizHere={QuizInGuide} />, { ahead: viewAhead })
