import { shopCurves } from '$lib/server/record/curves';
import { database } from '$lib/server/db/database';
import { knownAdapters } from '$lib/server/live/adapters';
import { shopZone } from '$lib/server/zone';

/** What every page needs: who is at the bench, the theme, the units, the shop's time zone. */
export const load = async ({ locals, depends }) => ({
  who: locals.who,
  theme: locals.theme,
  units: locals.units,
  /** The server runs a simulated bench, whose instruments can be read from the page. */
  bench: knownAdapters().some((a) => a.simulated),
  curves: (depends('record:curve'), await shopCurves(database())),
  zone: shopZone()
});
