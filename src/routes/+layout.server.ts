/** What every page needs: who is at the bench, the theme, the units, the shop's time zone. */
export const load = ({ locals }) => ({
  who: locals.who,
  theme: locals.theme,
  units: locals.units,
  zone: process.env.PYRETHOS_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone
});
