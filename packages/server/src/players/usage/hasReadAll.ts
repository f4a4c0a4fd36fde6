import { readDocument } from '@jackdaw/core/guides'
import { stepsLeft } from '@jackdaw/core/flow'
import { actingScriptOf } from '@jackdaw/core/players'
import type { PersonId } from '@jackdaw/core/shared'
import { waysWhere } from '@jackdaw/core/ways'
import type { Db } from '../../db'
import type { EventCheck, KnownEdition } from '../../eventRules'
import { GUIDE_EDITION } from '../../guides'
import { findEdition, partsDone } from '../../items'
import { ruledBy } from '../plays'
import { quizzesOwed } from './quizzesFirst'

const READING: readonly string[] = waysWhere('counts', 'reading')

/** Whether somebody has read all steps of a way through a guide with branches: one that a person like them can be led. */
async function hasGoneThrough(
  db: Db,
  personId: PersonId,
  { item, edition }: KnownEdition,
  isDone: (id: string) => boolean,
): Promise<boolean> {
  const [stored, person] = await Promise.all([findEdition(db, item, edition), ruledBy(db, personId)])
  if (!stored) return false
  const document = readDocument(JSON.parse(stored.bytes))
  return stepsLeft(actingScriptOf(document), { ...person, language: document.language }, {}, isDone).length === 0
}

/** A reading is finished when the record, with what came in the same batch, holds every step of the edition as seen and, where asked for,
 * acknowledged and confirmed, in an edition that still counts, and every quiz on the way is settled. */
export const hasReadAll: EventCheck = async (tx, { personId, event, known, batch }) => {
  if (!READING.includes(event.way)) return null
  const { item, edition, required } = known
  const { seen, acknowledged, confirmed } = await partsDone(tx, item, personId, required)
  for (const each of batch) {
    if (!READING.includes(each.way) || each.item.id !== item.id || each.edition < required || each.part === undefined) continue
    if (each.verb === 'step-viewed') seen.add(each.part)
    if (each.verb === 'step-acknowledged') acknowledged.add(each.part)
    if (each.verb === 'step-confirmed') confirmed.add(each.part)
  }
  const of = await tx.in(GUIDE_EDITION).one({ guideId: item.id, edition })
  const hasRead = (id: string): boolean =>
    seen.has(id) && (!of?.confirmSteps || confirmed.has(id)) && (!known.cautioned.has(id) || acknowledged.has(id))
  const owed = await quizzesOwed(tx, known, personId)
  const isDone = (id: string): boolean => (known.parts.has(id) ? hasRead(id) : !owed.has(id))
  const isThrough = of?.branches ? await hasGoneThrough(tx, personId, known, isDone) : [...known.parts].every(hasRead) && owed.size === 0
  return isThrough ? null : 'steps-not-read'
}
