import type { Migration } from '../migration'

/** How many steps and sections of each draft are flagged as not ready, so that lists need not look into the documents. */
export const notReady: Migration = {
  name: '0012-not-ready',
  up: `alter table draft add column not_ready integer generated always as
  (jsonb_array_length(jsonb_path_query_array(document, '$.items[*] ? (@.notReady == true)'))) stored;`,
  down: 'alter table draft drop column not_ready;',
}
