import type { Migration } from '../migration';

/**
 * A recording that is being ended keeps whose ending it is, and until when a server works at it: where that server is
 * killed, any other ends it.
 */
export const ending: Migration = {
  name: '0011-ending',
  sql: `
    ALTER TABLE recordings ADD COLUMN IF NOT EXISTS ending jsonb, ADD COLUMN IF NOT EXISTS ending_until timestamptz;
    -- Ended before there was such a word, and without a run: their ending was lost with its server.
    UPDATE recordings r SET ending = jsonb_build_object('eventId', gen_random_uuid(), 'who', 'Unsigned', 'at', to_char(r.ended_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')),
      ending_until = now()
    WHERE r.ended_at IS NOT NULL
      AND EXISTS (SELECT 1 FROM jobs j WHERE j.id = r.job_id AND j.active)
      AND NOT EXISTS (SELECT 1 FROM runs WHERE runs.id = r.run_id)
      AND EXISTS (SELECT 1 FROM events e WHERE e.kind = 'run.started' AND e.payload->>'runId' = r.run_id::text
        AND NOT EXISTS (SELECT 1 FROM events u WHERE u.kind = 'undo' AND u.payload->>'of' = e.id::text));
  `
};
