import * as z from 'zod/mini'
import { PersonId, RoleId, TeamId } from '../shared'

/** A set of people, told as a rule: everyone in one of the teams, with one of the roles, or named. Teams and roles follow
 * changes: who joins later belongs to it, who leaves does not. */
export const AudienceRule = z.object({
  people: z.array(PersonId).check(z.maxLength(2_000)),
  teams: z.array(TeamId).check(z.maxLength(200)),
  roles: z.array(RoleId).check(z.maxLength(200)),
})
/** Read by {@link AudienceRule}. */
export type AudienceRule = z.infer<typeof AudienceRule>

/** The rule that takes nobody in. */
export const NOBODY: AudienceRule = { people: [], teams: [], roles: [] }

/** Why a person belongs to an audience. */
export type AudienceReason = { kind: 'team' | 'role' | 'person'; id: string }

/** The reasons for which a person belongs to an audience; none means that they do not. */
export function reasonsFor(
  rule: AudienceRule,
  person: { id: PersonId; teams: readonly string[]; roles: readonly string[] },
): AudienceReason[] {
  return [
    ...rule.teams.filter((id) => person.teams.includes(id)).map((id) => ({ kind: 'team' as const, id })),
    ...rule.roles.filter((id) => person.roles.includes(id)).map((id) => ({ kind: 'role' as const, id })),
    ...rule.people.filter((id) => id === person.id).map((id) => ({ kind: 'person' as const, id })),
  ]
}
