import { actInAttempt, getAttempt, getAttempts, getPlay, giveUpAttempt, keepPlay, openAttempt } from '@jackdaw/contracts/players'
import { getHolding, getQuizzesAmongSteps, getReader } from '@jackdaw/contracts/reading'
import { guideItem } from '@jackdaw/core/items'
import { fail, route, type Routes } from '../http'
import { holdingEdition } from '../items'
import { quizzesAmong } from '../quizzes'
import * as attempts from './attempts'
import { findPlay, savePlay } from './plays'
import { readerOf } from './readerOf'

export function playerRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, getReader, ({ params: { id } }, { caller, now }) => readerOf(db, id, caller.id, now))
  route(
    routes,
    getHolding,
    async ({ params: { id, edition } }) =>
      (await holdingEdition(db, guideItem(id), edition)) ?? fail('not-found', 'This guide is not in use any more.'),
  )
  route(routes, getQuizzesAmongSteps, ({ params: { id, edition } }, { caller }) => quizzesAmong(db, id, edition, caller.id))

  route(routes, getPlay, async ({ params: { id, way } }, { caller }) => findPlay(db, caller.id, id, way))
  route(routes, keepPlay, async ({ params: { id, way }, body }, { caller, now }) => savePlay(db, caller.id, id, way, body, now))

  route(routes, getAttempts, async ({ params: { id } }, { caller, now }) => attempts.attemptsOf(db, id, caller.id, now))
  route(routes, openAttempt, async ({ params: { id }, body }, { caller, now }) =>
    attempts.openAttempt(parts, id, caller.id, body.language, now),
  )
  route(routes, getAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.findAttempt(parts, id, attemptId, caller.id, now),
  )
  route(routes, actInAttempt, async ({ params: { id, attemptId }, body }, { caller, now }) =>
    attempts.actInAttempt(parts, id, attemptId, caller.id, body, now),
  )
  route(routes, giveUpAttempt, async ({ params: { id, attemptId } }, { caller, now }) =>
    attempts.giveUpAttempt(parts, id, attemptId, caller.id, now),
  )
}
