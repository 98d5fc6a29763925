import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { rowReader } from './csv-rows';

const encode = (text: string) => new TextEncoder().encode(text);
const decoder = new TextDecoder();
const read = (text: string, delimiter = ',') => {
  const reader = rowReader(encode(text), delimiter, '.', (b) => decoder.decode(b));
  const rows: string[][] = [];
  while (reader.next()) rows.push(Array.from({ length: reader.width }, (_, i) => reader.text(i)));
  return rows;
};

describe('rows of delimited text', () => {
  it('agrees with papaparse on anything papaparse writes', () => {
    const cell = fc.string({ maxLength: 8 }).map((s) => s.trim());
    const table = fc
      .integer({ min: 2, max: 5 })
      .chain((n) => fc.array(fc.array(cell, { minLength: n, maxLength: n }), { minLength: 1, maxLength: 6 }));
    fc.assert(
      fc.property(table, fc.constantFrom(',', ';', '\t'), (rows, delimiter) => {
        const text = Papa.unparse(rows, { delimiter, quotes: true });
        expect(read(text, delimiter)).toEqual(rows);
      })
    );
  });

  it('counts lines through blank lines, both line ends and a line end inside quotes', () => {
    const reader = rowReader(encode('a,b\r\n\r\n1,"x\ny"\n2,3'), ',', '.', (b) => decoder.decode(b));
    const lines: [number, number, boolean][] = [];
    while (reader.next()) lines.push([reader.line, reader.width, reader.complete]);
    expect(lines).toEqual([
      [1, 2, true],
      [3, 2, true],
      [5, 2, false]
    ]);
  });

  it('reads any number the language itself would print, with either decimal sign', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (x) => {
        for (const [text, decimal] of [
          [String(x), '.'],
          [String(x).replace('.', ','), ',']
        ] as const) {
          const reader = rowReader(encode(text), ';', decimal, (b) => decoder.decode(b));
          reader.next();
          // To fifteen digits or decimals, which is beyond what any logger writes.
          expect(Math.abs(reader.number(0)! - x)).toBeLessThanOrEqual(Math.max(1, Math.abs(x)) * 1e-14);
        }
      })
    );
  });

  it('tells blank from text', () => {
    const reader = rowReader(encode(' ,n/a,+1.5e2, −4 ,1.2.3,.'), ',', '.', (b) => decoder.decode(b));
    reader.next();
    expect([0, 1, 2, 3, 4, 5].map((i) => reader.number(i))).toEqual([
      NaN,
      undefined,
      150,
      -4,
      undefined,
      undefined
    ]);
  });
});
