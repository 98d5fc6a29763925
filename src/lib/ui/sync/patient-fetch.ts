const RETRY_MS = 2000;
/** A proxy without a server, a server without its database: the page had no say in it. */
const AWAY_STATUS = new Set([502, 503, 504]);

/**
 * A `fetch` that waits for a server that is away, instead of failing, where a page asks for its data
 * (`__data.json`): the browser would put its own error page in the place of the one a person works on, with what
 * they typed. The sign at the top says meanwhile that the server is away. It waits for a person to sign in again too,
 * where `signedOut` was told that the session has ended. Whatever else is fetched fails as ever.
 *
 * A page that asks twice for the same while it waits gets one answer twice.
 */
export function patientFetch(
  plain: typeof fetch,
  signedOut: () => void = () => undefined,
  pause: () => Promise<void> = () => new Promise((resolve) => setTimeout(resolve, RETRY_MS))
): typeof fetch {
  const asked = new Map<string, Promise<Response>>();

  async function whole(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
    for (;;) {
      try {
        const response = await plain(input, init);
        // The connection can end in the middle of an answer too.
        const body = await response.arrayBuffer();
        if (response.status === 401) signedOut();
        else if (!AWAY_STATUS.has(response.status))
          return new Response(body.byteLength > 0 ? body : null, response);
      } catch (error) {
        if (init?.signal?.aborted) throw error;
      }
      await pause();
    }
  }

  return async (input, init) => {
    const url = input instanceof Request ? input.url : String(input);
    if (!new URL(url, 'http://here').pathname.endsWith('/__data.json')) return plain(input, init);
    let answer = asked.get(url);
    if (!answer) {
      answer = whole(input, init).finally(() => asked.delete(url));
      asked.set(url, answer);
    }
    return (await answer).clone();
  };
}
