import type { Migration } from '../migration';

/** What jobs and vehicles are found by lies where it is read: in the row, and in an index of closed jobs. */
export const finding: Migration = {
  name: '0009-finding',
  sql: `
    -- How a vehicle's fan is driven, in words to find it by.
    ALTER TABLE vehicles ADD COLUMN IF NOT EXISTS fan text NOT NULL DEFAULT '';
    -- Fetched from beside the table, the text of a job takes four times as long to look through.
    ALTER TABLE jobs ALTER COLUMN search SET STORAGE MAIN, ALTER COLUMN words SET STORAGE EXTERNAL;
    DROP INDEX jobs_closed;
    CREATE INDEX jobs_closed ON jobs (closed_at) INCLUDE (cause) WHERE active AND state = 'closed';
  `,
  derivedAnew: true
};
