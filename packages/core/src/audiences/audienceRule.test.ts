import { expect, it } from 'vitest'
import { seededIds, type PersonId, type RoleId, type TeamId } from '../shared'
import { NOBODY, reasonsFor } from './audienceRule'

const ids = seededIds(5)
const [anna, crates, shiftLead] = [ids() as PersonId, ids() as TeamId, ids() as RoleId]

it('gives every reason for which someone belongs to an audience, and none for the others', () => {
  const rule = { people: [anna], teams: [crates], roles: [shiftLead] }
  expect(reasonsFor(rule, { id: anna, teams: [crates], roles: [] })).toEqual([
    { kind: 'team', id: crates },
    { kind: 'person', id: anna },
  ])
  expect(reasonsFor(rule, { id: ids() as PersonId, teams: [ids()], roles: [shiftLead] })).toEqual([{ kind: 'role', id: shiftLead }])
  expect(reasonsFor(NOBODY, { id: anna, teams: [crates], roles: [shiftLead] })).toEqual([])
})
