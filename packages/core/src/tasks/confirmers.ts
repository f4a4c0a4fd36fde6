import type { GroupId, PersonId } from '../shared'
import type { Confirmer } from './task'

/** Somebody who could confirm a task. `away`: whether they are away on that day. */
type Candidate = { id: PersonId; away: boolean }
/** What one has to know to say who is asked to confirm what somebody has handed in.
 * `line`: those whom they report to, at any depth, the nearest first; `mentors`: who looks after them in the plans in which the task stands; `holders`: who has the role that is asked; `leads`: who may do so for anybody.
 * All of them work here at present. */
export type AskingFacts = {
  personId: PersonId
  siteId: GroupId
  line: readonly Candidate[]
  mentors: readonly Candidate[]
  holders: readonly (Candidate & { siteId: GroupId })[]
  leads: readonly PersonId[]
}

/** Those who are here, or all where everybody is away. */
const here = <C extends Candidate>(all: readonly C[]): readonly C[] =>
  all.some(({ away }) => !away) ? all.filter(({ away }) => !away) : all

/** Who is asked to confirm what somebody has handed in: the nearest in the line above them who is here; their mentors as far as they are here, and without any that
 * nearest; or who has the role at their site, at any site where
 * nobody has it there, as far as they are here. Where there is nobody at all, the leads. Never the person themselves. */
export function askedToConfirm({ by }: Confirmer, { personId, siteId, line, mentors, holders, leads }: AskingFacts): PersonId[] {
  const others = holders.filter(({ id }) => id !== personId)
  const near = others.filter((holder) => holder.siteId === siteId)
  const above = here(line).slice(0, 1)
  const present = mentors.filter(({ away }) => !away)
  const asked = { manager: above, mentor: present.length > 0 ? present : above, role: here(near.length > 0 ? near : others) }[by]
  return asked.length > 0 ? asked.map(({ id }) => id) : leads.filter((id) => id !== personId)
}
