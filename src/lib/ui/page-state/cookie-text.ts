/** The text of a cookie; empty where it is not there or was not written by us (`%E0%A4%A` decodes to nothing). */
export function cookieText(raw: string | undefined): string {
  try {
    return decodeURIComponent(raw ?? '');
  } catch {
    return '';
  }
}
