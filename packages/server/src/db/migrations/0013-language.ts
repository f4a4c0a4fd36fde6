import type { Migration } from '../migration'

/** In which language the pages speak to a person. */
export const language: Migration = {
  name: '0013-language',
  up: `alter table person add column language text not null default 'en';`,
  down: 'alter table person drop column language;',
}
