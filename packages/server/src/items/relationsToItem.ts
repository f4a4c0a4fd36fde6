/** How a caller may stand to an item of whatever kind. */
export type RelationToItem = 'assigned' | 'open' | 'reports'

/** How a caller stands to an item, as somebody to whom it can be given or who has people report to them: columns for a select list, so that
 * a kind of item asks this along with what only it knows. Who may read it is asked of published items only.
 * @param item the alias of a row of `item`, which may be missing; @param callerId the parameter with the caller's id; @param hasReports the
 * one that says whether anybody reports to them */
export function relationsToItemSql(item: string, callerId: string, hasReports: string): string {
  const shown = `${item}.edition is not null and ${item}.archived_at is null`
  const of = (row: string, personId: string) =>
    `${row}.item_kind = ${item}.kind and ${row}.item_id = ${item}.id and ${row}.person_id = ${personId}`
  const has = (table: string, personId: string) => `exists (select 1 from ${table} x where ${of('x', personId)})`
  return `${shown} and ${has('assignment', callerId)} as assigned, ${shown} and ${item}.open_to_all as open,
    ${hasReports} and exists (select 1 from reports_of(${callerId}) m where ${has('assignment', 'm.person_id')} or ${has('item_progress', 'm.person_id')}) as reports`
}
