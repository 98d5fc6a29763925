import { describe, expect, it } from 'vitest';
import { heatVar } from '../plots/heat';
import { clock, hour, when } from './when';

describe('times as they are read', () => {
  it('name the weekday only of another day, in the shop’s own zone', () => {
    const now = '2026-11-25T07:00:00.000Z';
    expect(hour('2026-11-25T15:05:00.000Z', 'UTC', now)).toBe('15:05');
    expect(hour('2026-11-26T06:30:00.000Z', 'UTC', now)).toBe('Thu 06:30');
    // Half past eleven at night in UTC is the next day in the east.
    expect(hour('2026-11-25T23:30:00.000Z', 'Asia/Tokyo', now)).toBe('Thu 08:30');
    expect(when('2026-11-25T07:00:00.000Z', 'UTC')).toContain('25 Nov');
  });
  it('of a run are minutes and seconds', () => {
    expect([clock(0), clock(65), clock(3599.9)]).toEqual(['0:00', '1:05', '59:59']);
  });
});

describe('the heat scale', () => {
  it('mixes neighbours, and holds at both ends', () => {
    expect(heatVar(-30)).toBe(heatVar(0));
    expect(heatVar(200)).toContain('--heat-5');
    expect(heatVar(0)).toContain('var(--heat-1) 100%');
    expect(heatVar(59)).toMatch(/--heat-[23]/);
  });
});
