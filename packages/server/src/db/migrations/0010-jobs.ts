import PgBoss from 'pg-boss'
import type { Migration } from '../migration'

/** The tables that the package for jobs reads and writes, as its version of today makes them, without the transaction that it would open. A
 * newer version of the package that needs other tables comes with a migration of its own, and with these statements written out here. */
const TABLES_OF_JOBS = PgBoss.getConstructionPlans('jobs')
  .replace(/^\s*BEGIN;/, '')
  .replace(/COMMIT;\s*$/, '')

/** Jobs, in two lanes: what lasts long never keeps what is short waiting. */
export const jobs: Migration = {
  name: '0010-jobs',
  up: `${TABLES_OF_JOBS}
select jobs.create_queue('short', '{"policy": "standard"}');
select jobs.create_queue('long', '{"policy": "standard"}');
`,
  down: 'drop schema jobs cascade;',
}
