import { describe, expect, it } from 'vitest';
import { Outbox, type Sent } from './outbox';
import type { OutboxStore, Waiting } from './outbox-store';
import { readWaitingFile, waitingFile } from './waiting-file';

function bench(answer: (item: Waiting) => Sent | Promise<Sent>) {
  const kept = new Map<string, Waiting>();
  const store: OutboxStore = {
    all: async () => [...kept.values()],
    put: async (item) => void kept.set(item.id, item),
    remove: async (id) => void kept.delete(id)
  };
  const tried: string[] = [];
  let tail = Promise.resolve();
  const outbox = new Outbox({
    store,
    send: async (item) => {
      tried.push(item.id);
      return answer(item);
    },
    alone: (work) => (tail = tail.then(work)),
    patienceMs: 20,
    changed: () => {}
  });
  return { outbox, kept, tried };
}
const item = (id: string, order: number): Waiting => ({
  id,
  order,
  url: '/api/events',
  type: 'application/json',
  body: id,
  label: id,
  by: null,
  event: null,
  refused: null
});
const fine: Sent = { kind: 'answered', answer: { ok: true } };
const no: Sent = {
  kind: 'answered',
  answer: { ok: false, problems: [{ field: 'lastC', message: 'is too hot' }] }
};

describe('the outbox', () => {
  it('hands an entry over and keeps nothing of it', async () => {
    const { outbox, kept } = bench(() => fine);
    expect(await outbox.post(item('a', 1))).toEqual({ ok: true });
    expect(kept.size).toBe(0);
  });

  it('keeps entries while the server is away and sends each once, in order, when it is back', async () => {
    let here = false;
    const { outbox, kept, tried } = bench(() => (here ? fine : { kind: 'away' }));
    expect(await outbox.post(item('a', 1))).toEqual({ ok: true, waiting: true });
    expect(await outbox.post(item('c', 3))).toEqual({ ok: true, waiting: true });
    await outbox.post(item('b', 2));
    expect([...kept.keys()]).toEqual(['a', 'c', 'b']);
    here = true;
    tried.length = 0;
    await Promise.all([outbox.flush(), outbox.flush()]);
    expect(tried).toEqual(['a', 'b', 'c']);
    expect(kept.size).toBe(0);
  });

  it('hands a refusal to the form that waits for it, and keeps one that nobody sees', async () => {
    let here = true;
    const { outbox, kept } = bench(() => (here ? no : { kind: 'away' }));
    expect(await outbox.post(item('a', 1))).toMatchObject({ ok: false, problems: [{ field: 'lastC' }] });
    expect(kept.size).toBe(0);
    here = false;
    await outbox.post(item('b', 2));
    here = true;
    await outbox.flush();
    expect(kept.get('b')!.refused).toEqual([{ field: 'lastC', message: 'is too hot' }]);
    await outbox.drop('b');
    expect(kept.size).toBe(0);
  });

  it('does not hold up what comes after a refused entry', async () => {
    let here = false;
    const { outbox, kept } = bench((i) => (!here ? { kind: 'away' } : i.id === 'a' ? no : fine));
    await outbox.post(item('a', 1));
    await outbox.post(item('b', 2));
    here = true;
    await outbox.flush();
    expect([...kept.keys()]).toEqual(['a']);
  });

  it('sends a mended entry again, and with it what was refused because of it', async () => {
    let [here, taken] = [false, true];
    const { outbox, kept, tried } = bench((i) =>
      !here ? { kind: 'away' } : taken && i.id !== 'c' ? no : fine
    );
    for (const [id, order] of [
      ['a', 1],
      ['b', 2],
      ['c', 3]
    ] as const)
      await outbox.post(item(id, order));
    here = true;
    await outbox.flush();
    expect([...kept.values()].map((i) => [i.id, i.refused !== null])).toEqual([
      ['a', true],
      ['b', true]
    ]);
    taken = false;
    tried.length = 0;
    await outbox.again('a', { ...item('a', 1), body: 'mended' });
    expect(tried).toEqual(['a', 'b']);
    expect(kept.size).toBe(0);
  });

  it('goes into a file and is sent from there by another browser, in order', async () => {
    const event = {
      id: 'b5b6cd60-6b23-4b26-9f6a-3ad3d1b4a4a1',
      stream: 'job:b5b6cd60-6b23-4b26-9f6a-3ad3d1b4a4a2',
      who: 'Maren Oake',
      at: '2026-11-28T08:00:00.000Z',
      version: 2,
      kind: 'job.noted' as const,
      payload: { text: 'Level low' }
    };
    const photo: Waiting = {
      ...item('b5b6cd60-6b23-4b26-9f6a-3ad3d1b4a4a3', 1),
      url: '/api/jobs/b5b6cd60-6b23-4b26-9f6a-3ad3d1b4a4a2/photos?caption=hose',
      type: 'image/jpeg',
      body: new Blob([Uint8Array.of(0xff, 0xd8, 0xff, 0)])
    };
    const note = { ...item(event.id, 2), event, body: JSON.stringify(event) };
    const text = await waitingFile([photo, note], '2026-11-28T09:00:00.000Z');
    const read = readWaitingFile(JSON.parse(text));
    const { outbox, tried } = bench(() => fine);
    await outbox.take(read.ok ? read.value : []);
    expect(tried).toEqual([photo.id, note.id]);
    const [back] = read.ok ? read.value : [];
    expect(new Uint8Array(await (back.body as Blob).arrayBuffer())).toEqual(
      Uint8Array.of(0xff, 0xd8, 0xff, 0)
    );
    // A file sends nobody's browser elsewhere.
    const astray = text.replace('/api/events', 'https://example.test/');
    expect(readWaitingFile(JSON.parse(astray))).toMatchObject({ ok: false });
  });

  it('lets the form go when no answer comes in time', async () => {
    const { outbox } = bench(() => new Promise<Sent>(() => {}));
    expect(await outbox.post(item('a', 1))).toEqual({ ok: true, waiting: true });
  });
});
