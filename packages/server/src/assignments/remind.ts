import { offsetsOf, reminderDue, ReminderRules, USUAL_REMINDERS } from '@jackdaw/core/assignments'
import { isQuiet, type EntryData } from '@jackdaw/core/inbox'
import { itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import { groupedBy, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts } from '../http'
import { notify, readMailRules } from '../inbox'
import { columnsOf, doneSql, waitingSql } from '../items'
import { readSetting, writeSetting } from '../settings'

const KEY = 'reminders'
/** When people are reminded. */
export async function readReminders(db: Db): Promise<ReminderRules> {
  return ReminderRules.safeParse(await readSetting(db, KEY)).data ?? USUAL_REMINDERS
}
export const writeReminders = (db: Db, rules: ReminderRules): Promise<void> => writeSetting(db, KEY, rules)

type Line = {
  id: string
  person: PersonId
  name: string
  manager: PersonId | null
  kind: ItemKind
  item: ItemId
  title: string
  due_on: LocalDate
  today: LocalDate
  since: LocalDate
  own: number | null
  stages: string[]
}
const COLUMNS = columnsOf('null', 'null')
/** What is not done, and does not wait for somebody else, of what people are to do, near its due day or after it, with the reminders that were sent of that day. Nobody is reminded who is away. */
const LINES = `
  select a.id, a.person_id as person, p.name, m.id as manager, a.item_kind as kind, a.item_id as item, i.title, to_char(a.due_on, 'YYYY-MM-DD') as due_on, to_char(t.today, 'YYYY-MM-DD') as today,
    to_char((greatest(a.assigned_at, a.round_from) at time zone s.zone)::date, 'YYYY-MM-DD') as since, c.before_days as own,
    array(select w.stage || ' ' || w.to_id from reminder w where w.assignment_id = a.id and w.due_on = a.due_on) as stages
  from person p join people_group s on s.id = p.site_id cross join lateral (select ($1::timestamptz at time zone s.zone)::date as today) t
  join assignment a on a.person_id = p.id and a.use = 'to-do' and a.waived_at is null and a.due_on between t.today - $3::int and t.today + $4::int
  join item i on i.kind = a.item_kind and i.id = a.item_id and i.archived_at is null and i.edition is not null
  left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
  left join person m on m.id = p.manager_id and m.active left join reminder_choice c on c.person_id = p.id
  where p.id = any ($2) and not ${doneSql(COLUMNS)} and not ${waitingSql(COLUMNS)}
    and not exists (select 1 from absence x where x.person_id = p.id and t.today between x.from_on and x.until_on)`

/** A reminder to be sent: to whom, of which line, and how many days from its due day that is. */
type Reminder = { line: Line; to: PersonId; stage: number }

/** The reminders that are due, which were not sent yet. */
function remindersOf(line: Line, rules: ReminderRules): Reminder[] {
  const { due_on: dueOn, today, since, own, person, manager } = line
  const due = (to: PersonId | null, offsets: readonly number[]): Reminder[] => {
    const stage = to === null ? null : reminderDue(dueOn, today, since, offsets)
    return to === null || stage === null || line.stages.includes(`${stage} ${to}`) ? [] : [{ line, to, stage }]
  }
  return [...due(person, offsetsOf(rules, own)), ...(rules.managerAfter === null ? [] : due(manager, [rules.managerAfter]))]
}

/** Writes reminders down. @returns those that nobody else has written meanwhile */
async function claim(tx: Db, reminders: readonly Reminder[], now: number): Promise<Reminder[]> {
  const rows = reminders.map(({ line, to, stage }) => ({ line: line.id, due: line.due_on, stage, to }))
  const written = await tx.rows<{ key: string }>(
    `insert into reminder (assignment_id, due_on, stage, to_id, sent_at)
     select x.line, x.due, x.stage, x."to", $2 from jsonb_to_recordset($1::jsonb) as x (line text, due date, stage int, "to" text) order by x.line, x.due, x.stage, x."to"
     on conflict do nothing returning assignment_id || ' ' || stage || ' ' || to_id as key`,
    [JSON.stringify(rows), new Date(now)],
  )
  const ours = new Set(written.map(({ key }) => key))
  return reminders.filter(({ line, to, stage }) => ours.has(`${line.id} ${stage} ${to}`))
}

const NAMES_SHOWN = 8
/** Whom each one who has people reporting to them is told of, for one item. */
function lateOf(reminders: readonly Reminder[]): { personId: PersonId; data: EntryData<'team-late'> }[] {
  return [...groupedBy(reminders, ({ to }) => to)].map(([personId, of]) => {
    const names = of.map(({ line }) => line.name).sort()
    const shown = names.slice(0, NAMES_SHOWN).join(', ') + (names.length > NAMES_SHOWN ? ' …' : '')
    return { personId, data: { title: of[0]!.line.title, names: shown, count: names.length } }
  })
}

async function tell(tx: Db, parts: Parts, item: ItemRef, reminders: readonly Reminder[], now: number): Promise<void> {
  const own = reminders.filter(({ line, to }) => line.person === to)
  for (const kind of ['due-soon', 'late'] as const) {
    const told = own.filter(({ line }) => line.due_on < line.today === (kind === 'late'))
    const people = told.map(({ to: personId, line }) => ({ personId, data: { title: line.title, due: line.due_on } }))
    await notify(tx, parts, kind, item, people, now)
  }
  await notify(tx, parts, 'team-late', item, lateOf(reminders.filter(({ line, to }) => line.person !== to)), now)
}

/** People who are looked at in one transaction. */
const TOGETHER = 2_000
/** Reminds people of what is due, each once for each of the days that the rules say, outside of the quiet hours where they work; and tells those to whom they
 * report. Two servers at once, or one that is stopped, send nothing twice.
 * @returns how many reminders were sent */
export async function remind(parts: Parts, now: number): Promise<number> {
  const { database } = parts
  const [rules, mailRules] = [await readReminders(database), await readMailRules(database)]
  const people = await database.rows<{ id: PersonId; zone: string }>(
    'select p.id, s.zone from person p join people_group s on s.id = p.site_id where p.active order by p.id',
  )
  const zones = new Map([...new Set(people.map(({ zone }) => zone))].map((zone) => [zone, isQuiet(now, zone, mailRules)]))
  const awake = people.flatMap(({ id, zone }) => (zones.get(zone) ? [] : [id]))
  const { before, after, managerAfter } = rules
  const own = await database.one<{ most: number | null }>('select max(before_days) as most from reminder_choice')
  const [back, ahead] = [Math.max(0, ...after, managerAfter ?? 0) + 4, Math.max(0, ...before, own?.most ?? 0)]
  let sent = 0
  for (let at = 0; at < awake.length; at += TOGETHER)
    sent += await database.transaction(async (tx) => {
      const lines = await tx.rows<Line>(LINES, [new Date(now), awake.slice(at, at + TOGETHER), back, ahead])
      const due = lines.flatMap((line) => remindersOf(line, rules))
      if (due.length === 0) return 0
      const ours = await claim(tx, due, now)
      for (const [, some] of groupedBy(ours, ({ line }) => `${line.kind} ${line.item}`)) {
        const [{ line }] = some as [Reminder]
        await tell(tx, parts, itemRefOf(line.kind, line.item), some, now)
      }
      return ours.length
    })
  return sent
}
