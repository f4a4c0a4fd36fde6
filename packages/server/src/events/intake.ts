import type { RefusedEvent } from '@jackdaw/contracts/reading'
import { EVENT_SCHEMA_VERSION, heldTime, UsageEvent } from '@jackdaw/core/events'
import { readDocument } from '@jackdaw/core/guides'
import { stepsLeft } from '@jackdaw/core/flow'
import { actingScriptOf } from '@jackdaw/core/players'
import type { Way } from '@jackdaw/core/ways'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { countPartsSeenBy, partsDone } from '../items'
import { rollUpAcknowledgements, rollUpParts, rollUpProgress, rollUpWays, rollUpWaySteps } from './rollUp'
import { canVouchFor, noteGiven } from './vouching'

type Why = RefusedEvent['why']
type Known = {
  guide_id: GuideId
  edition: number
  required_edition: number
  confirm_steps: boolean
  branches: boolean
  step_ids: string[]
  caution_ids: string[]
  published_at: Date
}
export type Taken = { taken: number; refused: RefusedEvent[] }
/** An event with its place in the batch. */
type Placed = { at: number; event: UsageEvent }

const key = (guideId: string, edition: number): string => `${guideId} ${edition}`

/** The editions that the events speak of and that their sender may read, with their steps. */
async function knownEditions(db: Db, personId: PersonId, events: readonly UsageEvent[]): Promise<Map<string, Known>> {
  const pairs = new Map(events.map((event) => [key(event.guideId, event.edition), event]))
  const rows = await db.rows<Known>(
    `select e.item_id as guide_id, e.number as edition, least(i.required_edition, e.number) as required_edition, e.published_at, g.confirm_steps, g.branches,
       array(select s.part_id from edition_part s where s.item_kind = e.item_kind and s.item_id = e.item_id and s.edition = e.number) as step_ids,
       array(select s.part_id from edition_part s where s.item_kind = e.item_kind and s.item_id = e.item_id and s.edition = e.number and s.caution is not null) as caution_ids
     from unnest($2::text[], $3::int[]) as asked (guide_id, number) join edition e on e.item_kind = 'guide' and e.item_id = asked.guide_id and e.number = asked.number
       join item i on i.kind = e.item_kind and i.id = e.item_id join guide_edition g on g.guide_id = e.item_id and g.edition = e.number
     where exists (select 1 from item_access x where x.item_kind = e.item_kind and x.item_id = e.item_id and x.person_id = $1)`,
    [personId, [...pairs.values()].map((event) => event.guideId), [...pairs.values()].map((event) => event.edition)],
  )
  return new Map(rows.map((row) => [key(row.guide_id, row.edition), row]))
}

/** Whether the record, with this batch, holds every step of the edition as seen and, where asked for, acknowledged and confirmed, in an edition that
 * still counts. */
async function hasReadAll(db: Db, personId: PersonId, known: Known, events: readonly UsageEvent[]): Promise<boolean> {
  const { seen, acknowledged, confirmed } = await partsDone(db, guideItem(known.guide_id), personId, known.required_edition)
  for (const event of events) {
    if (event.way !== 'read' || event.guideId !== known.guide_id || event.edition < known.required_edition) continue
    if (event.verb === 'step-viewed') seen.add(event.stepId)
    if (event.verb === 'step-acknowledged') acknowledged.add(event.stepId)
    if (event.verb === 'step-confirmed') confirmed.add(event.stepId)
  }
  const hasRead = (id: string): boolean =>
    seen.has(id) && (!known.confirm_steps || confirmed.has(id)) && (!known.caution_ids.includes(id) || acknowledged.has(id))
  return known.branches ? hasGoneThrough(db, personId, known, hasRead) : known.step_ids.every(hasRead)
}

