import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { compressed } from './compress';

const words = 'Thermostat stuck open. '.repeat(400);
const answer = (body: string | null, type: string, headers: Record<string, string> = {}) =>
  new Response(body, {
    status: 203,
    headers: { 'content-type': type, 'cache-control': 'no-store', ...headers }
  });
const asked = (takes: string) =>
  new Request('https://depot.example/', { headers: { 'accept-encoding': takes } });

describe('an answer as a browser takes it', () => {
  it.each([
    ['gzip, deflate, br', 'br', brotliDecompressSync],
    ['gzip', 'gzip', gunzipSync]
  ])('that takes %s is %s, whole, and with what it said besides', async (takes, how, open) => {
    const sent = await compressed(asked(takes), answer(words, 'text/html'));
    const body = Buffer.from(await sent.arrayBuffer());
    expect(sent.headers.get('content-encoding')).toBe(how);
    expect(open(body).toString()).toBe(words);
    expect(body.length).toBeLessThan(words.length / 10);
    expect(sent.headers.get('content-length')).toBe(String(body.length));
    expect([sent.status, sent.headers.get('cache-control')]).toEqual([203, 'no-store']);
  });

  it.each([
    ['that takes nothing', 'identity', answer(words, 'text/html')],
    ['of a picture', 'br', answer(words, 'image/png')],
    ['that comes bit by bit', 'br', answer(words, 'text/event-stream')],
    ['that is compressed already', 'br', answer(words, 'text/html', { 'content-encoding': 'gzip' })],
    ['of a few words', 'br', answer('{"ok":true}', 'application/json')]
  ])('%s stays as it is', async (_, takes, is) => {
    const [before, text] = [is.headers.get('content-encoding'), await is.clone().text()];
    const sent = await compressed(asked(takes), is);
    expect(sent.headers.get('content-encoding')).toBe(before);
    expect(await sent.text()).toBe(text);
  });
});
