import type { Migration } from '../migration';

/** Sensor curves that a shop keeps beside our families. */
export const curves: Migration = {
  name: '0004-curves',
  sql: `
    CREATE TABLE curves (
      id uuid PRIMARY KEY,
      title text NOT NULL,
      kept jsonb NOT NULL
    );
  `
};
