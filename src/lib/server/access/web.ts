import { json, type Handle, type RequestEvent } from '@sveltejs/kit';

const refuse = (status: number, message: string, headers: Record<string, string> = {}) =>
  json({ ok: false, problems: [{ message }] }, { status, headers });

/** Names the server answers to: the address it was told, loopback, and what PYRETHOS_HOSTS adds. A name that points here from elsewhere is none of them. */
function isOurs(host: string): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase();
  const told = process.env.ORIGIN ? new URL(process.env.ORIGIN).hostname : '';
  const more = (process.env.PYRETHOS_HOSTS ?? '').split(',').map((h) => h.trim().toLowerCase());
  return ['127.0.0.1', 'localhost', '[::1]', told, ...more].filter(Boolean).includes(name);
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Turns away what no page of ours asks for: another host, a write from another page, a body that is not what the route takes. */
export const guardRequest: Handle = async ({ event, resolve }) => {
  const { request, url } = event;
  // Half a character in a path is no name of anything. The framework asks us outside of its own guard then: what is
  // thrown on the way, as a redirect to the door, would never be answered.
  if (!isText(url.pathname)) return refuse(400, 'there is no such page');
  // No text of ours has a zero character, and no database takes one.
  if (/%00/.test(url.href)) return refuse(400, 'there is no such page');
  if (!isOurs(request.headers.get('host') ?? url.host))
    return refuse(421, 'this server does not go by that name');
  if (!READS.has(request.method)) {
    const origin = request.headers.get('origin');
    if (!origin || (origin !== url.origin && !isOurPage(origin, url)))
      return refuse(403, 'this was sent from another page; open Pyrethos itself');
    const takesJson = !/^\/api\/(files$|jobs\/[^/]+\/(runs|photos)$|vehicles\/[^/]+\/photos$)/.test(
      url.pathname
    );
    const type = request.headers.get('content-type') ?? '';
    if (takesJson && request.body && !/^application\/json\b/i.test(type))
      return refuse(415, 'the body is to be application/json');
  }
  return resolve(event);
};

function isText(path: string): boolean {
  try {
    // The result is looked at: a call for nothing is left out where the server is built.
    return decodeURIComponent(path).length > 0;
  } catch {
    return false;
  }
}

function isOurPage(origin: string, url: URL): boolean {
  if (!URL.canParse(origin)) return false;
  const page = new URL(origin);
  return page.protocol === url.protocol && isOurs(page.host);
}

/** What browsers may do with an answer. Nothing of a workshop stays in a cache; built files have names that change. */
export function guardAnswer(event: RequestEvent, response: Response): void {
  const { headers } = response;
  headers.set('X-Content-Type-Options', 'nosniff');
  headers.set('Referrer-Policy', 'same-origin');
  headers.set('Cross-Origin-Opener-Policy', 'same-origin');
  headers.set('Cross-Origin-Resource-Policy', 'same-origin');
  headers.set('Permissions-Policy', 'geolocation=(), microphone=(), payment=(), usb=()');
  if (!headers.has('Cache-Control')) headers.set('Cache-Control', 'no-store');
  if (event.url.protocol === 'https:') headers.set('Strict-Transport-Security', 'max-age=31536000');
}
