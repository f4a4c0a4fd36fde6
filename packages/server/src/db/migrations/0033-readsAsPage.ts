import type { Migration } from '../migration'

/** Whether a person reads guides as one page. */
export const readsAsPage: Migration = {
  name: '0033-reads-as-page',
  up: `alter table person add column reads_as_page boolean not null default false;`,
  down: 'alter table person drop column reads_as_page;',
}
