import pg from 'pg'

/** Makes the demo `factor` times as large by copying its staff, their assignments and their events; then everything is counted anew
 * by the server's own command. The guides stay the same, so that a guide has `factor` times the readers. */
export async function scaleUp(databaseUrl: string, factor: number): Promise<void> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  if (factor > 1) {
    const copies = factor - 1
    const copyOf = (id: string) => `translate(substr(md5(${id} || n::text), 1, 21), ' ', '_')`
    await client.query(`
      begin;
      insert into person (id, name, mail, password_hash, level, permissions, site_id, manager_id, active, created_at, changed_at, sought)
        select ${copyOf('p.id')}, p.name || ' ' || n, 'copy' || n || p.mail, p.password_hash, 'staff', '{}', p.site_id, p.manager_id, true, p.created_at, p.changed_at, p.sought || ' ' || n
        from person p cross join generate_series(1, ${copies}) n where p.active;
      insert into membership (person_id, group_id, since)
        select ${copyOf('m.person_id')}, m.group_id, m.since from membership m cross join generate_series(1, ${copies}) n where m.until is null;
      insert into audience_member select m.audience_id, ${copyOf('m.person_id')}, m.since from audience_member m join person p on p.id = m.person_id and p.active cross join generate_series(1, ${copies}) n;
      insert into assignment (id, person_id, item_kind, item_id, assigned_at, use, due_on, due_zone, due_at) select ${copyOf('a.id')}, ${copyOf('a.person_id')}, a.item_kind, a.item_id, a.assigned_at, a.use, a.due_on, a.due_zone, a.due_at from assignment a join person p on p.id = a.person_id and p.active cross join generate_series(1, ${copies}) n;
      insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, active_ms, attested, occurred_at, received_at, visit, tries, help, done, percent, passed, local_day)
        select md5(e.id::text || n::text)::uuid, e.schema_version, e.verb, e.way, e.actor_kind, ${copyOf('e.subject_id')}, e.subject_kind, ${copyOf('e.subject_id')}, e.item_kind, e.item_id, e.edition, e.part_id, e.active_ms, e.attested,
        e.occurred_at + n * interval '1 second', e.received_at, e.visit, e.tries, e.help, e.done, e.percent, e.passed, e.local_day from event e cross join generate_series(1, ${copies}) n;
      commit;`)
  }
  await client.query('vacuum analyze')
  await client.end()
}

/** Fills one guide up to a number of events with made-up readers, then leaves the counting to the server's own command.
 * @returns how many events the guide has */
export async function fillGuide(databaseUrl: string, guideId: string, events: number): Promise<number> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const { rows: steps } = await client.query<{ n: number }>('select count(*)::int as n from edition_part where item_id = $1', [guideId])
  const perReader = steps[0]!.n * 6 + 1
  const { rows: have } = await client.query<{ n: number }>('select count(*)::int as n from event where item_id = $1', [guideId])
  const readers = Math.ceil((events - have[0]!.n) / perReader)
  await client.query(
    `insert into person (id, name, mail, password_hash, level, permissions, site_id, active, created_at, changed_at, sought)
     select substr(md5('reader' || n), 1, 21), 'Reader ' || n, 'reader' || n || '@larkmoor.example', 'x', 'staff', '{}', s.id, true, timestamptz '2026-01-01' + n * interval '1 second', timestamptz '2026-01-01', 'reader ' || n
     from generate_series(1, $1::int) n cross join (select id from people_group where kind_id = 'site' order by id limit 1) s`,
    [readers],
  )
  await client.query(
    `insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, active_ms, attested, occurred_at, received_at)
     select md5('e' || n || ' ' || s.position || ' ' || k)::uuid, 1, case when k = 1 then 'step-viewed' else 'time-spent' end, 'read', 'person', substr(md5('reader' || n), 1, 21), 'person', substr(md5('reader' || n), 1, 21), 'guide', $1, s.edition, s.part_id,
       case when k = 1 then 0 else 4000 + (n * 37 + k * 911) % 9000 end, false, timestamptz '2026-01-05' + n * interval '9 seconds' + s.position * interval '40 seconds' + k * interval '6 seconds', timestamptz '2026-02-01'
     from generate_series(1, $2::int) n join edition_part s on s.item_id = $1 cross join generate_series(1, 6) k
     where s.position <= 1 + (n * 7919) % ((select count(*)::int from edition_part where item_id = $1) + 6)`,
    [guideId, readers],
  )
  await client.query(
    `insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, active_ms, attested, occurred_at, received_at)
     select md5('done' || n)::uuid, 1, 'finished', 'read', 'person', substr(md5('reader' || n), 1, 21), 'person', substr(md5('reader' || n), 1, 21), 'guide', $1, (select max(edition) from edition_part where item_id = $1), null, 0, true, timestamptz '2026-01-20' + n * interval '9 seconds', timestamptz '2026-02-01'
     from generate_series(1, $2::int) n where (n * 7919) % ((select count(*)::int from edition_part where item_id = $1) + 6) >= (select count(*)::int from edition_part where item_id = $1)`,
    [guideId, readers],
  )
  const { rows } = await client.query<{ n: number }>('select count(*)::int as n from event where item_id = $1', [guideId])
  const missing = events - rows[0]!.n
  if (missing > 0)
    await client.query(
      `insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, active_ms, attested, occurred_at, received_at)
       select md5('more' || n)::uuid, 1, 'time-spent', 'read', 'person', r.id, 'person', r.id, 'guide', $1, s.edition, s.part_id, 3000, false, timestamptz '2026-01-21' + n * interval '1 second', timestamptz '2026-02-01'
       from generate_series(1, $2::int) n join (select edition, part_id from edition_part where item_id = $1 and position = 1 limit 1) s on true cross join lateral (select substr(md5('reader' || (1 + n % $3::int)), 1, 21) as id) r`,
      [guideId, missing, readers],
    )
  await client.query('vacuum analyze')
  const { rows: total } = await client.query<{ n: number }>('select count(*)::int as n from event where item_id = $1', [guideId])
  await client.end()
  return total[0]!.n
}
