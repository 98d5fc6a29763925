import { describe, expect, it } from 'vitest';
import { dateFormOf, writtenDate, writtenHour } from './dates';

const at = '2026-11-25T15:05:00.000Z';

describe('dates as a person writes them', () => {
  it('name the weekday only of another day, in the shop’s own zone', () => {
    const now = '2026-11-25T07:00:00.000Z';
    expect(writtenHour(at, 'UTC', now)).toBe('15:05');
    expect(writtenHour('2026-11-26T06:30:00.000Z', 'UTC', now)).toBe('Thu 06:30');
    // Half past eleven at night in UTC is the next day in the east.
    expect(writtenHour('2026-11-25T23:30:00.000Z', 'Asia/Tokyo', now)).toBe('Thu 08:30');
  });
  it.each([
    ['en-GB', 'Wed 25 Nov, 15:05', '25 Nov 2026'],
    ['en-US', 'Wed, Nov 25, 3:05 PM', 'Nov 25, 2026'],
    ['sv-SE', '2026-11-25 15:05', '2026-11-25']
  ] as const)('in the form %s', (form, moment, date) => {
    const plain = (text: string) => text.replace(/\s/g, ' ').replace('Wed, 25', 'Wed 25');
    expect(plain(writtenDate(at, 'UTC', 'moment', form))).toBe(moment);
    expect(plain(writtenDate(at, 'UTC', 'date', form))).toBe(date);
    expect(writtenDate(at, 'UTC', 'day', form)).toMatch(/Wednesday.*November/);
  });
  it('of a day without a clock are that day in every zone', () => {
    expect(writtenDate('2026-11-25', 'America/Anchorage', 'date')).toBe('25 Nov 2026');
    expect(writtenDate('2026-11-25', 'Asia/Tokyo', 'date')).toBe('25 Nov 2026');
  });
  it('follow what was chosen, then the first language of the browser, then the day before the month', () => {
    expect(dateFormOf('sv-SE', 'en-US,en;q=0.9')).toBe('sv-SE');
    expect(dateFormOf(undefined, 'en-US,en;q=0.9')).toBe('en-US');
    expect(dateFormOf('stone', 'fr-FR,en-US;q=0.5')).toBe('en-GB');
    expect(dateFormOf(undefined, null)).toBe('en-GB');
  });
});
