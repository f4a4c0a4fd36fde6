import type { PersonFacts } from '../people'
import type { AudienceId, LocalDate, PersonId } from '../shared'
import { conditionsOf, type AudienceRule } from './audienceRule'
import { belongs, CONDITIONS, type Asked } from './conditions'

/** An audience as it is followed. */
export type Followed = { id: AudienceId; rule: AudienceRule }
/** Who came to belong to an audience, and who ceased to. */
export type MembershipChange = { audience: AudienceId; joined: PersonId[]; left: PersonId[] }

/** Whether an audience still follows changes on a day: one that is taken as of a day follows until that day is over. */
export const follows = (rule: AudienceRule, today: LocalDate): boolean => rule.asOf === null || rule.asOf >= today

/** Whether a rule can take in others only because a day has passed. */
export const changesByDay = (rule: AudienceRule): boolean => conditionsOf(rule).some(({ asks }) => CONDITIONS[asks].byDay)

/** People of whom rules have to be asked anew after some have changed: they, and when to whom they report or whether they are here has changed
 * also those below them.
 * @param changed what each was and is; `null` for somebody who is not here (any more)
 * @param below   all who report to somebody at any depth, now */
export function touchedBy(
  changed: readonly { before: PersonFacts | null; after: PersonFacts | null }[],
  below: (id: PersonId) => Iterable<PersonId>,
): Set<PersonId> {
  const touched = new Set<PersonId>()
  for (const { before, after } of changed) {
    const id = (before ?? after)?.id
    if (!id) continue
    touched.add(id)
    if (before?.managerId !== after?.managerId || !before || !after) for (const each of below(id)) touched.add(each)
  }
  return touched
}

/** What changes in audiences when rules are asked anew of some people.
 * @param people   of whom is asked: what is asked of each, `null` for who is not here
 * @param isMember whether somebody belongs so far */
export function membershipChanges(
  audiences: readonly Followed[],
  people: ReadonlyMap<PersonId, Asked | null>,
  isMember: (audience: AudienceId, id: PersonId) => boolean,
): MembershipChange[] {
  return audiences.flatMap(({ id: audience, rule }) => {
    const change: MembershipChange = { audience, joined: [], left: [] }
    for (const [id, asked] of people) {
      const is = asked !== null && belongs(rule, asked)
      if (is !== isMember(audience, id)) change[is ? 'joined' : 'left'].push(id)
    }
    return change.joined.length + change.left.length > 0 ? [change] : []
  })
}
