/**
 * Which pages a device keeps, so that they open without the network: the day, jobs with what closes and reports them,
 * vehicles, the board, and the tools that compute by themselves. What they show is as it was when they were opened last.
 */

/** Where the browser keeps them; one store for all versions, since each page names the files it needs. */
export const PAGES = 'pyrethos-pages';

const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
const KEPT = new RegExp(
  `^/(?:jobs/\\d+(?:/(?:finish|report))?|vehicles(?:/${UUID}(?:/sheet)?)?|board(?:/day|/evening)?|coolant|sensor)?$`
);
/** Parts of an address for which nothing else is loaded. */
const SAME_PAGE = new Set(['check', 'who', 'day', 'task']);

/** The name a page is kept under; null for one that is not kept. */
export function keptAs(url: URL): string | null {
  const path = url.pathname.length > 1 ? url.pathname.replace(/\/$/, '') : url.pathname;
  return KEPT.test(path) ? path : null;
}

/** Whether an address shows the page as it is kept, and no other run or list of it. */
export const isWhole = (url: URL): boolean => [...url.searchParams.keys()].every((k) => SAME_PAGE.has(k));

/** How many pages are kept, and for how long: a device that was put away shows nothing old. */
const MOST = 40;
const HOURS = 72;

/** When a page was kept, and what it is called: headers of the kept answer. */
export const KEPT_AT = 'x-kept-at';
export const KEPT_TITLE = 'x-kept-title';

interface KeptPage {
  readonly path: string;
  /** ISO 8601. */
  readonly at: string;
}

/** Whether a page was kept too long ago to be shown, or at no time that can be told. */
export const isTooOld = (at: string | null, now: string): boolean =>
  !(Date.parse(now) - Date.parse(at ?? '') <= HOURS * 3_600_000);

/** Those that are too old or too many, the latest first. */
export const tooMany = (pages: readonly KeptPage[], now: string): readonly string[] =>
  pages
    .toSorted((a, b) => b.at.localeCompare(a.at))
    .filter((p, i) => i >= MOST || isTooOld(p.at, now))
    .map((p) => p.path);

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => ENTITIES[c]);

/** What stands where a page was never opened on this device: those that were. */
export function awayPage(pages: readonly { readonly path: string; readonly title: string }[]): string {
  const list = pages
    .map(({ path, title }) => `<li><a href="${escaped(path)}">${escaped(title)}</a></li>`)
    .join('');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="color-scheme" content="light dark"><title>No connection · Pyrethos</title><style>body{font:18px/1.5 system-ui,sans-serif;max-width:34rem;margin:12vh auto;padding:0 1rem}a{display:inline-block;padding:.6rem 0}</style></head><body><h1>The server does not answer</h1><p>This page was not opened on this device before. ${
    pages.length > 0
      ? 'These were, and work without the server. What you enter there is sent when it is back.'
      : 'Nothing is kept here yet: a page is kept when it is opened while the server answers.'
  }</p><ul>${list}</ul><p><a href="">Try again</a></p></body></html>`;
}
