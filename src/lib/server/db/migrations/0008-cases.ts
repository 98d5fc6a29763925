import type { Migration } from '../migration';

/** What lists show of a case, projected when something it rests on changes; each run summed up once, and what a vehicle is remembered by. */
export const cases: Migration = {
  name: '0008-cases',
  sql: `
    ALTER TABLE vehicles RENAME COLUMN standing TO active;
    ALTER TABLE jobs RENAME COLUMN standing TO active;
    ALTER TABLE runs RENAME COLUMN standing TO active;
    ALTER TABLE photos RENAME COLUMN standing TO active;
    ALTER TABLE jobs
      ADD COLUMN line_due bigint NOT NULL DEFAULT 1,
      ADD COLUMN line_done bigint NOT NULL DEFAULT 0,
      ADD COLUMN leader jsonb,
      ADD COLUMN proof jsonb;
    CREATE INDEX jobs_listed ON jobs ((state = 'closed'), last_at DESC) WHERE active;
    CREATE INDEX jobs_line_due ON jobs (last_at DESC) WHERE line_due > line_done;
    -- What lists are searched by, made lower once.
    ALTER TABLE jobs ADD COLUMN search text GENERATED ALWAYS AS
      (lower(number::text || ' ' || complaint || ' ' || coalesce(outcome, '') || ' ' || coalesce(cause, '') || ' ' || words)) STORED;
    ALTER TABLE vehicles ADD COLUMN search text GENERATED ALWAYS AS (lower(fleet_no || ' ' || name || ' ' || note)) STORED;
    -- What it is remembered by, likewise projected when one of its runs or repairs changes.
    ALTER TABLE vehicles
      ADD COLUMN memory jsonb,
      ADD COLUMN marks jsonb NOT NULL DEFAULT '[]',
      ADD COLUMN drifted boolean NOT NULL DEFAULT false,
      ADD COLUMN memory_due boolean NOT NULL DEFAULT true;
    CREATE INDEX vehicles_fleet ON vehicles (drifted DESC, fleet_no) WHERE active;
    CREATE INDEX vehicles_memory_due ON vehicles (id) WHERE memory_due;
    ALTER TABLE runs ADD COLUMN summary jsonb, ADD COLUMN spark jsonb;
    ALTER TABLE runs RENAME COLUMN print TO fingerprint;
  `,
  derivedAnew: true
};
