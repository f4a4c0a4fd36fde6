import * as amendments from '@jackdaw/contracts/amendments'
import * as attempts from '@jackdaw/contracts/attempts'
import * as analysis from '@jackdaw/contracts/quizAnalysis'
import * as judging from '@jackdaw/contracts/judging'
import * as contract from '@jackdaw/contracts/quizzes'
import { quizItem } from '@jackdaw/core/items'
import { may } from '@jackdaw/core/people'
import type { BankId, PictureId, QuizId } from '@jackdaw/core/shared'
import { findPicture, findUsedPicture, findVersion, adoptPicture, readPicture, sendPicture, storeContent, storePicture } from '../files'
import { fail, route, type Routes } from '../http'
import { ITEM } from '../items'
import { amendQuestion, lookAt } from './amending/amendQuestion'
import { amendmentsOfQuiz } from './amending/shown'
import { analysisOf } from './analysis/analysis'
import { answersTo } from './analysis/answers'
import { beginAttempt, handIn, saveAnswer, withAttempt } from './attempts/answering'
import { concerns } from './attempts/soFar'
import { attemptFor, attemptInRecord, attemptsInRecord, quizFor } from './attempts/shown'
import { allBanks, bankFor, createBank, saveBank } from './banks/banks'
import { gradeReply } from './judging/grade'
import { judgingFor, toJudge } from './judging/shown'
import { clipRoutes } from './clipRoutes'
import { BANK, BANK_PICTURE, QUIZ_ALLOWANCE, QUIZ_ATTEMPT } from './model'
import { relationsToQuiz } from './relations'
import { draftOf, quizzesOf } from './writing/shown'
import { createQuiz, saveQuiz } from './writing/writeQuiz'

