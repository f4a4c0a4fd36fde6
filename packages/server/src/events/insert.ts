import { EVENT_FIGURES } from '@jackdaw/core/events'
import type { ItemId, ItemRef } from '@jackdaw/core/items'
import type { GuestVisitId, PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import { keepPlan, type Db } from '../db'
import type { EventRules, RollUp } from '../eventRules'
import { countPartsSeenBy } from '../items'
import { countAnew } from './recount'
import { UNSEEN, type SeenBy } from './seenBy'

/** Version of the shape of events, kept with every one. */
const EVENT_SCHEMA_VERSION = 4

/** An event as it is written down. `occurredAt`: epoch milliseconds by the server's clock. */
export type NewEvent = {
  id: string
  verb: string
  /** `null`: it happened outside of all ways of use. */
  way: Way | null
  item: ItemRef
  edition: number
  part?: string | undefined
  visit?: string | undefined
  occurredAt: number
  timePutRight?: boolean
  attested: boolean
  /** The event that it supersedes. */
  amends?: string
  carries: Record<string, unknown>
}

/** Of whom events are written down, by whom, and when they came in. */
export type Told = { subject: PersonId; by?: PersonId; now: number; seen?: SeenBy }

/** The columns in which figures stand. */
const FIGURE_COLUMNS: ReadonlyMap<string, string> = new Map(
  EVENT_FIGURES.map((name) => [name, name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)]),
)

/** An event as a record of the statement below: figures stand in columns, all else it carries in one. Made for each of hundreds of events in a
 * batch, and so without detours. */
function recordOf(event: NewEvent): Record<string, unknown> {
  const record: Record<string, unknown> = {
    id: event.id,
    verb: event.verb,
    way: event.way,
    item_kind: event.item.kind,
    item_id: event.item.id,
    edition: event.edition,
    part_id: event.part,
    visit: event.visit,
    occurred_at: new Date(event.occurredAt).toISOString(),
    time_put_right: event.timePutRight ?? false,
    attested: event.attested,
    amends: event.amends,
  }
  let data: Record<string, unknown> | undefined
  for (const [name, value] of Object.entries(event.carries)) {
    const column = FIGURE_COLUMNS.get(name)
    if (column !== undefined) record[column] = value
    else (data ??= {})[name] = value
  }
  if (data) record['data'] = data
  return record
}

/** $1 subject, $2 actor, $3 receipt, $4 events as JSON, $5 to $7 device, browser and language. @param zone where the day is counted */
const insertAs = (kind: 'person' | 'guest', zone: string): string => `
  insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, visit, active_ms, tries, help, done, percent, passed,
    data, attested, occurred_at, time_put_right, received_at, device, browser, language, local_day, amends)
  select e.id, ${EVENT_SCHEMA_VERSION}, e.verb, e.way, '${kind}', $2, '${kind}', $1, e.item_kind, e.item_id, e.edition, e.part_id, e.visit, coalesce(e.active_ms, 0), e.tries, e.help, e.done, e.percent, e.passed,
    e.data, e.attested, e.occurred_at, e.time_put_right, $3, $5, $6, $7, (e.occurred_at at time zone s.zone)::date, e.amends
  from jsonb_to_recordset($4::jsonb) as e (id uuid, verb text, way text, item_kind text, item_id text, edition int, part_id text, visit text, active_ms int, tries int, help int, done bool, percent int,
    passed bool, data jsonb, attested bool, occurred_at timestamptz, time_put_right bool, amends uuid)
    cross join (${zone}) s
  on conflict (id) do nothing
  returning *`
const INSERT = insertAs('person', 'select site.zone from person p join people_group site on site.id = p.site_id where p.id = $1')
const INSERT_OF_GUEST = keepPlan('add-guest-events', insertAs('guest', 'select $8::text as zone'))