/** Whether somebody has read all steps of a way through a guide with branches: one that a person like them can be led. */
async function hasGoneThrough(db: Db, personId: PersonId, known: Known, hasRead: (id: string) => boolean): Promise<boolean> {
  const row = await db.one<{ bytes: string; roles: string[]; site_id: string }>(
    `select e.bytes, p.site_id, array(select role_id from person_role where person_id = p.id) as roles from edition e, person p
     where e.item_kind = 'guide' and e.item_id = $1 and e.number = $2 and p.id = $3`,
    [known.guide_id, known.edition, personId],
  )
  const document = readDocument(JSON.parse(row!.bytes))
  const person = { roles: row!.roles, sites: [row!.site_id], language: document.language }
  return stepsLeft(actingScriptOf(document), person, {}, hasRead).length === 0
}

/** Takes apart what is an event and what is not. */
function readEvents(candidates: readonly unknown[]): { placed: Placed[]; refused: RefusedEvent[] } {
  const placed: Placed[] = []
  const refused: RefusedEvent[] = []
  for (const [at, candidate] of candidates.entries()) {
    const parsed = UsageEvent.safeParse(candidate)
    if (parsed.success) placed.push({ at, event: parsed.data })
    else {
      const id = (candidate as { id?: unknown } | null)?.id
      const issue = parsed.error.issues[0]
      const detail = `${issue?.path.map(String).join('/') ?? ''}: ${issue?.message ?? ''}`.slice(0, 200)
      refused.push({ at, id: typeof id === 'string' ? id.slice(0, 100) : '', why: 'malformed', detail })
    }
  }
  return { placed, refused }
}

type Sifted = { good: { event: UsageEvent; known: Known }[]; refused: RefusedEvent[] }
async function sift(db: Db, personId: PersonId, placed: readonly Placed[]): Promise<Sifted> {
  const events = placed.map(({ event }) => event)
  const editions = await knownEditions(db, personId, events)
  const good: Sifted['good'] = []
  const refused: RefusedEvent[] = []
  const guides = new Set([...editions.values()].map((known) => known.guide_id))
  for (const { at, event } of placed) {
    const refuse = (why: Why) => refused.push({ at, id: event.id, why })
    const known = editions.get(key(event.guideId, event.edition))
    if (!known) refuse(guides.has(event.guideId) ? 'unknown-edition' : 'unknown-guide')
    else if ('stepId' in event && !known.step_ids.includes(event.stepId)) refuse('unknown-step')
    else if (isFinished(event) && !(await hasReadAll(db, personId, known, events))) refuse('steps-not-read')
    else good.push({ event, known })
  }
  return { good, refused }
}
const isFinished = (event: UsageEvent): boolean => event.verb === 'finished' && event.way === 'read'

const INSERT = `
  insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_id, item_kind, item_id, edition, step_id, active_ms, attested, occurred_at, time_put_right, received_at, play_id, tries, help, done, percent, passed)
  select e.id, ${EVENT_SCHEMA_VERSION}, e.verb, e.way, 'person', $1, $1, 'guide', e.item_id, e.edition, e.step_id, e.active_ms, e.attested, e.occurred_at, coalesce(e.time_put_right, false), $2, e.play_id, e.tries, e.help, e.done, e.percent, e.passed
  from jsonb_to_recordset($3::jsonb)
    as e (id uuid, verb text, way text, item_id text, edition int, step_id text, active_ms int, attested bool, occurred_at timestamptz, time_put_right bool, play_id text, tries int, help int, done bool, percent int, passed bool)
  on conflict (id) do nothing
  returning item_kind, item_id, subject_id, way, edition, step_id, verb, active_ms, attested, occurred_at, tries, help, done, percent, passed`

/** An event as it is stored. */
type StoredEvent = {
  id: string
  verb: UsageEvent['verb']
  way: Way
  item_id: GuideId
  edition: number
  step_id: string | null
  active_ms: number
  attested: boolean
  occurred_at: string
  time_put_right?: boolean
  play_id?: string | null
  tries?: number
  help?: number
  done?: boolean
  percent?: number
  passed?: boolean
}

