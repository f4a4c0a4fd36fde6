import type { Migration } from '../migration'

/** On which days of each month each person used anything: how many people it were in any days is then counted without going through all of their use. */
export const useMonths: Migration = {
  name: '0046-use-months',
  up: `
create table use_month (month date not null, person_id text collate "C" not null, days integer not null, primary key (month, person_id));
create index use_month_person on use_month (person_id);
insert into use_month (month, person_id, days)
  select date_trunc('month', local_day)::date, person_id, bit_or(1 << (extract(day from local_day)::int - 1)) from use_day where views > 0 group by 1, 2;
-- What was used on a day is added up without looking at the rows themselves.
create index use_day_sums on use_day (local_day) include (views, finished);
drop index use_day_day;
`,
  down: `
create index use_day_day on use_day (local_day);
drop index use_day_sums;
drop table use_month;
`,
}
