import { cookieText } from './cookie-text';

/** Who is at the bench: picked once at the top of the window and kept in a cookie, until there are accounts. */
export const UNSIGNED = 'Unsigned';

const found = () => /(?:^|; )who=([^;]*)/.exec(document.cookie)?.[1] ?? '';

export const whoIsHere = (): string => cookieText(found()).slice(0, 60) || UNSIGNED;

export function keepWho(name: string): void {
  document.cookie = `who=${encodeURIComponent(name.trim().slice(0, 60))}; path=/; max-age=31536000; samesite=lax`;
}