/** Writing quizzes. */
function draftRoutes(routes: Routes): void {
  const { database: db, content, decoder, newId } = routes.parts

  route(routes, contract.listQuizzes, ({ query }, { caller }) => quizzesOf(db, caller.id, query.archived === 'yes'))
  route(routes, contract.createQuiz, async ({ body: { document } }, { caller, now }) => {
    const id = newId<QuizId>()
    await createQuiz(db, { id, document, ownerId: caller.id, now })
    return { id }
  })
  route(routes, contract.getQuizDraft, async ({ params: { id } }, { caller, relations }) => ({
    ...(await draftOf(db, id, caller.id)),
    mayPublish: may(caller.permissions, 'item.publish', relations),
  }))
  route(routes, contract.saveQuiz, ({ params: { id }, body }, { caller, now }) => saveQuiz(db, id, body, caller.id, now))
  route(routes, contract.archiveQuiz, async ({ params: { id }, body: { archived } }, { now }) => {
    await db.in(ITEM).update({ archivedAt: archived ? now : null }, quizItem(id))
  })
  route(routes, contract.addQuizPicture, async ({ params: { id }, bytes }, { caller, now }) => {
    const picture = await readPicture(decoder, bytes)
    const pictureId = newId<PictureId>()
    await storePicture(db, content, picture, { id: pictureId, item: quizItem(id), by: caller.id, now })
    return { id: pictureId, widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, contract.getQuizDraftPicture, async ({ params: { id, pictureId }, query }, { req, res }) =>
    sendPicture(req, res, content, await findPicture(db, quizItem(id), pictureId), query.size ?? 'screen'),
  )
}

/** Banks of questions. */
function bankRoutes(routes: Routes): void {
  const { database: db, content, decoder, newId } = routes.parts

  route(routes, contract.listBanks, ({ query }, { caller }) =>
    allBanks(db, caller.id, caller.permissions.has('guides.all'), query.archived === 'yes'),
  )
  route(routes, contract.createBank, async ({ body: { document } }, { caller, now }) => {
    const id = newId<BankId>()
    await createBank(db, { id, document, ownerId: caller.id, now })
    return { id }
  })
  route(routes, contract.getBank, async ({ params: { id } }, { caller, relations }) => ({
    ...(await bankFor(db, id, caller.id)),
    mayEdit: may(caller.permissions, 'bank.edit', relations),
  }))
  route(routes, contract.saveBank, async ({ params: { id }, body }, { caller, now }) => ({
    revision: await saveBank(db, id, body, caller.id, now),
  }))
  route(routes, contract.archiveBank, async ({ params: { id }, body: { archived } }, { now }) => {
    await db.in(BANK).update({ archivedAt: archived ? now : null }, { id })
  })
  route(routes, contract.addBankPicture, async ({ params: { id }, bytes }, { caller, now }) => {
    const picture = await readPicture(decoder, bytes)
    const stored = await storeContent(content, picture)
    const pictureId = newId<PictureId>()
    await db.transaction(async (tx) => {
      await adoptPicture(tx, stored, { id: pictureId, item: null, by: caller.id, now })
      await tx.in(BANK_PICTURE).insert({ pictureId, bankId: id })
    })
    return { id: pictureId, widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, contract.getBankPicture, async ({ params: { id, pictureId }, query }, { req, res }) => {
    const own = await db.in(BANK_PICTURE).one({ bankId: id, pictureId })
    await sendPicture(req, res, content, own && (await findVersion(db, pictureId)), query.size ?? 'screen')
  })
}

/** Taking quizzes. */
function takingRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, content } = parts

  route(routes, attempts.getQuiz, async ({ params: { id } }, { caller, relations, now }) => ({
    ...(await quizFor(db, id, caller.id, now)),
    mayEdit: may(caller.permissions, 'item.edit', relations),
    maySeeRecords: may(caller.permissions, 'records.item', relations),
  }))
  route(routes, contract.getQuizPicture, async ({ params: { id, edition, pictureId }, query }, { req, res }) =>
    sendPicture(req, res, content, await findUsedPicture(db, quizItem(id), edition, pictureId), query.size ?? 'screen'),
  )
  route(routes, attempts.getAttemptPicture, async ({ params: { id, pictureId }, query }, { req, res }) => {
    const { quizId, edition } = (await db.in(QUIZ_ATTEMPT).one({ id }, { only: ['quizId', 'edition'] })) ?? fail('not-found')
    return sendPicture(req, res, content, await findUsedPicture(db, quizItem(quizId), edition, pictureId), query.size ?? 'screen')
  })
  route(routes, attempts.beginAttempt, async ({ params: { id } }, { caller, now }) => ({
    attemptId: await beginAttempt(parts, id, caller, now),
  }))
  route(routes, attempts.getQuizAttempt, async ({ params: { id } }, { now }) => {
    const attempt = await withAttempt(parts, id, now, async (_, held) => held)
    return attemptFor(db, attempt, now)
  })
  route(routes, attempts.saveAnswer, async ({ params: { id, questionId }, body }, { now }) => ({
    revision: await saveAnswer(parts, id, { questionId, ...body }, now),
  }))
  route(routes, attempts.handInAttempt, async ({ params: { id } }, { now }) => attemptFor(db, await handIn(parts, id, now), now))
}

/** Judging replies. */
function judgingRoutes(routes: Routes): void {
  const { parts } = routes

  route(routes, judging.listToJudge, (_input, { caller }) => toJudge(parts.database, caller.id))
  route(routes, judging.getJudging, ({ params: { id } }, { caller }) => judgingFor(parts.database, id, caller.id))
  route(routes, judging.gradeReply, async ({ params: { id, questionId }, body }, { caller, now }) => ({
    over: await gradeReply(parts, id, questionId, body, caller.id, now),
  }))
}

/** What stands in the records of attempts. */
function recordRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, attempts.listQuizAttempts, async ({ params: { id, quizId } }, { caller, relations }) => {
    if (!(await concerns(db, quizId, id))) return fail('not-found')
    return { ...(await attemptsInRecord(db, quizId, id, id === caller.id)), mayAllow: may(caller.permissions, 'quiz.allow', relations) }
  })
  route(routes, attempts.allowMore, async ({ params: { id, quizId }, body }, { caller, now }) => {
    if (!(await concerns(db, quizId, id))) return fail('not-found')
    const row = { quizId, personId: id, ...body, allowedBy: caller.id, allowedAt: now }
    await db.in(QUIZ_ALLOWANCE).insertAll([row], { inPlaceOf: ['extraPercent', 'extraAttempts', 'allowedBy', 'allowedAt'] })
  })
  route(routes, attempts.getAttemptRecord, async ({ params: { id } }, { caller }) => {
    const { personId, quizId, endedAt } = (await db.in(QUIZ_ATTEMPT).one({ id })) ?? fail('not-found')
    // One's own attempt is seen where it was made, with as much as the author has one told.
    if (personId === caller.id || endedAt === null) return fail('not-found')
    const toQuiz = await relationsToQuiz(db, caller, quizId)
    return attemptInRecord(db, id, toQuiz !== null && may(caller.permissions, 'item.edit', toQuiz))
  })
}

/** What attempts tell of the questions. */
function analysisRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, analysis.analyseQuiz, async ({ params: { id }, query }, { caller, relations }) => ({
    ...(await analysisOf(db, id, query.counted ?? 'first')),
    maySeeWho: may(caller.permissions, 'records.item', relations),
    mayAmend: may(caller.permissions, 'item.publish', relations),
  }))
  route(routes, analysis.listAnswers, ({ params: { id, questionId }, query }, { caller }) =>
    answersTo(db, id, questionId, {
      ...{ counted: query.counted ?? 'first', choice: query.choice ?? null, verdict: query.verdict ?? null },
      ...{ caller: caller.id, seesAll: caller.permissions.has('records.all') },
    }),
  )
}

/** Putting questions right that turned out wrong. */
function amendingRoutes(routes: Routes): void {
  const { parts } = routes

  route(routes, amendments.listAmendments, ({ params: { id } }) => amendmentsOfQuiz(parts.database, id))
  route(routes, amendments.lookAtAmendment, ({ params: { id, questionId }, query: { how } }) => lookAt(parts.database, id, questionId, how))
  route(routes, amendments.amendQuestion, async ({ params: { id, questionId }, body }, { caller, now }) => ({
    amendmentId: await amendQuestion(parts, id, questionId, body, caller.id, now),
  }))
}

export function quizRoutes(routes: Routes): void {
  clipRoutes(routes)
  draftRoutes(routes)
  bankRoutes(routes)
  takingRoutes(routes)
  judgingRoutes(routes)
  recordRoutes(routes)
  analysisRoutes(routes)
  amendingRoutes(routes)
}
