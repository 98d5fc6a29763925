import type { Migration } from '../migration';

/** Each entry says the version of its kind; what was written before is version 1 (core/record/upcast.ts). */
export const versions: Migration = {
  name: '0007-versions',
  sql: 'ALTER TABLE events ADD COLUMN version integer NOT NULL DEFAULT 1'
};
