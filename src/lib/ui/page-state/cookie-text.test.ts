import { describe, expect, it } from 'vitest';
import { cookieText } from './cookie-text';

describe('the text of a cookie', () => {
  it('is what was written, and nothing where nobody of ours wrote it', () => {
    expect(cookieText(encodeURIComponent('Ása, bay 2'))).toBe('Ása, bay 2');
    expect(cookieText('%E0%A4%A')).toBe('');
    expect(cookieText(undefined)).toBe('');
  });
});
