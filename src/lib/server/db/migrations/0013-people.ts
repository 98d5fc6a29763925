import type { Migration } from '../migration';

/**
 * People, the devices they sign in on, their sessions, and links that make somebody a person here once. Tokens are
 * kept as SHA-256, passphrases and PINs as Argon2id. An entry keeps the person and device it came from and when.
 */
export const people: Migration = {
  name: '0013-people',
  sql: `
    CREATE TABLE people (
      id uuid PRIMARY KEY,
      name text NOT NULL,
      role text NOT NULL CHECK (role IN ('reader', 'technician', 'lead', 'owner')),
      passphrase text NOT NULL,
      second_factor text,
      second_factor_used bigint NOT NULL DEFAULT 0,
      failed integer NOT NULL DEFAULT 0,
      locked_until timestamptz,
      active boolean NOT NULL DEFAULT true,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE UNIQUE INDEX people_name ON people (lower(name));

    CREATE TABLE devices (
      id uuid PRIMARY KEY,
      token text NOT NULL UNIQUE,
      name text NOT NULL,
      enrolled_by uuid NOT NULL REFERENCES people,
      enrolled_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      revoked_at timestamptz
    );

    CREATE TABLE pins (
      device_id uuid NOT NULL REFERENCES devices,
      person_id uuid NOT NULL REFERENCES people,
      pin text NOT NULL,
      failed integer NOT NULL DEFAULT 0,
      PRIMARY KEY (device_id, person_id)
    );

    CREATE TABLE sessions (
      token text PRIMARY KEY,
      person_id uuid NOT NULL REFERENCES people,
      device_id uuid NOT NULL REFERENCES devices,
      strong boolean NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      ended_at timestamptz,
      revoked boolean NOT NULL DEFAULT false
    );
    CREATE INDEX sessions_of ON sessions (device_id, person_id);

    CREATE TABLE invitations (
      token text PRIMARY KEY,
      role text NOT NULL CHECK (role IN ('reader', 'technician', 'lead', 'owner')),
      person_id uuid REFERENCES people,
      expires_at timestamptz NOT NULL,
      used_at timestamptz
    );

    CREATE TABLE security_events (
      seq bigserial PRIMARY KEY,
      at timestamptz NOT NULL DEFAULT now(),
      what text NOT NULL,
      person_id uuid,
      device_id uuid,
      address text NOT NULL DEFAULT '',
      details text NOT NULL DEFAULT ''
    );
    CREATE TRIGGER security_events_append_only BEFORE UPDATE OR DELETE ON security_events
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();

    ALTER TABLE events ADD COLUMN person_id uuid, ADD COLUMN device_id uuid,
      ADD COLUMN received_at timestamptz DEFAULT now();
  `
};
