import type { Database } from './database';

/** What the server may only add to: not even a fault in it can change or empty these. */
const APPEND_ONLY = ['events', 'security_events'];

/**
 * Lets a role serve: it reads and writes what is derived, reads and adds to the record and the log of security, and
 * changes no table. Made where it is not there; run after every migration, by the role that owns the tables.
 */
export async function grantServing(db: Database, role: string, password: string): Promise<void> {
  if (!/^[a-z_][a-z0-9_]{0,62}$/.test(role))
    throw new Error(`the role that serves is ${role}; small letters, digits and _ make a name`);
  const word = db.sequelize.escape(password);
  const [there] = await db.sequelize.query('SELECT 1 FROM pg_roles WHERE rolname = $1', { bind: [role] });
  const sql = (text: string) => db.sequelize.query(text);
  await sql(
    `${there.length > 0 ? 'ALTER' : 'CREATE'} ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD ${word}`
  );
  await sql(`GRANT USAGE ON SCHEMA public TO ${role}`);
  await sql(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${role}`);
  await sql(`GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO ${role}`);
  for (const table of APPEND_ONLY) await sql(`REVOKE UPDATE, DELETE, TRUNCATE ON ${table} FROM ${role}`);
  await sql(`REVOKE INSERT, UPDATE, DELETE, TRUNCATE ON migrations FROM ${role}`);
}
