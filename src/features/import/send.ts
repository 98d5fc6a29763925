import type { Layout } from '$core/logs/csv-sniff';
import { answerOf, type Answer } from '$lib/ui/outbox/record.svelte';

export interface Sending {
  readonly file: File;
  readonly jobId: string;
  readonly layout: Layout | null;
  readonly skipBrokenRows: boolean;
  /** It was asked about, and is right. */
  readonly asItIs: boolean;
  /** Made once a file, so that a second try after a lost answer adds nothing. */
  readonly eventId: string;
  readonly runId: string;
}

/** Sends a log with its confirmed columns. `onprogress` gets bytes sent; the promise settles with the judged run. */
export function sendLog(
  sending: Sending,
  onprogress: (bytes: number) => void,
  signal: AbortSignal
): Promise<Answer & { runId?: string }> {
  const { file, jobId, layout, ...rest } = sending;
  const form = new FormData();
  form.set(
    'meta',
    JSON.stringify({
      ...rest,
      at: new Date().toISOString(),
      layout: layout && { ...layout, preview: undefined }
    })
  );
  form.set('file', file, file.name);
  // fetch cannot tell how much has been sent; the older interface can.
  return answerOf(
    new Promise<Response>((resolve, reject) => {
      const request = new XMLHttpRequest();
      request.open('POST', `/api/jobs/${jobId}/runs`);
      request.upload.onprogress = (event) => onprogress(event.loaded);
      request.onload = () => resolve(new Response(request.responseText, { status: request.status }));
      request.onerror = () => reject(new Error('network'));
      request.onabort = () => reject(new Error('stopped'));
      signal.addEventListener('abort', () => request.abort());
      request.send(form);
    })
  );
}