/** Adds events of one person and brings the roll-ups up to date, in the transaction of the caller. */
async function addEvents(tx: Db, personId: PersonId, events: readonly StoredEvent[], now: number): Promise<void> {
  if (events.length === 0) return
  await tx.rows(
    `with fresh as (${INSERT}), parts as (${rollUpParts('fresh')}), acknowledged as (${rollUpAcknowledgements('fresh')}), ways as (${rollUpWays('fresh')}), way_steps as (${rollUpWaySteps('fresh')}) ${rollUpProgress('fresh')}`,
    [personId, new Date(now), JSON.stringify(events)],
  )
  const seen = new Set(events.filter(({ verb }) => verb === 'step-viewed').map((event) => event.item_id))
  if (seen.size > 0) await countPartsSeenBy(tx, personId, [...seen])
}

/** One batch of a person at a time: rows of the roll-ups are then always locked in one order. */
const oneAtATime = (tx: Db, personId: PersonId) => tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 0))', [personId])

/** An event that the server itself tells. */
export type AttestedEvent = Omit<StoredEvent, 'attested'>

/** Adds what the server itself has judged; attested. Sending the same ids again changes nothing. */
export async function addAttested(tx: Db, personId: PersonId, events: readonly AttestedEvent[], now: number): Promise<void> {
  await oneAtATime(tx, personId)
  await addEvents(
    tx,
    personId,
    events.map((event) => ({ ...event, attested: true })),
    now,
  )
}

/** An event of a browser as it is stored. */
function stored({ event, known }: Sifted['good'][number], sentAt: number, now: number): StoredEvent {
  const { at, putRight } = heldTime({ occurredAt: event.occurredAt, sentAt }, known.published_at.getTime(), now)
  return {
    id: event.id,
    verb: event.verb,
    way: event.way,
    item_id: event.guideId,
    edition: event.edition,
    step_id: 'stepId' in event ? event.stepId : null,
    active_ms: event.verb === 'time-spent' ? event.activeMs : 0,
    attested: false,
    occurred_at: new Date(at).toISOString(),
    time_put_right: putRight,
    play_id: event.playId ?? null,
    ...(event.verb === 'step-done' ? { tries: event.tries, help: event.help, done: true } : {}),
  }
}

/** Takes a batch of events of one person, each for itself. An event that is there already changes nothing; the roll-ups are brought up to
 * date in the same transaction, so that they are never behind. "Finished" reading is attested where the server can vouch for it. */
export async function takeEvents(
  db: Db,
  personId: PersonId,
  batch: { sentAt: number; events: readonly unknown[] },
  now: number,
): Promise<Taken> {
  const { placed, refused: malformed } = readEvents(batch.events)
  return db.transaction(async (tx) => {
    await oneAtATime(tx, personId)
    const { good, refused } = await sift(tx, personId, placed)
    const readings = good.filter(({ event }) => event.way === 'read')
    await noteGiven(
      tx,
      personId,
      readings.map(({ event }) => ({ item: guideItem(event.guideId), edition: event.edition })),
      now,
    )
    const finishes = good.filter(({ event }) => isFinished(event))
    const others = good.filter(({ event }) => !isFinished(event))
    await addEvents(
      tx,
      personId,
      others.map((each) => stored(each, batch.sentAt, now)),
      now,
    )
    // The times of the same batch count for what is finished in it.
    const finished: StoredEvent[] = []
    const vouches = ({ guide_id, edition, required_edition }: Known) =>
      canVouchFor(tx, personId, guideItem(guide_id), { edition, required: required_edition }, now)
    for (const each of finishes) finished.push({ ...stored(each, batch.sentAt, now), attested: await vouches(each.known) })
    await addEvents(tx, personId, finished, now)
    return { taken: good.length, refused: [...malformed, ...refused].sort((a, b) => a.at - b.at) }
  })
}
