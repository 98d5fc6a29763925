import type { Migration } from '../migration';

/** What a closed job turned out to be: the shop's own past, for the jobs that come. */
export const causes: Migration = {
  name: '0005-causes',
  sql: `
    ALTER TABLE jobs ADD COLUMN cause text;
    CREATE INDEX jobs_cause ON jobs (cause) WHERE cause IS NOT NULL AND standing;
  `
};
