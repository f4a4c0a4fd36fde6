import { ticked } from '@jackdaw/core/audiences'
import { quizItem } from '@jackdaw/core/items'
import { contentOf, type Question } from '@jackdaw/core/quizzes'
import type { BankId, PersonId, PictureId, QuestionId, QuizId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { adoptPicture, type PictureContent } from '../../files'
import { BANK_PICTURE } from '../../quizzes/model'
import { aClip, noClip, type ClipThings } from './clipThings'
import { aQuiz, START, type Company, type TestServer, type Who } from '../testServer'

/** A quiz and a bank with their pictures, an attempt at the quiz, and a clip of what is asked about. */
export type QuizThings = ClipThings & {
  quiz: string
  quizPicture: string
  bank: string
  bankPicture: string
  quizAttempt: string
  question: string
}
/** Nothing of the kind. */
export const noQuiz = (): QuizThings => ({
  ...{ quiz: nanoid(), quizPicture: nanoid(), bank: nanoid(), bankPicture: nanoid(), quizAttempt: nanoid(), question: nanoid() },
  ...noClip(),
})

/** A statement that is true. @param picture shown under it */
export const statement = (id: string, words: string, picture: string | null): Question => ({
  ...{ id: id as QuestionId, kind: 'true-false', ask: {}, key: { right: true }, points: 1, difficulty: 'easy', tags: [], steps: [] },
  prompt: { ...contentOf(words), pictures: picture === null ? [] : [{ id: picture as PictureId, alt: 'A door' }] },
  explanation: contentOf(words),
})
/** A quiz that asks one question. */
export const asked = (question: Question) => [{ part: 'question', id: 'part-one', question }] as const

/** A reply that a person judges. */
const reply = (id: string, words: string, picture: string): Question => ({
  ...statement(id, words, picture),
  ...{ kind: 'written', ask: { mostCharacters: 500 }, key: { words, criteria: [{ id: 'line', words, most: 4 }] } },
})
/** One that is recorded. */
const recordedReply = (id: string, words: string, picture: string): Question => ({
  ...statement(id, words, picture),
  ...{ kind: 'recorded', ask: { by: 'either', mostSeconds: 900 }, key: { words, criteria: [{ id: 'line', words, most: 4 }] } },
})
type Attempt = { owner: Who; by: string; ended: boolean; judgedBy: PersonId | null; path: string }
/** The attempt that an endpoint is about: of whoever calls, of somebody else where it stands in the records, and one that the caller is to judge. */
export function attemptFor(path: string, caller: string, { people }: Company): Attempt {
  const isJudging = /\/(judging|grades)/.test(path)
  const own = !isJudging && !path.endsWith('/record')
  const other = caller === people.staff ? people.manager : people.staff
  return {
    owner: 'author',
    by: own ? caller : isJudging ? other : people.staff,
    ended: !own,
    judgedBy: isJudging ? (caller as PersonId) : null,
    path,
  }
}

type Making = Omit<Attempt, 'judgedBy' | 'path'> & { judgedBy?: PersonId | null; path?: string; title?: string; stored: PictureContent }
/** Makes a published quiz with a picture, given to the team, a bank with one, and has somebody begin an attempt; `ended`: it is handed in, too;
 * `judgedBy`: what they reply is to be judged by that person. */
export async function aQuizTaken(
  server: TestServer,
  company: Company,
  { owner, by, ended, judgedBy = null, path = '', title, stored }: Making,
): Promise<QuizThings> {
  const { services, parts } = server
  const { database } = parts
  const ownerId = company.people[owner]
  const words = title ?? 'Is the door shut?'
  const { quizPicture, bank, bankPicture, question } = noQuiz()
  const quiz = await aQuiz(server, company, owner, { title: words, parts: [] }, { published: false })
  await adoptPicture(database, stored, { id: quizPicture as PictureId, item: quizItem(quiz), by: ownerId, now: START })
  const recorded = path === '/api/quiz-attempts/:id/clips'
  const ask = recorded ? recordedReply : judgedBy === null ? statement : reply
  const asks = ask(question, words, quizPicture)
  const graders = { people: judgedBy === null ? (recorded ? [company.people.manager] : []) : [judgedBy], two: false, third: null }
  const document = { ...(await documentOf(server, quiz)), parts: [...asked(asks)], graders }
  await services.saveQuiz(quiz, 1, document, ownerId, START)
  await services.publishQuiz(quiz, 2, company.people.lead, START)
  const saving = { audience: ticked([company.team], []), use: 'to-do', due: { kind: 'none' }, repeatMonths: null } as const
  await services.give(quizItem(quiz), saving, company.people.lead, START)
  await services.addBank({
    id: bank as BankId,
    document: { title: words, questions: [statement(nanoid(), words, null)] },
    ownerId,
    now: START,
  })
  await adoptPicture(database, stored, { id: bankPicture as PictureId, item: null, by: ownerId, now: START })
  await database.in(BANK_PICTURE).insert({ pictureId: bankPicture as PictureId, bankId: bank as BankId })
  const quizAttempt = await services.beginQuiz(quiz, by as PersonId, 'en', START)
  if (judgedBy !== null)
    await services.answerQuestion(quizAttempt, question as QuestionId, { kind: 'written', answer: { words: 'So.' } }, 1, START)
  if (ended) await services.handInQuiz(quizAttempt, START)
  const clip = await aClip(server, path, { quiz, bank, quizAttempt }, path.includes('clip-uploads') ? (by as PersonId) : ownerId)
  return { quiz, quizPicture, bank, bankPicture, quizAttempt, question, ...clip }
}
const documentOf = async (server: TestServer, quiz: QuizId) =>
  (await server.parts.database.one<{ document: Parameters<typeof server.services.addQuiz>[0]['document'] }>(
    'select document from quiz where id = $1',
    [quiz],
  ))!.document
