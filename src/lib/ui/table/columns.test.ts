import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addressOf, viewOf, type TableView } from './columns';

const IDS = ['number', 'vehicle', 'outcome', 'last'];
const id = fc.constantFrom(...IDS);
const view = fc.record({
  words: fc.string({ maxLength: 12 }),
  sort: fc.option(fc.record({ id, desc: fc.boolean() })),
  group: fc.option(id),
  only: fc.dictionary(id, fc.string({ minLength: 1, maxLength: 12 })),
  columns: fc.option(fc.uniqueArray(id, { minLength: 1 }))
});

describe('how a table is looked at', () => {
  it('is kept in the address, whole', () => {
    fc.assert(
      fc.property(view, (v: TableView) => {
        const there = viewOf(new URLSearchParams(addressOf(v).slice(1)), IDS);
        expect(there).toEqual({ ...v, only: { ...v.only } });
      })
    );
  });
  it('leaves out what is no column here', () => {
    const asked = new URLSearchParams('sort=-price&group=colour&is.size=4&columns=size,number');
    expect(viewOf(asked, IDS)).toEqual({ words: '', sort: null, group: null, only: {}, columns: ['number'] });
  });
});
