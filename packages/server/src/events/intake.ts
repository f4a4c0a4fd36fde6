import type { RefusedEvent } from '@jackdaw/contracts/reading'
import { heldTime, inTodaysForm } from '@jackdaw/core/events'
import { countsAsProgress, itemKey, itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { UsageEvent } from '@jackdaw/core/players'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import type { EventRules, KnownEdition, ToldEvent } from '../eventRules'
import { addEvents, oneAtATime, type NewEvent } from './insert'
import type { SeenBy } from './seenBy'
import { canVouchFor, noteGiven } from './vouching'

type Why = RefusedEvent['why']
export type Taken = { taken: number; refused: RefusedEvent[] }
/** An event with its place in the batch. */
type Placed = { at: number; event: ToldEvent }

const editionKey = ({ item, edition }: Pick<ToldEvent, 'item' | 'edition'>): string => `${itemKey(item)} ${edition}`

type Row = {
  kind: ItemKind
  id: ItemId
  edition: number
  required: number
  published_at: Date
  withdrawn_at: Date | null
  parts: string[]
  cautioned: string[]
  given: boolean
}
const KNOWN_EDITIONS = keepPlan(
  'known-editions',
  `select i.kind, i.id, e.number as edition, least(i.required_edition, e.number) as required, e.published_at, e.withdrawn_at,
       array(select s.part_id from edition_part s where s.item_kind = e.item_kind and s.item_id = e.item_id and s.edition = e.number) as parts,
       array(select s.part_id from edition_part s where s.item_kind = e.item_kind and s.item_id = e.item_id and s.edition = e.number and s.caution is not null) as cautioned,
     exists (select 1 from edition_given x where x.item_kind = e.item_kind and x.item_id = e.item_id and x.person_id = $1 and x.edition = e.number) as given
     from unnest($2::text[], $3::text[], $4::int[]) as asked (kind, id, number)
       join edition e on e.item_kind = asked.kind and e.item_id = asked.id and e.number = asked.number join item i on i.kind = e.item_kind and i.id = e.item_id
     where exists (select 1 from item_access x where x.item_kind = e.item_kind and x.item_id = e.item_id and x.person_id = $1)`,
)
/** The editions that the events speak of and that their sender may see, with their parts. */
async function knownEditions(db: Db, personId: PersonId, events: readonly ToldEvent[]): Promise<Map<string, KnownEdition>> {
  const asked = [...new Map(events.map((event) => [editionKey(event), event])).values()]
  const rows = await db.rows<Row>(KNOWN_EDITIONS, [
    personId,
    asked.map(({ item }) => item.kind),
    asked.map(({ item }) => item.id),
    asked.map((each) => each.edition),
  ])
  const known = rows.map(({ kind, id, edition, required, published_at, withdrawn_at, parts, cautioned, given }): KnownEdition => ({
    item: itemRefOf(kind, id),
    edition,
    required,
    publishedAt: published_at.getTime(),
    withdrawnAt: withdrawn_at?.getTime() ?? null,
    parts: new Set(parts),
    cautioned: new Set(cautioned),
    given,
  }))
  return new Map(known.map((each) => [editionKey(each), each]))
}

/** Takes apart what is an event and what is not; of older pages, in their form. */
export function readEvents(candidates: readonly unknown[]): { placed: Placed[]; refused: RefusedEvent[] } {
  const placed: Placed[] = []
  const refused: RefusedEvent[] = []
  for (const [at, candidate] of candidates.entries()) {
    const parsed = UsageEvent.safeParse(inTodaysForm(candidate))
    if (parsed.success) {
      const { id, verb, way, item, edition, occurredAt, ...more } = parsed.data
      const { part, visit, ...carries } = more as { part?: string; visit?: string } & Record<string, unknown>
      const about = { ...(part === undefined ? {} : { part }), ...(visit === undefined ? {} : { visit }) }
      placed.push({ at, event: { id, verb, way, item, edition, occurredAt, ...about, carries } })
    } else {
      const id = (candidate as { id?: unknown } | null)?.id
      const issue = parsed.error.issues[0]
      const detail = `${issue?.path.map(String).join('/') ?? ''}: ${issue?.message ?? ''}`.slice(0, 200)
      refused.push({ at, id: typeof id === 'string' ? id.slice(0, 100) : '', why: 'malformed', detail })
    }
  }
  return { placed, refused }
}

type Good = { event: ToldEvent; known: KnownEdition }
/** Parts the events that are taken from those that are not. */
async function sift(
  db: Db,
  { checks, verbs }: EventRules,
  personId: PersonId,
  placed: readonly Placed[],
): Promise<{ good: Good[]; refused: RefusedEvent[] }> {
  const batch = placed.map(({ event }) => event)
  const editions = await knownEditions(db, personId, batch)
  const good: Good[] = []
  const refused: RefusedEvent[] = []
  const items = new Set([...editions.values()].map(({ item }) => itemKey(item)))
  for (const { at, event } of placed) {
    const refuse = (why: Why) => refused.push({ at, id: event.id, why })
    const known = editions.get(editionKey(event))
    if (!known) refuse(items.has(itemKey(event.item)) ? 'unknown-edition' : 'unknown-guide')
    else if (event.part !== undefined && !known.parts.has(event.part)) refuse('unknown-step')
    // What was done before it was withdrawn was done; from then on nobody is through with it.
    else if (verbs[event.verb]?.marks === 'finished' && known.withdrawnAt !== null && event.occurredAt > known.withdrawnAt)
      refuse('unknown-edition')
    else {
      const why = (await checks[event.verb]?.(db, { personId, event, known, batch })) ?? null
      if (why === null) good.push({ event, known })
      else refuse(why)
    }
  }
  return { good, refused }
}

/** An event of a browser as it is written down. */
export function asNew(
  { event, known }: { event: ToldEvent; known: Pick<KnownEdition, 'publishedAt'> },
  sentAt: number,
  now: number,
): NewEvent {
  const { at, putRight } = heldTime({ occurredAt: event.occurredAt, sentAt }, known.publishedAt, now)
  return { ...event, occurredAt: at, timePutRight: putRight, attested: false }
}

/** Takes a batch of events of one person, each for itself. An event that is there already changes nothing; what is counted is brought up to
 * date in the same transaction, so that it is never behind. What the server can vouch for is attested. */
export async function takeEvents(
  db: Db,
  rules: EventRules,
  personId: PersonId,
  batch: { sentAt: number; events: readonly unknown[]; seen?: SeenBy },
  now: number,
): Promise<Taken> {
  const { placed, refused: malformed } = readEvents(batch.events)
  if (placed.length === 0) return { taken: 0, refused: malformed }
  const told = { subject: personId, now, ...(batch.seen ? { seen: batch.seen } : {}) }
  return db.transaction(async (tx) => {
    await oneAtATime(tx, personId)
    const { good, refused } = await sift(tx, rules, personId, placed)
    const counting = good.filter(({ event }) => countsAsProgress(event.item, event.way))
    const isVouchable = ({ event }: Good) => rules.verbs[event.verb]?.vouching === 'time' && countsAsProgress(event.item, event.way)
    await noteGiven(
      tx,
      personId,
      counting.filter(({ known }) => !known.given).map(({ event }) => event),
      now,
    )
    const others = good.filter((each) => !isVouchable(each))
    await addEvents(
      tx,
      rules,
      told,
      others.map((each) => asNew(each, batch.sentAt, now)),
    )
    // The times of the same batch count for what is finished in it.
    const vouched: NewEvent[] = []
    for (const each of good.filter(isVouchable))
      vouched.push({ ...asNew(each, batch.sentAt, now), attested: await canVouchFor(tx, rules, personId, each.known, now) })
    await addEvents(tx, rules, told, vouched)
    return { taken: good.length, refused: [...malformed, ...refused].sort((a, b) => a.at - b.at) }
  })
}
