import pg from 'pg'
import { v7 as uuidV7 } from 'uuid'
import type { Session } from './server'

export type Reader = { session: Session; guideId: string; edition: number; steps: string[] }
const BATCH = 200

const batchOf = (reader: Reader): { id: string; verb: string; part: string }[] =>
  Array.from({ length: BATCH }, (_, i) => {
    const stepId = reader.steps[i % reader.steps.length]!
    return {
      id: uuidV7(),
      item: { kind: 'guide', id: reader.guideId },
      edition: reader.edition,
      way: 'read',
      occurredAt: Date.now(),
      part: stepId,
      ...(i % 3 === 0 ? { verb: 'step-viewed' } : { verb: 'time-spent', activeMs: 4_000 }),
    }
  })

/** Sends batches from several people at once as fast as they are taken.
 * @returns the ids that were answered with 200, and events a second */
export async function sendEvents(
  address: string,
  readers: readonly Reader[],
  seconds: number,
): Promise<{ answered: string[]; perSecond: number; errors: number }> {
  const answered: string[] = []
  let errors = 0
  const startedAt = performance.now()
  const until = startedAt + seconds * 1000
  await Promise.all(
    readers.map(async (reader) => {
      while (performance.now() < until) {
        const events = batchOf(reader)
        try {
          const response = await fetch(`${address}/api/events`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', cookie: reader.session.cookie, 'x-csrf-token': reader.session.csrf },
            body: JSON.stringify({ sentAt: Date.now(), events }),
          })
          const answer = (await response.json()) as { taken?: number }
          if (response.status === 200 && answer.taken === BATCH) answered.push(...events.map((event) => event.id))
          else errors++
        } catch {
          // The server was killed, as the test wants; what it had not answered is not counted.
          errors++
          return
        }
      }
    }),
  )
  return { answered, perSecond: answered.length / ((performance.now() - startedAt) / 1000), errors }
}

/** The same number of rows as plain multi-row inserts into a table of the same shape, for comparison.
 * @returns rows a second */
export async function rawInserts(databaseUrl: string, lanes: number, seconds: number): Promise<number> {
  const clients = await Promise.all(
    Array.from({ length: lanes }, async () => {
      const client = new pg.Client(databaseUrl)
      await client.connect()
      return client
    }),
  )
  await clients[0]!.query('create table if not exists bare_event (like event including defaults including indexes)')
  let rows = 0
  const startedAt = performance.now()
  const until = startedAt + seconds * 1000
  await Promise.all(
    clients.map(async (client) => {
      while (performance.now() < until) {
        const ids = Array.from({ length: BATCH }, () => uuidV7())
        await client.query(
          `insert into bare_event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, attested, occurred_at, received_at, device, browser, language, local_day)
           select x, 3, 'step-viewed', 'read', 'person', $2, 'person', $2, 'guide', $2, 1, $2, false, now(), now(), 'computer', 'Chrome', 'en', current_date from unnest($1::uuid[]) x`,
          [ids, 'x'.repeat(21)],
        )
        rows += BATCH
      }
    }),
  )
  const perSecond = rows / ((performance.now() - startedAt) / 1000)
  await clients[0]!.query('drop table bare_event')
  await Promise.all(clients.map((client) => client.end()))
  return perSecond
}
