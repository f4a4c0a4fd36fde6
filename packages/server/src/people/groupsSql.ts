/** The names of the departments in which somebody is, as SQL: one text, for lists. @param personId a column */
export const departmentsSql = (personId: string): string =>
  `coalesce((select string_agg(m.name, ', ' order by m.name) from member m where m.person_id = ${personId} and m.kind = 'department'), '')`
