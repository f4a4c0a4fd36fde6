import { namedIn, readRule, type AudienceRule, type RuleLookup, type RuleNames, type SentenceRead } from '@jackdaw/core/audiences'
import type { NamesOfRule } from '@jackdaw/contracts/audiences'
import type { GroupId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** What a person is called where they have to be told apart: their name, with what else is known of them behind it where somebody else who
 * works here is called alike. Over a row `p`. */
const LABEL = `case when exists (select 1 from person q where q.name = p.name and q.id <> p.id and q.active)
  then p.name || ' (' || coalesce(p.number, p.mail, p.id) || ')' else p.name end`
/** As {@link LABEL}, of a closed group. Over a row `g`. */
const GROUP_LABEL = `case when g.closed_at is null then g.name else g.name || ' (closed, ' || g.id || ')' end`

/** The names of all that rules speak of. */
export async function namesOf(db: Db, rules: readonly AudienceRule[]): Promise<NamesOfRule> {
  const named = rules.map(namedIn)
  const ids = (of: 'groups' | 'people') => [...new Set(named.flatMap((each): string[] => [...each[of]]))]
  const groups = await db.rows<NamesOfRule['groups'][number]>(
    `select g.id, g.kind_id as kind, lower(k.name) as "kindName", ${GROUP_LABEL} as name, g.closed_at is not null as closed
     from people_group g join group_kind k on k.id = g.kind_id where g.id = any ($1) order by g.name`,
    [ids('groups')],
  )
  const people = await db.rows<NamesOfRule['people'][number]>(
    `select p.id, ${LABEL} as name, p.active from person p where p.id = any ($1) order by p.name, p.id`,
    [ids('people')],
  )
  return { groups, people }
}

/** As sentences ask for them. What is not there is called by its id. */
export function ruleNames({ groups, people }: NamesOfRule): RuleNames {
  const group = new Map(groups.map((each) => [each.id, each]))
  const person = new Map(people.map((each) => [each.id, each.name]))
  return {
    group: (id) => ({ kind: group.get(id)?.kindName ?? 'group', name: group.get(id)?.name ?? id }),
    person: (id) => person.get(id) ?? id,
  }
}

/** Reads a sentence as rules are said in. */
export async function readSentence(db: Db, sentence: string): Promise<SentenceRead> {
  const quoted = [...new Set([...sentence.matchAll(/“((?:[^”]|””)*)”/g)].map((found) => (found[1] ?? '').replaceAll('””', '”')))]
  const groups = await db.rows<{ id: GroupId; kind: string; name: string }>(
    `select g.id, lower(k.name) as kind, ${GROUP_LABEL} as name from people_group g join group_kind k on k.id = g.kind_id where ${GROUP_LABEL} = any ($1)`,
    [quoted],
  )
  const people = await db.rows<{ id: PersonId; name: string }>(
    // Whoever left is meant only where nobody who works here is called so.
    `select p.id, ${LABEL} as name from person p where p.name = any ($1) or exists (select 1 from unnest($1::text[]) said where starts_with(said, p.name || ' (')) order by p.active`,
    [quoted],
  )
  const lookup: RuleLookup = {
    group: (kind, name) => groups.find((each) => each.kind === kind.toLowerCase() && each.name === name)?.id ?? null,
    person: (name) => people.findLast((each) => each.name === name)?.id ?? null,
  }
  return readRule(sentence, lookup)
}
