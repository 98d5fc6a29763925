import type { Migration } from '../migration';

/** What lists show of a case, projected when something it rests on changes; and each run summed up once. */
export const cases: Migration = {
  name: '0008-cases',
  sql: `
    ALTER TABLE jobs
      ADD COLUMN line_due bigint NOT NULL DEFAULT 1,
      ADD COLUMN line_done bigint NOT NULL DEFAULT 0,
      ADD COLUMN leader jsonb,
      ADD COLUMN proof jsonb;
    CREATE INDEX jobs_line_due ON jobs (last_at DESC) WHERE line_due > line_done;
    ALTER TABLE runs ADD COLUMN summary jsonb;
    ALTER TABLE runs RENAME COLUMN print TO fingerprint;
  `,
  derivedAnew: true
};
