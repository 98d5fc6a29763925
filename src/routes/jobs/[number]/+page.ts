import { unpacked } from '$lib/packed';

/** The sheet of a check is a large part: it is fetched for an address that asks for one, and else when the page is idle. */
const sheetPage = () =>
  import('$features/checks/CheckPage.svelte').then(
    (part) => part.default,
    // The server is away and it was never fetched: the job stays.
    () => null
  );

export const load = async ({ data, url }) => ({
  ...unpacked(data.view),
  bench: data.bench,
  Sheet: url.searchParams.has('check') ? await sheetPage() : null
});
