import type { NewStepSurvey } from '@jackdaw/contracts/surveys'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, type Caller, type Parts } from '../http'
import { notify } from '../inbox'
import { amongFor } from '../people'
import { addSurvey } from '../surveys'
import { whoLeft } from './journey'
import { usesKeptSince } from './keptUse'

/** Asks a question at a step, and tells those who left there, as far as the caller may see them and they may still read the guide.
 * @returns how many were told */
export async function askThere(db: Db, parts: Parts, guide: GuideId, caller: Caller, survey: NewStepSurvey, now: number): Promise<number> {
  const { tell, ...asked } = survey
  return db.transaction(async (tx) => {
    const isNew = await addSurvey(tx, { guide, by: caller.id, now }, asked)
    if (!isNew || !tell) return 0
    if (tell.from > tell.to) fail('invalid', 'The days end before they begin.')
    const { from, to, department, site, team, ...visits } = tell
    const looked = { id: guide, among: amongFor(caller, { department, site, team }), keptSince: await usesKeptSince(tx), ...visits }
    const left = await whoLeft(tx, looked, { from, to }, survey.stepId)
    const told: PersonId[] = left.filter((each) => each !== caller.id)
    const about = await tx.one<{ title: string; step: string }>(
      `select i.title, p.name as step from item i join edition_part p on p.item_kind = i.kind and p.item_id = i.id and p.edition = i.edition and p.part_id = $2 where i.kind = 'guide' and i.id = $1`,
      [guide, survey.stepId],
    )
    const data = { title: about?.title ?? '', by: caller.name, step: about?.step ?? '', stepId: survey.stepId }
    await notify(
      tx,
      parts,
      'asked-at-step',
      guideItem(guide),
      told.map((personId) => ({ personId, data })),
      now,
    )
    return told.length
  })
}
