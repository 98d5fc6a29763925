import type { Migration } from '../migration';

/** A vehicle of the demo is told from the workshop's own: only at one of the demo is anything simulated offered. */
export const demo: Migration = {
  name: '0010-demo',
  sql: `ALTER TABLE vehicles ADD COLUMN IF NOT EXISTS demo boolean NOT NULL DEFAULT false;`,
  derivedAnew: true
};
