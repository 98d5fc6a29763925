import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contentKey, Recent } from './content-key';

describe('a content key', () => {
  it('is the same for the same contents, whichever objects hold them and in whatever order of fields', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(contentKey(JSON.parse(JSON.stringify(value)))).toBe(contentKey(value));
      })
    );
    expect(contentKey({ a: 1, b: [2, null] })).toBe(contentKey({ b: [2, null], a: 1, c: undefined }));
  });
  it.each([
    [{ a: 1 }, { a: 2 }],
    [
      [1, 2],
      [2, 1]
    ],
    [
      ['ab', 'c'],
      ['a', 'bc']
    ],
    [{ a: '1' }, { a: 1 }],
    [{ a: null }, { a: false }],
    [[[1], 2], [[1, 2]]],
    [0.1, 0.1 + 1e-12]
  ])('tells %j from %j', (a, b) => expect(contentKey(a)).not.toBe(contentKey(b)));
  it('keeps thousands of near neighbours apart', () => {
    const keys = new Set(Array.from({ length: 20_000 }, (_, i) => contentKey({ t: i / 10, kind: 'x' })));
    expect(keys.size).toBe(20_000);
  });
});

describe('what was asked for lately', () => {
  it('is made once, and the one asked for longest ago goes first', () => {
    const kept = new Recent<string>(2);
    const made: string[] = [];
    const ask = (key: string) => kept.of(key, () => (made.push(key), key));
    for (const key of ['a', 'b', 'a', 'c', 'a', 'b']) ask(key);
    expect(made).toEqual(['a', 'b', 'c', 'b']);
  });
});
