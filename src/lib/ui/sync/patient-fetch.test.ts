import { describe, expect, it } from 'vitest';
import { patientFetch } from './patient-fetch';

const DATA = 'http://shop/jobs/7/__data.json?x-sveltekit-invalidated=01';

/** A server that gives these answers in turn; an error is no answer. */
function server(...answers: (Response | Error | (() => Response))[]) {
  const asked: string[] = [];
  let pauses = 0;
  let endings = 0;
  const ask = patientFetch(
    async (input) => {
      asked.push(String(input));
      const answer = answers[Math.min(asked.length, answers.length) - 1]!;
      if (answer instanceof Error) throw answer;
      return typeof answer === 'function' ? answer() : answer;
    },
    () => void endings++,
    async () => void pauses++
  );
  return { ask, asked, pauses: () => pauses, endings: () => endings };
}
const gone = new TypeError('Failed to fetch');
/** An answer whose connection ends in the middle. */
const torn = () =>
  new Response(
    new ReadableStream({
      start(stream) {
        stream.enqueue(new TextEncoder().encode('{"type":'));
        stream.error(gone);
      }
    })
  );

describe('a page that asks for its data', () => {
  it('waits while the server is away, however it is', async () => {
    const { ask, asked, pauses } = server(
      gone,
      new Response('', { status: 503 }),
      torn,
      new Response('here')
    );
    expect(await (await ask(DATA)).text()).toBe('here');
    expect(asked).toHaveLength(4);
    expect(pauses()).toBe(3);
  });

  it('tells that the session has ended, and waits for the next', async () => {
    const { ask, endings } = server(new Response('{}', { status: 401 }), new Response('here'));
    expect(await (await ask(DATA)).text()).toBe('here');
    expect(endings()).toBe(1);
  });

  it('is told what the server refuses', async () => {
    const { ask, pauses } = server(new Response('{"message":"no such job"}', { status: 404 }));
    const answer = await ask(DATA);
    expect(answer.status).toBe(404);
    expect(await answer.json()).toEqual({ message: 'no such job' });
    expect(pauses()).toBe(0);
  });

  it('asks once for what it wants twice at a time, and anew later', async () => {
    const { ask, asked } = server(() => new Response('same'));
    const both = await Promise.all([ask(DATA), ask(DATA)]);
    expect(await Promise.all(both.map((r) => r.text()))).toEqual(['same', 'same']);
    expect(asked).toHaveLength(1);
    await ask(DATA);
    expect(asked).toHaveLength(2);
  });

  it('leaves every other request alone', async () => {
    const { ask, asked } = server(gone);
    await expect(ask('/api/events', { method: 'POST', body: '{}' })).rejects.toThrow('Failed to fetch');
    expect(asked).toHaveLength(1);
  });
});
