import type { Migration } from '../migration';

/** The address under which a program that cannot sign in reads somebody's planned tasks; kept as a hash, one a name. */
export const calendar: Migration = {
  name: '0016-calendar',
  sql: `
    -- The board draws what was known of an engine's last day: each line is projected with it.
    UPDATE jobs SET line_due = line_due + 1 WHERE active;
    -- What the control unit said of itself when its recording began; null until it was asked.
    ALTER TABLE recordings ADD COLUMN unit_says text[];
    CREATE TABLE calendar_feeds (
      who text PRIMARY KEY CHECK (length(who) BETWEEN 1 AND 80),
      token text NOT NULL UNIQUE,
      person_id uuid REFERENCES people (id),
      made_at timestamptz NOT NULL DEFAULT now()
    );
  `
};
