import type { Migration } from '../migration';

/** A recording counts its holders: a process that was frozen and wakes is told by it that another one holds it now. */
export const fence: Migration = {
  name: '0014-fence',
  sql: 'ALTER TABLE recordings ADD COLUMN lease_epoch bigint NOT NULL DEFAULT 0'
};
