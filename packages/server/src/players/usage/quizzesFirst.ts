import { END, openPlaces } from '@jackdaw/core/flow'
import { readDocument } from '@jackdaw/core/guides'
import { actingScriptOf } from '@jackdaw/core/players'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { policyOf, type Way } from '@jackdaw/core/ways'
import type { Db } from '../../db'
import type { EventCheck, KnownEdition, ToldEvent } from '../../eventRules'
import { GUIDE_QUIZ } from '../../guides'
import { findEdition } from '../../items'
import { quizzesAmong } from '../../quizzes'
import { ruledBy } from '../plays'

/** The quizzes among the steps of an edition that somebody has still to settle, by their ids there. */
export async function quizzesOwed(db: Db, { item, edition }: KnownEdition, personId: PersonId): Promise<ReadonlySet<string>> {
  if ((await db.in(GUIDE_QUIZ).count({ guideId: item.id as GuideId, edition })) === 0) return new Set()
  const among = await quizzesAmong(db, item.id as GuideId, edition, personId)
  return new Set(among.flatMap(({ guideQuizId, settled }) => (settled ? [] : [guideQuizId])))
}

/** The places of an edition to which somebody may have come without passing a quiz that they owe; `null`: all of them. */
async function reachable(db: Db, known: KnownEdition, personId: PersonId, way: Way): Promise<ReadonlySet<string> | null> {
  if (policyOf(way).quizzes === 'none') return null
  const owed = await quizzesOwed(db, known, personId)
  if (owed.size === 0) return null
  const [stored, person] = await Promise.all([findEdition(db, known.item, known.edition), ruledBy(db, personId)])
  if (!stored) return null
  const document = readDocument(JSON.parse(stored.bytes))
  return openPlaces(actingScriptOf(document, way), { ...person, language: document.language }, {}, (id) => owed.has(id))
}

/** Found once for all events of a batch that are about the same edition and way. */
const FOUND = new WeakMap<readonly ToldEvent[], Map<string, ReturnType<typeof reachable>>>()

/** Nothing happened at a step to which no way leads but by a quiz that is still to be settled. */
export const quizzesFirst: EventCheck = async (db, { personId, event, known, batch }) => {
  const found = FOUND.get(batch) ?? new Map<string, ReturnType<typeof reachable>>()
  FOUND.set(batch, found)
  const key = `${event.item.id} ${event.edition} ${event.way}`
  const places = await (found.get(key) ?? found.set(key, reachable(db, known, personId, event.way)).get(key))
  return !places || places.has(event.part ?? END) ? null : 'quiz-not-settled'
}
