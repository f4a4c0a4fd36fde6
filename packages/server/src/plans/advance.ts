import { itemKey } from '@jackdaw/core/items'
import { isOver, toRelease, type StageStanding } from '@jackdaw/core/plans'
import type { EnrolmentId } from '@jackdaw/core/shared'
import { setReasons, tellReaders, type ReasonOf, type WantedReason } from '../assignments'
import type { Db } from '../db'
import { othersFirst, type Parts, type PeopleFollower } from '../http'
import { askAllDue, askDue, endCheckIns, setCheckIns } from './checkIns/asking'
import { ENROLMENT, ENROLMENT_STAGE } from './model'
import { standingsOf, underWay, type UnderWay } from './underWay'

/** For which kind of reason somebody has what stands in their plan; the reason is known by the enrolment. */
const BY_PLAN = 'plan'

/** What somebody is to have of the stages that they have come to. While the plan is held nothing of it is due. */
function wantedOf({ held, happened }: UnderWay, standings: readonly StageStanding[]): WantedReason[] {
  return standings
    .filter(({ released }) => released)
    .flatMap(({ items }) => items)
    .map(({ item, optional, dueOn }): WantedReason => {
      const waits = held !== null && !happened.done.has(itemKey(item))
      return { item, use: optional ? 'to-look-up' : 'to-do', due: optional || waits ? { kind: 'none' } : { kind: 'date', date: dueOn } }
    })
}

/** Brings plans forward: releases the stages that are due, gives what stands in them, asks the check-ins that are due, and sees who is through. Twice is as once.
 * @param where which enrolments, a condition on a row `e` of `enrolment`; @param ends they end, as they do for whoever has left */
export async function advance(tx: Db, parts: Parts, where: string, bind: unknown[], now: number, ends = false): Promise<void> {
  const all = await underWay(tx, where, bind, now, { lock: true })
  if (all.length === 0) return
  const here = ends ? [] : all.filter(({ active }) => active)
  const gone = all.filter((each) => !here.includes(each))
  if (gone.length > 0) await tx.in(ENROLMENT).update({ endedAt: now }, { id: gone.map(({ id }) => id) })
  await endCheckIns(
    tx,
    gone.map(({ id }) => id),
    now,
  )
  const reasons = gone.map(({ id, person, giver }): ReasonOf => ({ kind: BY_PLAN, ref: id, personId: person, givenBy: giver, wanted: [] }))
  const over: EnrolmentId[] = []
  for (const each of here) {
    await othersFirst()
    let standings = standingsOf(each)
    const due = each.held === null ? toRelease(standings, each.today) : []
    if (due.length > 0) {
      await tx.in(ENROLMENT_STAGE).insertAll(
        due.map(({ id: stageId }) => ({ enrolmentId: each.id, stageId, releasedOn: each.today, releasedAt: now })),
        { skip: true },
      )
      const released = new Map([...each.happened.released, ...due.map(({ id }) => [id, each.today] as const)])
      standings = standingsOf({ ...each, happened: { ...each.happened, released } })
    }
    reasons.push({ kind: BY_PLAN, ref: each.id, personId: each.person, givenBy: each.giver, wanted: wantedOf(each, standings) })
    await setCheckIns(tx, parts, each, standings, now)
    if (each.overAt === null && isOver(standings)) over.push(each.id)
  }
  if (over.length > 0) await tx.in(ENROLMENT).update({ overAt: now }, { id: over })
  await askDue(tx, parts, 'c.enrolment_id = any ($1)', [here.map(({ id }) => id)], now)
  await tellReaders(tx, parts, await setReasons(tx, parts.newId, reasons, now), now)
}

/** Brings forward the plans of those of whom something has changed. */
export const advanceTouched: PeopleFollower = async (tx, parts, { touched, now }) =>
  advance(tx, parts, 'e.person_id = any ($1) and (e.over_at is null or not p.active)', [[...touched]], now)

/** Enrolments that are looked at in one transaction. */
const TOGETHER = 200
/** Brings all plans forward that are under way, and asks the check-ins that are due, also of those who are through. */
export async function advanceAll(parts: Parts, now: number): Promise<void> {
  const { database } = parts
  const ids = await database.rows<{ id: EnrolmentId }>('select id from enrolment where over_at is null and ended_at is null order by id')
  for (let at = 0; at < ids.length; at += TOGETHER)
    await database.transaction((tx) => advance(tx, parts, 'e.id = any ($1)', [ids.slice(at, at + TOGETHER).map(({ id }) => id)], now))
  await askAllDue(parts, now)
}
