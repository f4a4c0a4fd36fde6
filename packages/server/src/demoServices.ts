import type { Batch, DemoServices, NewPerson } from '@jackdaw/demo'
import { LEVEL_PRESETS } from '@jackdaw/core/people'
import { v7 as uuidV7 } from 'uuid'
import { publish } from './assignments'
import { noteGiven, takeEvents } from './events'
import { readPicture, storePicture, storePictureText } from './files'
import { findDraft, findLook, insertGuide, saveDraftChanges, writeLook } from './guides'
import type { Caller, Parts } from './http'
import { insertFolder } from './library'
import { hashPassword } from './people'
import { actInAttempt, giveUpAttempt, openAttempt } from './players'

type InsertAll = (table: string, columns: string[], rows: readonly Record<string, unknown>[]) => Promise<void>

async function addPeople(insertAll: InsertAll, people: readonly NewPerson[], password: string, now: number): Promise<void> {
  const hash = await hashPassword(password)
  await insertAll(
    'person',
    ['id', 'name', 'mail', 'password_hash', 'level', 'permissions', 'site_id', 'department_id', 'manager_id', 'active', 'created_at'],
    people.map((person) => ({
      id: person.id,
      name: person.name,
      mail: person.mail,
      password_hash: hash,
      level: person.level,
      permissions: LEVEL_PRESETS[person.level],
      site_id: person.siteId,
      department_id: person.departmentId,
      manager_id: person.managerId,
      active: true,
      created_at: new Date(now).toISOString(),
    })),
  )
  await insertAll(
    'person_team',
    ['person_id', 'team_id'],
    people.flatMap((person) => person.teamIds.map((id) => ({ person_id: person.id, team_id: id }))),
  )
  await insertAll(
    'person_role',
    ['person_id', 'role_id'],
    people.flatMap((person) => person.roleIds.map((id) => ({ person_id: person.id, role_id: id }))),
  )
}

/** The server's own services as the demo company is loaded through them. */
export function demoServices({ database: db, content, decoder, newId }: Parts): DemoServices {
  const insertAll: InsertAll = async (table, columns, rows) => {
    if (rows.length === 0) return
    await db.rows(
      `insert into ${table} (${columns.join(', ')}) select ${columns.map((column) => `r.${column}`).join(', ')} from jsonb_populate_recordset(null::${table}, $1::jsonb) r`,
      [JSON.stringify(rows)],
    )
  }
  return {
    newId,
    newEventId: uuidV7,
    async addGroups(groups) {
      await insertAll('site', ['id', 'name', 'zone'], groups.sites)
      for (const kind of ['department', 'team', 'role'] as const) await insertAll(kind, ['id', 'name'], groups[`${kind}s`])
    },
    addPeople: (people, password, now) => addPeople(insertAll, people, password, now),
    addFolder: (folder) => insertFolder(db, folder),
    addGuide: (guide) => insertGuide(db, guide),
    async addPicture({ id, guideId, bytes, by, now }) {
      await storePicture(db, content, await readPicture(decoder, bytes), { id, guideId, by, now })
    },
    addPictureText: (id, boxes) => storePictureText(db, id, boxes),
    async setLook(look) {
      await writeLook(db, { ...(await findLook(db)), ...look })
    },
    async saveChanges(guideId, by, changes, now) {
      const draft = await findDraft(db, guideId)
      return saveDraftChanges(
        db,
        newId,
        { id: by } as Caller,
        guideId,
        { baseRevision: draft?.revision ?? 0, changeSetId: newId(), changes },
        now,
      )
    },
    publish: (guideId, request, by, now) => publish(db, newId, guideId, request, by, now),
    openAttempt: (guideId, personId, now) => openAttempt(db, newId, guideId, personId, 'en-GB', now),
    actInAttempt: (guideId, attemptId, personId, act, now) => actInAttempt(db, guideId, attemptId, personId, act, now),
    giveUpAttempt: (guideId, attemptId, personId, now) => giveUpAttempt(db, guideId, attemptId, personId, now),
    async takeEvents(batches) {
      for (const batch of batches)
        for (const part of inParts(batch)) {
          // Guides of the demo were given when its people opened them.
          for (const event of part.events)
            if (event.way === 'read' && event.verb === 'opened') await noteGiven(db, part.personId, [event], event.occurredAt)
          await takeEvents(db, part.personId, { sentAt: part.at, events: part.events }, part.at)
        }
    },
  }
}

const MOST = 500
const inParts = (batch: Batch): Batch[] =>
  Array.from({ length: Math.ceil(batch.events.length / MOST) }, (_, i) => ({
    ...batch,
    events: batch.events.slice(i * MOST, (i + 1) * MOST),
  }))
