import { createHash } from 'node:crypto'
import {
  editionSteps,
  findingsBeforePublishing,
  minutesToRead,
  readyToRead,
  stepsOf,
  stopsPublishing,
  storedPicturesOf,
} from '@jackdaw/core/guides'
import { hasBranches } from '@jackdaw/core/flow'
import { canonicalJson, type GuideId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { findDraft, findFacts, revisionOfEdition } from './store'

type Publish = { guideId: GuideId; revision: number; changeNote: string; mustReread: boolean; by: PersonId; now: number }

const PLAIN = {
  'no-title': 'it has no title',
  'no-steps': 'it has no steps',
  'empty-step': 'a step is empty',
  'blackout-pending': 'a blackout is drawn and not applied',
  'too-much': 'it holds more than a guide may',
  'not-ready': 'a part is flagged as not ready',
} as const

/** Freezes the draft as the next edition; a draft that is the newest edition already stays that one.
 * @returns its number, and whether it is new */
export async function freezeEdition(tx: Db, publish: Publish): Promise<{ number: number; isNew: boolean }> {
  const { guideId, now } = publish
  const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
  const facts = (await findFacts(tx, guideId)) ?? fail('not-found')
  if (facts.archived) fail('guide-archived', 'Take the guide out of the archive to publish it.')
  if (draft.revision !== publish.revision)
    fail('draft-moved-on', 'Somebody changed the draft while this page was open. Look at it again, then publish.')
  const findings = findingsBeforePublishing(draft.document).filter(stopsPublishing)
  if (findings.length > 0)
    fail('not-publishable', `The guide cannot be published: ${[...new Set(findings.map((finding) => PLAIN[finding.reason]))].join(', ')}.`)
  const published = facts.newestEdition === null ? undefined : await revisionOfEdition(tx, guideId, facts.newestEdition)
  if (facts.newestEdition !== null && published === draft.revision) return { number: facts.newestEdition, isNew: false }

  const number = (facts.newestEdition ?? 0) + 1
  const bytes = canonicalJson(readyToRead(draft.document))
  const steps = editionSteps(draft.document)
  await tx.rows(
    `insert into edition (guide_id, number, revision, bytes, hash, change_note, must_reread, confirm_steps, branches, steps, minutes, published_by, published_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
    [
      guideId,
      number,
      draft.revision,
      bytes,
      createHash('sha256').update(bytes).digest('hex'),
      publish.changeNote,
      publish.mustReread,
      draft.document.confirmSteps,
      hasBranches(draft.document),
      steps.length,
      minutesToRead(draft.document),
      publish.by,
      new Date(now),
    ],
  )
  await tx.rows(
    `insert into edition_step (guide_id, edition, step_id, position, section, name, acknowledge, caution, least_ms)
     select $1, $2, s.step_id, s.position, s.section, s.name, s.acknowledge, s.caution, s.least_ms
     from jsonb_to_recordset($3::jsonb) as s (step_id text, position int, section text, name text, acknowledge boolean, caution text, least_ms int)`,
    [guideId, number, JSON.stringify(steps.map(({ stepId, leastMs, ...step }) => ({ step_id: stepId, least_ms: leastMs, ...step })))],
  )
  const pictures = [...new Set(stepsOf(draft.document).flatMap((step) => step.pictures.flatMap(storedPicturesOf)))]
  await tx.rows('insert into picture_use (guide_id, edition, picture_id) select $1, $2, unnest($3::text[])', [guideId, number, pictures])
  await tx.rows(
    'update guide set newest_edition = $2, published_title = $3, required_edition = case when $4 then $2 else required_edition end where id = $1',
    [guideId, number, draft.document.title, publish.mustReread || number === 1],
  )
  return { number, isNew: true }
}
