/** No list is longer than this, and the database can count this far. */
const FURTHEST = 1_000_000;

/** The page an address asks for: the first one where it asks for none that could be. */
export const pageAsked = (url: URL): number =>
  Math.min(FURTHEST, Math.max(1, Math.floor(Number(url.searchParams.get('page'))) || 1));

/** The page to show of a list of so many, and how many pages it has: the last one where the one asked for is no longer there. */
export function pageOf(count: number, each: number, asked: number): { page: number; pages: number } {
  const pages = Math.max(1, Math.ceil(count / each));
  return { page: Math.min(pages, asked), pages };
}
