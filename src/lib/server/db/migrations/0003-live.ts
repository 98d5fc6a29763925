import type { Migration } from '../migration';

/** Runs while they are recorded: who records, and the samples as they come. Ended, they become runs like others. */
export const live: Migration = {
  name: '0003-live',
  sql: `
    CREATE TABLE recordings (
      run_id uuid PRIMARY KEY,
      job_id uuid NOT NULL REFERENCES jobs,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      address text,
      started_at timestamptz NOT NULL,
      ended_at timestamptz,
      state text NOT NULL DEFAULT 'waiting',
      first_stamp double precision,
      lease_by text,
      lease_until timestamptz NOT NULL DEFAULT now()
    );
    CREATE UNIQUE INDEX recordings_one ON recordings (vehicle_id) WHERE ended_at IS NULL;
    CREATE UNIQUE INDEX recordings_adapter ON recordings (address) WHERE ended_at IS NULL;

    CREATE TABLE live_samples (
      run_id uuid NOT NULL REFERENCES recordings,
      seq bigint GENERATED ALWAYS AS IDENTITY,
      t double precision[] NOT NULL,
      channels jsonb NOT NULL,
      PRIMARY KEY (run_id, seq)
    );
  `
};
