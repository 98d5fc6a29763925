import type { Migration } from '../migration';

/** The practice bay: a record of its own, walled off from the workshop's. What was done is appended and never changed. */
export const practice: Migration = {
  name: '0017-practice',
  sql: `
    CREATE TABLE practices (
      id uuid PRIMARY KEY,
      who text NOT NULL CHECK (length(who) BETWEEN 1 AND 60),
      person_id uuid REFERENCES people (id),
      case_id text NOT NULL,
      level integer NOT NULL CHECK (level BETWEEN 1 AND 5),
      begun_at timestamptz NOT NULL DEFAULT now(),
      ended_at timestamptz,
      review jsonb
    );
    CREATE INDEX practices_who ON practices (who, begun_at DESC);
    CREATE INDEX practices_case ON practices (case_id, begun_at DESC);
    CREATE TABLE practice_moves (
      practice_id uuid NOT NULL REFERENCES practices (id),
      seq integer NOT NULL,
      id uuid NOT NULL UNIQUE,
      move jsonb NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (practice_id, seq)
    );
    CREATE TRIGGER practice_moves_append_only BEFORE UPDATE OR DELETE ON practice_moves
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
  `
};
