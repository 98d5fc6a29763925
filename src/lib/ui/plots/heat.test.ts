import { describe, expect, it } from 'vitest';
import { heatVar } from './heat';

describe('the heat scale', () => {
  it('mixes neighbours, and holds at both ends', () => {
    expect(heatVar(-30)).toBe(heatVar(0));
    expect(heatVar(200)).toContain('--heat-5');
    expect(heatVar(0)).toContain('var(--heat-1) 100%');
    expect(heatVar(59)).toMatch(/--heat-[23]/);
  });
});
