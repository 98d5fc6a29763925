import { expect, it } from 'vitest';
import { nextRecheck } from './rechecks';

const on = (day: string) => new Date(`${day}T12:00:00`);

it('a system that was opened is looked at on the next day, after a week, and when the fault would be back', () => {
  const next = (today: string) => nextRecheck('fixed and proven', true, on('2026-11-24'), on(today));
  expect(['2026-11-24', '2026-11-25', '2026-11-28', '2026-12-01', '2027-03-01'].map(next)).toEqual([
    '2026-11-25',
    '2026-12-01',
    '2026-12-01',
    '2027-02-22',
    null
  ]);
});

it('one that stayed shut is looked at for the complaint alone, an unproven repair sooner', () => {
  const at = on('2026-11-24');
  expect(nextRecheck('fixed, unproven', false, at, at)).toBe('2026-12-24');
  expect(nextRecheck('fixed and proven', false, at, at)).toBe('2027-02-22');
  expect(nextRecheck('no fault found', true, at, at)).toBeNull();
  expect(nextRecheck(null, true, at, at)).toBeNull();
});
