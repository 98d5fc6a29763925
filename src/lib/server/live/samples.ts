import { QueryTypes, type Transaction } from 'sequelize';
import { isChannelKey, type ChannelKey, type Log } from '../../../core/logs/channels';
import type { Database } from '../db/database';

/** Samples of a live run as they were kept together. */
export interface LiveBlock {
  readonly seq: number;
  readonly t: readonly number[];
  readonly channels: Partial<Record<ChannelKey, (number | null)[]>>;
}

/** What was kept after a block; all of it after 0. */
export async function blocksAfter(
  db: Database,
  runId: string,
  seq: number,
  transaction?: Transaction
): Promise<LiveBlock[]> {
  const rows = await db.sequelize.query<LiveBlock & { seq: string }>(
    'SELECT seq, t, channels FROM live_samples WHERE run_id = $1 AND seq > $2 ORDER BY seq',
    { bind: [runId, seq], type: QueryTypes.SELECT, transaction }
  );
  return rows.map((r) => ({ ...r, seq: Number(r.seq) }));
}

/** Blocks as one log, in the order of time. */
export function logOfBlocks(
  blocks: readonly Pick<LiveBlock, 't' | 'channels'>[],
  marks: Log['events'] = []
): Log {
  const keys = [...new Set(blocks.flatMap((b) => Object.keys(b.channels)))].filter(isChannelKey);
  const rows = blocks.flatMap((b) => b.t.map((t, i) => ({ t, block: b, i }))).sort((a, b) => a.t - b.t);
  return {
    t: Float64Array.from(rows, (r) => r.t),
    channels: Object.fromEntries(
      keys.map((key) => [key, Float32Array.from(rows, (r) => r.block.channels[key]?.[r.i] ?? NaN)])
    ),
    events: marks
  };
}
