import type { Migration } from '../migration';

/** What is to be done on a job stands with its line, and the plan that people know stands once for the workshop. */
export const board: Migration = {
  name: '0015-board',
  sql: `
    ALTER TABLE jobs ADD COLUMN work jsonb;
    CREATE TABLE board (
      one boolean PRIMARY KEY DEFAULT true CHECK (one),
      basis text NOT NULL,
      made_at timestamptz NOT NULL,
      published jsonb NOT NULL
    );
    UPDATE jobs SET line_due = line_due + 1 WHERE active;
  `
};