const statements = new WeakMap<readonly RollUp[], string>()
/** The statement that writes events down and counts them. */
function statementOf(rollUps: readonly RollUp[]): string {
  const known = statements.get(rollUps)
  if (known !== undefined) return known
  const counts = rollUps.map(({ table, count }) => `count_${table} as (${count('fresh')})`)
  const statement = keepPlan('add-events', `with fresh as (${INSERT}), ${counts.join(', ')} select 1`)
  statements.set(rollUps, statement)
  return statement
}

const OF_ITEMS = 's.item_kind = any ($1) and s.item_id = any ($2) and s.person_id = $3'
/** Works out anew what is derived of rows to which events belong: of those of the items, or of single visits of them. Events that do not say in which visit it was may belong to any such. */
async function deriveOf(tx: Db, rollUps: readonly RollUp[], subject: PersonId, events: readonly NewEvent[]): Promise<void> {
  const itemsOf = (told: readonly NewEvent[]) => [
    [...new Set(told.map(({ item }) => item.kind))],
    [...new Set(told.map(({ item }) => item.id))],
    subject,
  ]
  const inAWay = events.filter(({ way }) => way !== null)
  for (const { table, derive } of rollUps) {
    if (!derive) continue
    const name = `derive-${table}`
    if (!derive.ofVisits) await tx.rows(keepPlan(name, derive.sql(OF_ITEMS)), itemsOf(events))
    else if (inAWay.length > 0)
      await tx.rows(keepPlan(name, derive.sql(`${OF_ITEMS} and (s.visit = any ($4) or $5 and strpos(s.visit, ' ') > 0)`)), [
        ...itemsOf(inAWay),
        [...new Set(inAWay.flatMap(({ visit }) => visit ?? []))],
        inAWay.some(({ visit }) => visit === undefined),
      ])
  }
}

/** Writes events of one person down and brings what is counted of them up to date, in the transaction of the caller. Those that are there
 * already change nothing. */
export async function addEvents(tx: Db, { verbs, rollUps }: EventRules, told: Told, events: readonly NewEvent[]): Promise<void> {
  if (events.length === 0) return
  const { subject, by = subject, now, seen = UNSEEN } = told
  await tx.rows(statementOf(rollUps), [
    subject,
    by,
    new Date(now),
    JSON.stringify(events.map(recordOf)),
    seen.device,
    seen.browser,
    seen.language,
  ])
  await deriveOf(tx, rollUps, subject, events)
  const items = (which: (event: NewEvent) => boolean): ItemId[] => [...new Set(events.filter(which).map((event) => event.item.id))]
  const gone = items(({ verb }) => verbs[verb]?.marks === 'seen')
  if (gone.length > 0) await countPartsSeenBy(tx, subject, gone)
  // Smallest, largest and sum cannot fall: what was amended is counted anew.
  for (const event of events) if (event.amends !== undefined) await countAnew(tx, rollUps, subject, event.item)
}

/** Writes down what happened in the visit of a guest: it is nobody's, and no roll-up of people counts it. @param zone IANA name, by which its day is told */
export async function addGuestEvents(
  tx: Db,
  { visit, zone, now, seen }: { visit: GuestVisitId; zone: string; now: number; seen: SeenBy },
  events: readonly NewEvent[],
): Promise<void> {
  if (events.length === 0) return
  const { device, browser, language } = seen
  await tx.rows(INSERT_OF_GUEST, [visit, visit, new Date(now), JSON.stringify(events.map(recordOf)), device, browser, language, zone])
}

/** One batch of a person at a time: rows of the roll-ups are then always locked in one order. */
export const oneAtATime = (tx: Db, personId: PersonId): Promise<unknown> =>
  tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 0))', [personId])

/** Adds what the server itself tells; attested. Sending the same ids again changes nothing. */
export async function addAttested(tx: Db, rules: EventRules, told: Told, events: readonly Omit<NewEvent, 'attested'>[]): Promise<void> {
  await oneAtATime(tx, told.subject)
  await addEvents(
    tx,
    rules,
    told,
    events.map((event) => ({ ...event, attested: true })),
  )
}
