import { describe, expect, it } from 'vitest';
import { jsonIn } from './json-in';

describe('JSON from outside', () => {
  it('keeps every whole character, however it is written', () => {
    expect(jsonIn('{"note": "\\ud83d\\udd25 hot, \\u00b0C, a \\\\u0000 typed out", "n": [1, null]}')).toEqual(
      {
        note: '🔥 hot, °C, a \\u0000 typed out',
        n: [1, null]
      }
    );
  });

  it('loses what no database keeps', () => {
    expect(jsonIn('{"note": "lea\\u0000ks", "in": [{"half": "x\\ud83d"}]}')).toEqual({
      note: 'leaks',
      in: [{ half: 'x\ufffd' }]
    });
  });

  it('refuses what is no JSON', () => {
    expect(() => jsonIn('{"note":')).toThrow(SyntaxError);
  });
});
