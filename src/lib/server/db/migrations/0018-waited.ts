import type { Migration } from '../migration';

/** What a vehicle waited for is counted with its job: each line is projected with it. */
export const waited: Migration = {
  name: '0018-waited',
  sql: 'UPDATE jobs SET line_due = line_due + 1 WHERE active;'
};
