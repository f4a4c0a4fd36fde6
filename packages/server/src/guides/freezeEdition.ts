import { createHash } from 'node:crypto'
import {
  editionSteps,
  findingsBeforePublishing,
  guideQuizzesOf,
  minutesToRead,
  readyToRead,
  stepsOf,
  stopsPublishing,
  storedPicturesOf,
} from '@jackdaw/core/guides'
import { hasBranches } from '@jackdaw/core/flow'
import { guideItem } from '@jackdaw/core/items'
import { canonicalJson, type GuideId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { notePictureUse } from '../files'
import { fail } from '../http'
import { addEdition, nextEdition, revisionOfEdition } from '../items'
import { GUIDE_EDITION, GUIDE_QUIZ } from './model'
import { takableQuizzes } from './takableQuizzes'
import { findDraft, findFacts } from './store'

type Publish = { guideId: GuideId; revision: number; changeNote: string; mustReread: boolean; by: PersonId; now: number }

const PLAIN = {
  'no-title': 'it has no title',
  'no-steps': 'it has no steps',
  'empty-step': 'a step is empty',
  'blackout-pending': 'a blackout is drawn and not applied',
  'too-much': 'it holds more than a guide may',
  'quiz-not-there': 'a quiz among the steps is not published, is in the archive, or is not yours to see',
  'not-ready': 'a part is flagged as not ready',
} as const

/** Freezes the draft as the next edition; a draft that is the newest edition already stays that one.
 * @returns its number, and whether it is new */
export async function freezeEdition(tx: Db, publish: Publish): Promise<{ number: number; isNew: boolean }> {
  const { guideId, now } = publish
  const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
  const facts = (await findFacts(tx, guideId)) ?? fail('not-found')
  if (facts.archived) fail('item-archived', 'Take the guide out of the archive to publish it.')
  if (draft.revision !== publish.revision)
    fail('draft-moved-on', 'Somebody changed the draft while this page was open. Look at it again, then publish.')
  const quizzes = guideQuizzesOf(draft.document)
  const takable = await takableQuizzes(
    tx,
    quizzes.map(({ quizId }) => quizId),
    publish.by,
  )
  const findings = findingsBeforePublishing(draft.document, takable).filter(stopsPublishing)
  if (findings.length > 0)
    fail('not-publishable', `The guide cannot be published: ${[...new Set(findings.map((finding) => PLAIN[finding.reason]))].join(', ')}.`)
  const published = facts.newestEdition === null ? undefined : await revisionOfEdition(tx, guideItem(guideId), facts.newestEdition)
  if (facts.newestEdition !== null && published === draft.revision) return { number: facts.newestEdition, isNew: false }

  const { document } = draft
  const number = await nextEdition(tx, guideItem(guideId))
  const bytes = canonicalJson(readyToRead(document))
  await addEdition(tx, guideItem(guideId), {
    number,
    revision: draft.revision,
    bytes,
    hash: createHash('sha256').update(bytes).digest('hex'),
    title: document.title,
    changeNote: publish.changeNote,
    mustReread: publish.mustReread,
    minutes: minutesToRead(document),
    parts: editionSteps(document).map(({ stepId, ...step }) => ({ partId: stepId, ...step })),
    by: publish.by,
    now,
  })
  await tx.in(GUIDE_EDITION).insert({ guideId, edition: number, confirmSteps: document.confirmSteps, branches: hasBranches(document) })
  await tx
    .in(GUIDE_QUIZ)
    .insertAll(
      quizzes.map(({ id: guideQuizId, quizId, need }, position) => ({ guideId, edition: number, guideQuizId, position, quizId, need })),
    )
  await notePictureUse(
    tx,
    guideItem(guideId),
    number,
    stepsOf(document).flatMap((step) => step.pictures.flatMap(storedPicturesOf)),
  )
  return { number, isNew: true }
}
