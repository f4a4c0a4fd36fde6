import type { Duty } from '@jackdaw/contracts/groups'
import { newcomer, type Level, type PersonState } from '@jackdaw/core/people'
import type { GroupId, GroupKindId, PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { changePeople } from './changing/changePeople'
import { addGroup, addGroupKind, changeMembers } from './changing/groups'
import { saveDutiesOf } from './directory/duties'
import { saveFace } from './directory/faces'
import { GROUP, PERSON } from './model'
import { hashPassword } from './signingIn/password'

type NewPerson = Partial<PersonState> & { id: PersonId; name: string; mail: string; level: Level; siteId: GroupId; groups: GroupId[] }
type NewGroup = { id: GroupId; kind: string; name: string; zone?: string; about?: string }

/** Loads people and groups of the demo company. */
export const demoPeople = (parts: Parts) => ({
  async addGroups(groups: readonly NewGroup[], now: number): Promise<void> {
    await parts.database.transaction(async (tx) => {
      for (const { id, kind, name, zone = null, about = '' } of groups)
        await addGroup(tx, id, kind as GroupKindId, { name, about, zone, leaderId: null }, now)
    })
  },
  async addPeople(people: readonly NewPerson[], password: string, now: number): Promise<void> {
    const passwordHash = await hashPassword(password)
    const ids = people.map(({ id }) => id)
    await parts.database.transaction(async (tx) => {
      await changePeople(tx, parts, {
        ids: [],
        by: null,
        now,
        into: () => people.map((person) => ({ ...newcomer(person.id, person.name, person.siteId, person.level), ...person })),
      })
      await tx.in(PERSON).update({ passwordHash }, { id: ids })
    })
  },
  setFace: (id: PersonId, bytes: Uint8Array) => saveFace(parts, id, bytes),
  setLeader: (id: GroupId, leaderId: PersonId) => parts.database.in(GROUP).update({ leaderId }, { id }),
  setDuties: (group: GroupId, duties: Duty[], by: PersonId) => parts.database.transaction((tx) => saveDutiesOf(tx, group, duties, by)),
  async addKind(name: string, groups: { name: string; people: PersonId[] }[], now: number): Promise<void> {
    const kindId = parts.newId<GroupKindId>()
    await parts.database.transaction(async (tx) => {
      await addGroupKind(tx, kindId, name)
      for (const { name: called, people } of groups) {
        const group = parts.newId<GroupId>()
        await addGroup(tx, group, kindId, { name: called, about: '', zone: null, leaderId: null }, now)
        await changeMembers(tx, parts, { group, join: people, leave: [], by: null, now })
      }
    })
  },
  /** Changes people as somebody would; the past of the demo is made of it. */
  async changePerson(id: PersonId, change: Partial<PersonState>, now: number): Promise<void> {
    await parts.database.transaction((tx) =>
      changePeople(tx, parts, {
        ids: [id],
        by: null,
        now,
        into: (states) => [...states.values()].map((state) => ({ ...state, ...change })),
      }),
    )
  },
})
