import { json } from '@sveltejs/kit';
import { importing } from '$lib/server/access/access';
import { openInWorker, zipStream } from '$lib/server/files/archive';
import { bringIn } from '$lib/server/files/bring-in';
import { database } from '$lib/server/db/database';
import { exportWorkshop } from '$lib/server/files/job-export';

const MOST_BYTES = 128 * 1024 * 1024;
/** Conflicts beyond this are the same story again. */
const NAMED = 30;

/** The whole workshop as a zip of job files. */
export function GET() {
  const day = new Date().toISOString().slice(0, 10);
  return new Response(zipStream(exportWorkshop(database())), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="workshop-${day}.zip"`
    }
  });
}

export const POST = (event) => importing(event, () => bringInFile(event.request));

/** Brings in a job file or a whole workshop: all of it or nothing. */
async function bringInFile(request: Request): Promise<Response> {
  const bytes = new Uint8Array(await request.arrayBuffer());
  if (bytes.length > MOST_BYTES)
    return json(
      { ok: false, problems: [{ message: `more than ${MOST_BYTES / 1024 ** 2} MB at once` }] },
      { status: 413 }
    );
  const opened = await openInWorker(bytes);
  const result = opened.ok ? await bringIn(database(), opened.value) : opened;
  if (result.ok)
    return json({
      ok: true,
      ...result.value,
      warnings: [...(opened.ok ? opened.warnings : []), ...result.warnings].slice(0, NAMED)
    });
  const more = result.problems.length - NAMED;
  return json(
    {
      ok: false,
      problems: [
        ...result.problems.slice(0, NAMED),
        ...(more > 0 ? [{ message: `and ${more} more of the kind` }] : [])
      ]
    },
    { status: 422 }
  );
}
