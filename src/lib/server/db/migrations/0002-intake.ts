import type { Migration } from '../migration';

/** What the intake and the checks need for lists and search, derived from the record; and photos. */
export const intake: Migration = {
  name: '0002-intake',
  sql: `
    ALTER TABLE jobs
      ADD COLUMN facts jsonb NOT NULL DEFAULT '[]',
      ADD COLUMN results jsonb NOT NULL DEFAULT '[]',
      ADD COLUMN words text NOT NULL DEFAULT '';

    CREATE TABLE photos (
      id uuid PRIMARY KEY,
      job_id uuid NOT NULL REFERENCES jobs,
      mime text NOT NULL,
      caption text NOT NULL DEFAULT '',
      data bytea NOT NULL,
      standing boolean NOT NULL DEFAULT true
    );
    CREATE INDEX photos_job ON photos (job_id);
    ALTER TABLE photos ALTER COLUMN data SET STORAGE EXTERNAL;
  `,
  derivedAnew: true
};
