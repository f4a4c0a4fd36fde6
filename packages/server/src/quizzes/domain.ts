import { quizItem } from '@jackdaw/core/items'
import { QUIZ_VERBS, type Answer, type BankDocument, type Grade, type QuizDocument } from '@jackdaw/core/quizzes'
import type { QuizAttemptId, BankId, PersonId, PictureId, QuestionId, QuizId } from '@jackdaw/core/shared'
import type { Language } from '@jackdaw/core/people'
import type { Domain } from '../domain'
import { readPicture, storePicture } from '../files'
import { job } from '../jobs'
import { putResultsRight } from './amending/putResultsRight'
import { beginAttempt, handIn, saveAnswer } from './attempts/answering'
import { endThoseOver } from './attempts/endThoseOver'
import { createBank } from './banks/banks'
import { dropUnusedClips, dropUnusedQuizPictures } from './dropUnusedFiles'
import { handsOverQuizzes } from './handsOver'
import { askAboutPeople } from './judging/askGraders'
import { gradeReply } from './judging/grade'
import { QUIZ_AMENDMENT, QUIZ_ATTEMPT } from './model'
import { relationsToAttempt, relationsToBank, relationsToQuiz } from './relations'
import { quizRoutes } from './routes'
import { createQuiz, saveQuiz } from './writing/writeQuiz'

/** Questions by which it is found out what somebody can do. */
export const quizzes = {
  routes: quizRoutes,
  verbs: QUIZ_VERBS,
  relations: ({ database }) => ({
    quiz: (caller, id) => relationsToQuiz(database, caller, id),
    bank: (caller, id) => relationsToBank(database, caller, id),
    'quiz-attempt': (caller, id) => relationsToAttempt(database, caller, id),
  }),
  followsPeople: askAboutPeople,
  handsOver: handsOverQuizzes,
  jobs: [
    job('end-timed-attempts', async (parts, _nothing, { now }) => void (await endThoseOver(parts, now))),
    job('put-results-right', async (parts, { amendmentId }, { now, progress, finish }) => {
      await putResultsRight(parts, amendmentId, now, progress)
      await finish((tx) => tx.in(QUIZ_AMENDMENT).update({ doneAt: now }, { id: amendmentId }))
    }),
    job('remove-unused-quiz-pictures', async ({ database }, _nothing, { now }) => void (await dropUnusedQuizPictures(database, now))),
    job('remove-unused-clips', async ({ database }, _nothing, { now }) => void (await dropUnusedClips(database, now))),
  ],
  demo: (parts) => ({
    addQuiz: (quiz: { id: QuizId; document: QuizDocument; ownerId: PersonId; now: number }) => createQuiz(parts.database, quiz),
    saveQuiz: (id: QuizId, revision: number, document: QuizDocument, by: PersonId, now: number) =>
      saveQuiz(parts.database, id, { revision, document }, by, now),
    addBank: (bank: { id: BankId; document: BankDocument; ownerId: PersonId; now: number }) => createBank(parts.database, bank),
    beginQuiz: (id: QuizId, person: PersonId, language: Language, now: number) =>
      beginAttempt({ ...parts, mail: null }, id, { id: person, language }, now),
    questionsOfAttempt: async (id: QuizAttemptId): Promise<QuestionId[]> =>
      (await parts.database.in(QUIZ_ATTEMPT).one({ id }))?.drawn ?? [],
    answerQuestion: (id: QuizAttemptId, questionId: QuestionId, answer: Answer, activeMs: number, now: number) =>
      saveAnswer(parts, id, { questionId, answer, revision: 0, activeMs }, now),
    async addQuizPicture({ id, quizId, bytes, by, now }: { id: PictureId; quizId: QuizId; bytes: Uint8Array; by: PersonId; now: number }) {
      const { database, content, decoder } = parts
      await storePicture(database, content, await readPicture(decoder, bytes), { id, item: quizItem(quizId), by, now })
    },
    async handInQuiz(id: QuizAttemptId, now: number): Promise<void> {
      await handIn({ ...parts, mail: null }, id, now)
    },
    gradeReply: (id: QuizAttemptId, questionId: QuestionId, grade: Pick<Grade, 'points' | 'words'>, by: PersonId, now: number) =>
      gradeReply({ ...parts, mail: null }, id, questionId, grade, by, now),
    hasPassed: async (id: QuizAttemptId): Promise<boolean | null> => (await parts.database.in(QUIZ_ATTEMPT).one({ id }))?.passed ?? null,
  }),
} satisfies Domain
