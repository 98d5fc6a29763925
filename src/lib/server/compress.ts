import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** Below this a packet carries it anyway, bytes. */
const LEAST = 1400;
const TEXT = /^(text\/html|application\/json)\b/;

const asBrotli = promisify(brotliCompress);
const asGzip = promisify(gzip);
/** Pages are made anew for every visit: a quality that takes some ms, in a thread of its own. */
const QUICK = { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } };

/**
 * The answer as the browser takes it, pages and texts compressed: on a slow line a page of 120 KB is a second's wait.
 * Pictures, files and streams stay as they are.
 */
export async function compressed(request: Request, response: Response): Promise<Response> {
  const { headers } = response;
  const takes = request.headers.get('accept-encoding') ?? '';
  const how = /\bbr\b/.test(takes) ? 'br' : /\bgzip\b/.test(takes) ? 'gzip' : null;
  if (
    !how ||
    !response.body ||
    headers.has('content-encoding') ||
    !TEXT.test(headers.get('content-type') ?? '')
  )
    return response;
  headers.append('vary', 'accept-encoding');
  const plain = Buffer.from(await response.arrayBuffer());
  if (plain.length < LEAST) return new Response(plain, response);
  const body = how === 'br' ? await asBrotli(plain, QUICK) : await asGzip(plain, { level: 5 });
  headers.set('content-encoding', how);
  headers.set('content-length', String(body.length));
  return new Response(new Uint8Array(body), {
    status: response.status,
    statusText: response.statusText,
    headers
  });
}
