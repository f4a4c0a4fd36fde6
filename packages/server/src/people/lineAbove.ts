/** Nobody's reporting line is longer. */
const MOST_LINE = 50
/** Those whom somebody reports to and who work here, at any depth, as SQL: `id`, and `depth` from 1 for the nearest.
 * @param person a parameter or a column */
export const lineAboveSql = (person: string): string =>
  `(with recursive line as (
     select p.manager_id as id, 1 as depth from person p where p.id = ${person}
     union select m.manager_id, l.depth + 1 from line l join person m on m.id = l.id where l.depth < ${MOST_LINE})
   select l.id, l.depth from line l join person p on p.id = l.id and p.active and p.id <> ${person})`
