import { page } from '$app/state';
import { atLeast, type Role } from '$core/record/roles';
import { cookieText } from './cookie-text';

/** The name where nobody has picked one, in an open house. */
export const UNSIGNED = 'Unsigned';

const found = () => /(?:^|; )who=([^;]*)/.exec(document.cookie)?.[1] ?? '';

/** The person signed in; in an open house the name picked once at the top of the window, kept in a cookie. */
export const whoIsHere = (): string =>
  page.data.session?.name ?? (cookieText(found()).slice(0, 60) || UNSIGNED);

/** The id of whoever is signed in: what is entered now goes out under it, whoever is signed in by then. */
export const personHere = (): string | null => page.data.session?.person ?? null;

/** Whether whoever is here may do what asks for a role; in an open house anybody may. What is shown; the server judges again. */
export const mayHere = (least: Role): boolean => !page.data.session || atLeast(page.data.session.role, least);

/** Whether whoever is here may take an entry of this person back: a technician their own, a lead anybody's. */
export const mayUndo = (who: string): boolean =>
  mayHere('lead') || (mayHere('technician') && who === whoIsHere());

export function keepWho(name: string): void {
  document.cookie = `who=${encodeURIComponent(name.trim().slice(0, 60))}; path=/; max-age=31536000; samesite=lax`;
}
