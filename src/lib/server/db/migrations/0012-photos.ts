import type { Migration } from '../migration';

/** A photo belongs to a record, that of a job or that of a vehicle. */
export const photos: Migration = {
  name: '0012-photos',
  sql: `
    ALTER TABLE photos ADD COLUMN stream text;
    UPDATE photos SET stream = 'job:' || job_id;
    ALTER TABLE photos ALTER COLUMN stream SET NOT NULL, DROP COLUMN job_id;
    CREATE INDEX photos_stream ON photos (stream);
  `
};
