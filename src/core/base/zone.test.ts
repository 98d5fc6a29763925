import { describe, expect, it } from 'vitest';
import { dayAfter, dayIn, momentOf, timeIn, zoneOffsetMs } from './zone';

describe('the clock on the wall', () => {
  it('is not that of Greenwich', () => {
    expect(zoneOffsetMs('America/St_Johns', new Date('2026-01-15T12:00:00Z'))).toBe(-3.5 * 3_600_000);
    expect(zoneOffsetMs('Europe/Berlin', new Date('2026-07-15T12:00:00Z'))).toBe(2 * 3_600_000);
    expect(dayIn('Pacific/Auckland', new Date('2026-12-01T20:00:00Z'))).toBe('2026-12-02');
    expect(timeIn('Europe/Berlin', new Date('2026-12-01T06:30:00Z'))).toBe('07:30');
    expect(momentOf('Europe/Berlin', '2026-12-01', '07:30').toISOString()).toBe('2026-12-01T06:30:00.000Z');
  });

  it('is changed in the night, and the day begins at half past seven all the same', () => {
    // Berlin: on 29 March 2026 two o'clock becomes three, on 25 October three becomes two.
    expect(momentOf('Europe/Berlin', '2026-03-29', '07:30').toISOString()).toBe('2026-03-29T05:30:00.000Z');
    expect(momentOf('Europe/Berlin', '2026-10-25', '07:30').toISOString()).toBe('2026-10-25T06:30:00.000Z');
    // The hour that is left out, and the one that comes twice.
    expect(momentOf('Europe/Berlin', '2026-03-29', '02:30').toISOString()).toBe('2026-03-29T01:30:00.000Z');
    expect(momentOf('Europe/Berlin', '2026-10-25', '02:30').toISOString()).toBe('2026-10-25T00:30:00.000Z');
    expect(dayAfter('2026-02-28', 1)).toBe('2026-03-01');
  });
});
