import { shopCurves } from '$lib/server/record/curves';
import { database } from '$lib/server/db/database';
import { shopZone } from '$lib/server/zone';

/** What every page needs: who is at the bench, the theme, the units and dates, the shop's time zone. */
export const load = async ({ locals, depends }) => ({
  who: locals.who,
  openHouse: locals.openHouse,
  session: locals.session && {
    person: locals.session.person,
    name: locals.session.name,
    role: locals.session.role
  },
  theme: locals.theme,
  units: locals.units,
  dates: locals.dates,
  curves: locals.openHouse || locals.session ? (depends('record:curve'), await shopCurves(database())) : [],
  zone: shopZone(),
  drawnAt: new Date().toISOString()
});
