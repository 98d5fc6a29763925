import { error, json, type Cookies, type Handle, type RequestEvent } from '@sveltejs/kit';
import { atLeast } from '$core/record/roles';
import { cookieText } from '$lib/ui/page-state/cookie-text';
import { database } from '../db/database';
import { askedBy, type Actor } from './actor';
import { isOpenHouse } from './mode';
import { AtOnce, Rates, type RATES } from './rates';
import { ROUTES } from './routes';
import { sessionOf, type Browser, type Keys } from './sessions';
import { tellSecurity } from './security-log';

const rates = new Rates();
const imports = new AtOnce(2);
const DEVICE_YEARS = 2;

/** Cookies bound to this host alone, where the connection is one that others cannot read. */
const cookieNames = (url: URL) =>
  url.protocol === 'https:'
    ? { session: '__Host-session', device: '__Host-device' }
    : { session: 'session', device: 'device' };

/**
 * Where a request comes from. Behind a proxy its header says so; whoever asks past it, on this machine itself, has no
 * such header, and the server's framework has no address for them.
 */
export function addressOf({ getClientAddress }: Pick<RequestEvent, 'getClientAddress'>): string {
  try {
    return getClientAddress();
  } catch {
    return 'past the proxy';
  }
}

export function browserOf(event: RequestEvent): Browser {
  const { cookies, url } = event;
  const names = cookieNames(url);
  return {
    session: cookies.get(names.session),
    device: cookies.get(names.device),
    address: addressOf(event)
  };
}

const COOKIE = { path: '/', httpOnly: true, sameSite: 'strict' } as const;

/** Gives a browser what it signs in with from now on. */
export function giveKeys(cookies: Cookies, url: URL, keys: Keys): void {
  const names = cookieNames(url);
  const secure = url.protocol === 'https:';
  cookies.set(names.session, keys.session, { ...COOKIE, secure });
  cookies.set(names.device, keys.device, { ...COOKIE, secure, maxAge: DEVICE_YEARS * 365 * 86_400 });
}

export function takeSession(cookies: Cookies, url: URL): void {
  cookies.delete(cookieNames(url).session, { ...COOKIE, secure: url.protocol === 'https:' });
}

/** Turns a device away that asks too often; null where it is fine. */
export async function tooOften(what: keyof typeof RATES, event: RequestEvent): Promise<Response | null> {
  const { session } = event.locals;
  const address = addressOf(event);
  const waitS = rates.allow(what, session?.device ?? address);
  if (waitS === 0) return null;
  if (!event.locals.openHouse && what === 'signIn')
    await tellSecurity(database(), 'too many requests', { ...session, address }, what);
  return json(
    { ok: false, problems: [{ message: `too many at once; try again in ${waitS} s` }] },
    { status: 429, headers: { 'Retry-After': String(waitS) } }
  );
}

/** Takes files of a device in, two at once. */
export const importing = async (event: RequestEvent, work: () => Promise<Response>): Promise<Response> =>
  (await imports.run(event.locals.session?.device ?? addressOf(event), work)) ??
  json(
    {
      ok: false,
      problems: [{ message: 'two files of this device are being read; send this one after them' }]
    },
    { status: 429, headers: { 'Retry-After': '5' } }
  );

/** Who asks, and whether they may. What is appended to the record meanwhile is theirs. */
export const access: Handle = async ({ event, resolve }) => {
  const { locals, route, url } = event;
  locals.openHouse = isOpenHouse();
  locals.session = null;
  if (locals.openHouse) {
    locals.who =
      cookieText(event.cookies.get('who')).replaceAll('\0', '').toWellFormed().slice(0, 60) || 'Unsigned';
    return resolve(event);
  }
  locals.who = 'Unsigned';
  const browser = browserOf(event);
  // No page of ours: a file of the build, or nothing.
  const least = route.id === null ? 'anyone' : (ROUTES[route.id] ?? 'owner');
  locals.session = await sessionOf(database(), browser);
  const { session } = locals;
  if (least !== 'anyone') {
    const isApi = url.pathname.startsWith('/api/') || event.isDataRequest;
    if (!session) {
      if (isApi) return json({ ok: false, problems: [{ message: 'sign in first' }] }, { status: 401 });
      const back = new URLSearchParams({ back: url.pathname + url.search }).toString();
      return new Response(null, { status: 303, headers: { Location: `/sign-in?${back}` } });
    }
    if (!atLeast(session.role, least)) {
      await tellSecurity(database(), 'refused', { ...session, address: browser.address }, url.pathname);
      const message =
        least === 'owner'
          ? 'This is for an owner. If you are one, lock, and sign in with passphrase and code'
          : `This is for a ${least}; you are signed in as a ${session.role}`;
      if (url.pathname.startsWith('/api/'))
        return json({ ok: false, problems: [{ message }] }, { status: 403 });
      error(403, message);
    }
  }
  if (!session) return resolve(event);
  locals.who = session.name;
  const actor: Actor = { ...session, takenBy: event.request.headers.get('x-taken-by') };
  const response = await askedBy(actor, () => resolve(event));
  return response.headers.get('content-type') === 'text/event-stream'
    ? whileSignedIn(response, browser)
    : response;
};

const LOOK_AGAIN_MS = 10_000;

/** A stream that ends when its session does. A stream that is watched keeps its session. */
function whileSignedIn(response: Response, browser: Browser): Response {
  let looking: ReturnType<typeof setInterval>;
  const reader = response.body!.getReader();
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      looking = setInterval(() => {
        void sessionOf(database(), browser)
          .then((still) => {
            if (still) return;
            clearInterval(looking);
            void reader.cancel();
            controller.close();
          })
          // Away for a moment: what it cannot ask, it asks again.
          .catch(() => undefined);
      }, LOOK_AGAIN_MS);
    },
    async pull(controller) {
      const { done, value } = await reader.read();
      if (!done) return controller.enqueue(value);
      clearInterval(looking);
      try {
        controller.close();
      } catch {
        // The session ended first.
      }
    },
    cancel(reason) {
      clearInterval(looking);
      return reader.cancel(reason);
    }
  });
  return new Response(body, response);
}
