import type { EventBody } from '$core/record/events';
import type { Problem } from '$core/result';

export type Answer =
  | { readonly ok: true; readonly warnings?: readonly Problem[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Turns any answer of the server, or none at all, into one that can be shown. */
export async function answerOf<T extends Answer>(
  request: Promise<Response>
): Promise<T | Extract<Answer, { ok: false }>> {
  let response: Response;
  try {
    response = await request;
  } catch {
    return {
      ok: false,
      problems: [
        {
          message:
            'The server does not answer. Nothing is lost: what you entered is still here, send it again'
        }
      ]
    };
  }
  try {
    return (await response.json()) as T;
  } catch {
    return {
      ok: false,
      problems: [
        {
          message:
            response.status === 413
              ? 'The file is too large for the server'
              : `The server answered with an error (${response.status}). Try once more`
        }
      ]
    };
  }
}

/** Appends an event to the record. The id is made here, so that sending twice is safe. */
export function record(stream: string, body: EventBody, id: string = crypto.randomUUID()): Promise<Answer> {
  return answerOf<Answer>(
    fetch('/api/events', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ id, stream, at: new Date().toISOString(), ...body })
    })
  );
}
