import { sequence } from '@sveltejs/kit/hooks';
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { dateFormOf } from '$core/base/dates';
import { readUnitChoice } from '$core/units/say';
import { cookieText } from '$lib/ui/page-state/cookie-text';
import { access } from '$lib/server/access/access';
import { isOpenHouse } from '$lib/server/access/mode';
import { guardAnswer, guardRequest } from '$lib/server/access/web';
import { databaseFault } from '$lib/server/answers';
import { closeDatabase, database } from '$lib/server/db/database';
import { holdDatabase } from '$lib/server/db/hold';
import { startProjecting } from '$lib/server/cases/lines';
import { compressed } from '$lib/server/compress';
import { closeWorkers } from '$lib/server/worker-pool';
import { startRecorder } from '$lib/server/live/recorder';
import { log } from '$lib/server/log';
import { endStreams } from '$lib/server/record/changes';

process.once('SIGTERM', endStreams);
process.once('SIGINT', endStreams);
// Idle connections and threads would keep a server that was told to stop for another ten seconds.
process.once('sveltekit:shutdown', async () => {
  // What hangs on a line that is dead does not keep a server that was told to stop.
  setTimeout(() => process.exit(0), ENDS_WITHIN_MS).unref();
  await Promise.all(stops.map((stop) => stop()));
  await Promise.all([closeDatabase(), closeWorkers()]);
});

// A request that went wrong after nobody waited for it any more must not take everybody's server with it.
process.on('unhandledRejection', (reason) =>
  log.error(
    { error: reason instanceof Error ? reason.stack : JSON.stringify(reason) },
    'something failed that nobody waited for'
  )
);

const ENDS_WITHIN_MS = 10_000;
const stops: (() => Promise<void>)[] = [];
/** Every server process records what no other one does, and projects the lines of jobs that are due. */
export const init: ServerInit = async () => {
  // Throws where the house would be open to a network.
  isOpenHouse();
  const url = process.env.DATABASE_URL;
  if (!url) return;
  stops.push(await holdDatabase(url));
  stops.push(startRecorder(database()), startProjecting(database()));
};

const THEMES = ['system', 'day', 'night'] as const;

/** What a person chose for themselves on this browser. */
const preferences: Handle = ({ event, resolve }) => {
  const theme = event.cookies.get('theme');
  event.locals.theme = THEMES.find((t) => t === theme) ?? 'system';
  event.locals.units = readUnitChoice(cookieText(event.cookies.get('units')));
  event.locals.dates = dateFormOf(event.cookies.get('dates'), event.request.headers.get('accept-language'));
  return resolve(event, {
    transformPageChunk: ({ html }) => html.replace('%pyrethos.theme%', event.locals.theme)
  });
};

/** Every answer: what browsers may do with it, how long it took, and what a fault of the database means. */
const answers: Handle = async ({ event, resolve }) => {
  const began = performance.now();
  const response = withFault(
    await resolve(event),
    event.locals.fault ?? null,
    event.url.pathname.startsWith('/api/')
  );
  guardAnswer(event, response);
  if (event.url.pathname !== '/health')
    log.info(
      {
        method: event.request.method,
        path: event.url.pathname,
        status: response.status,
        ms: Math.round(performance.now() - began)
      },
      'request'
    );
  return compressed(event.request, response);
};

export const handle: Handle = sequence(answers, guardRequest, access, preferences);

const FAULTS = {
  away: { status: 503, message: 'the database does not answer; nothing is lost, it is tried again' },
  conflict: { status: 409, message: 'what this speaks of is here already, with other contents' },
  refused: { status: 422, message: 'the database would not have it: something in it does not fit' }
} as const;

/** A request that failed in the database says whether that is away or would not have what was asked. */
function withFault(response: Response, fault: keyof typeof FAULTS | null, api: boolean): Response {
  if (!fault || response.status !== 500) return response;
  const { status, message } = FAULTS[fault];
  return api
    ? Response.json({ ok: false, problems: [{ message }] }, { status })
    : new Response(response.body, { status, headers: response.headers });
}

export const handleError: HandleServerError = ({ error, event, status }) => {
  event.locals.fault = databaseFault(error);
  if (status >= 500)
    log.error(
      { path: event.url.pathname, error: error instanceof Error ? error.stack : String(error) },
      'request failed'
    );
  return {
    message:
      status === 404 || status === 400
        ? 'There is no such page'
        : 'Something went wrong on the server. What you entered is still here; try once more'
  };
};
