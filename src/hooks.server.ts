import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { dateFormOf } from '$core/base/dates';
import { readUnitChoice } from '$core/units/say';
import { cookieText } from '$lib/ui/page-state/cookie-text';
import { closeDatabase, database } from '$lib/server/db/database';
import { startProjecting } from '$lib/server/cases/lines';
import { closeWorkers } from '$lib/server/worker-pool';
import { startRecorder } from '$lib/server/live/recorder';
import { log } from '$lib/server/log';

// Idle connections and threads would keep a server that was told to stop for another ten seconds.
process.once('sveltekit:shutdown', async () => {
  await Promise.all(stops.map((stop) => stop()));
  await Promise.all([closeDatabase(), closeWorkers()]);
});

const stops: (() => Promise<void>)[] = [];
/** Every server process records what no other one does, and projects the lines of jobs that are due. */
export const init: ServerInit = () => {
  if (process.env.DATABASE_URL) stops.push(startRecorder(database()), startProjecting(database()));
};

const THEMES = ['system', 'day', 'night'] as const;

export const handle: Handle = async ({ event, resolve }) => {
  const began = performance.now();
  const theme = event.cookies.get('theme');
  event.locals.theme = THEMES.find((t) => t === theme) ?? 'system';
  event.locals.who = cookieText(event.cookies.get('who')).slice(0, 60) || 'Unsigned';
  event.locals.units = readUnitChoice(cookieText(event.cookies.get('units')));
  event.locals.dates = dateFormOf(event.cookies.get('dates'), event.request.headers.get('accept-language'));
  const response = await resolve(event, {
    transformPageChunk: ({ html }) => html.replace('%pyrethos.theme%', event.locals.theme)
  });
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
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
  return response;
};

export const handleError: HandleServerError = ({ error, event, status }) => {
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
