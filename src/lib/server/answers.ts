import type { Problem } from '../../core/base/result';

/** The status of a refusal: 409 where what came in is here with other contents, else 422. */
export const refusalStatus = (problems: readonly Problem[]): 409 | 422 =>
  problems.some((p) => p.conflict) ? 409 : 422;

/** What an error of the database means for whoever asked: it is away, or it would not have what was sent. */
export function databaseFault(error: unknown): 'away' | 'conflict' | 'refused' | null {
  if (!(error instanceof Error)) return null;
  if (/^Sequelize(Connection|HostNot|ConnectionAcquire)/.test(error.name)) return 'away';
  const code =
    (error as { original?: { code?: unknown } }).original?.code ?? (error as { code?: unknown }).code;
  if (/Query read timeout|timeout expired|Connection terminated/.test(error.message)) return 'away';
  if (typeof code !== 'string') return null;
  // Classes of SQLSTATE: 08 connection, 40 two that waited for each other, 57 shutting down or timed out, 53 out of resources, 22 data, 23 integrity (23505 unique).
  if (/^(08|40|57|53)/.test(code) || /^E(CONN|PIPE|TIMEDOUT)/.test(code)) return 'away';
  if (code === '23505') return 'conflict';
  return /^2[23]/.test(code) ? 'refused' : null;
}
