import { writeLog } from '$core/logs/csv-export';
import { database } from '$lib/server/db/database';
import { runOr404 } from '$lib/server/runs/lookup';
import { samplesOf } from '$lib/server/runs/runs';

/** The run as a CSV with the canonical columns. */
export async function GET({ params }) {
  const run = await runOr404(params.id);
  const name = run.fileName.replace(/\.[^.]*$/, '').replace(/[^\w.-]+/g, '-');
  return new Response(writeLog(await samplesOf(database(), run)), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}.csv"`
    }
  });
}
