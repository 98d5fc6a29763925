import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync('src/app.css', 'utf8');
const THEMES = ['day', 'night'] as const;

/** A colour of the tokens by its name and theme. */
function colour(name: string, theme: (typeof THEMES)[number]): string {
  const found = new RegExp(`--${name}: light-dark\\((#[0-9a-f]{6}), (#[0-9a-f]{6})\\)`).exec(css)!;
  return found[theme === 'day' ? 1 : 2];
}

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const channel = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => channel(parseInt(hex.slice(i, i + 2), 16) / 255));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p);
  return (x + 0.05) / (y + 0.05);
}

describe.each(THEMES)('by %s', (theme) => {
  // Readings, results and cautions are read at arm’s length in poor light: AAA.
  it.each([
    ['ink', ['paper', 'card', 'well']],
    ['off', ['paper', 'card', 'off-wash']],
    ['good', ['paper', 'card', 'good-wash']],
    ['act-ink', ['act']]
  ])('%s stands out from what it is on, as readings and cautions must', (text, grounds) => {
    for (const ground of grounds)
      expect(
        contrast(colour(text, theme), colour(ground, theme)),
        `${text} on ${ground}`
      ).toBeGreaterThanOrEqual(7);
  });

  it('the words beside them can be read, and a control be seen', () => {
    for (const ground of ['paper', 'card', 'well'])
      expect(contrast(colour('ink-2', theme), colour(ground, theme)), ground).toBeGreaterThanOrEqual(4.5);
    for (const line of ['line-strong', 'act', 'focus'])
      expect(contrast(colour(line, theme), colour('card', theme)), line).toBeGreaterThanOrEqual(3);
  });
});
