import { describe, expect, it } from 'vitest';
import { awayPage, isTooOld, isWhole, keptAs, tooMany } from './kept';

const at = (path: string) => new URL(path, 'https://depot.example');

describe('what a device keeps', () => {
  it.each([
    '/',
    '/jobs/8',
    '/jobs/8/finish',
    '/jobs/8/report',
    '/vehicles',
    '/coolant',
    '/board',
    '/board/day?who=Pell+Harrow',
    '/jobs/8/?check=soak'
  ])('%s, so that it opens without the network', (path) => {
    expect(keptAs(at(path))).toBe(at(path).pathname.replace(/(.)\/$/, '$1'));
  });
  it.each(['/people', '/shop', '/sign-in', '/join/abc', '/jobs/8/live', '/jobs/new', '/api/jobs/8/job.json'])(
    'is not %s',
    (path) => {
      expect(keptAs(at(path))).toBeNull();
    }
  );
  it('is a page as it is opened, and not one run or page of a list', () => {
    expect(isWhole(at('/jobs/8?check=soak'))).toBe(true);
    expect(isWhole(at('/board/day?who=Pell+Harrow'))).toBe(true);
    expect(isWhole(at('/jobs/8?run=2'))).toBe(false);
    expect(isWhole(at('/vehicles?page=2'))).toBe(false);
  });

  const now = '2026-12-04T08:00:00.000Z';
  it('is shown for three days and no longer', () => {
    expect(isTooOld('2026-12-01T08:00:00.000Z', now)).toBe(false);
    expect(isTooOld('2026-12-01T07:59:59.000Z', now)).toBe(true);
    expect(isTooOld(null, now)).toBe(true);
    expect(isTooOld('', now)).toBe(true);
  });
  it('is the last forty: older ones go first', () => {
    const pages = Array.from({ length: 42 }, (_, i) => ({
      path: `/jobs/${i}`,
      at: new Date(Date.parse(now) - i * 60_000).toISOString()
    }));
    expect(tooMany(pages, now)).toEqual(['/jobs/40', '/jobs/41']);
    expect(tooMany([{ path: '/', at: '2026-11-30T08:00:00.000Z' }], now)).toEqual(['/']);
  });

  it('is listed where a page was never opened, and nothing in a title is taken for a page', () => {
    const page = awayPage([{ path: '/jobs/8', title: 'QH-11 <b onclick="x">' }]);
    expect(page).toContain('<a href="/jobs/8">QH-11 &lt;b onclick=&quot;x&quot;&gt;</a>');
    expect(awayPage([])).toContain('Nothing is kept here yet');
  });
});
