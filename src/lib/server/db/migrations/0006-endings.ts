import type { Migration } from '../migration';

/** How jobs ended, for the depot's numbers and for what is due again. */
export const endings: Migration = {
  name: '0006-endings',
  sql: `
    ALTER TABLE jobs
      ADD COLUMN closed_at timestamptz,
      ADD COLUMN look_again date,
      ADD COLUMN ending jsonb NOT NULL DEFAULT '{"repairs": [], "goes": 0, "repairedAt": null, "comebacks": 0, "minutes": 0}';
    -- What a run tells of its vehicle, for its memory: an analysis is fifty times as much.
    ALTER TABLE runs ADD COLUMN print jsonb;
    CREATE INDEX jobs_due ON jobs (look_again) WHERE look_again IS NOT NULL AND standing;
    CREATE INDEX jobs_closed ON jobs (closed_at) WHERE standing;
  `,
  derivedAnew: true
};
