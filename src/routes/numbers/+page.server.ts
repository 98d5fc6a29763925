import { dayOf } from '$core/record/moment';
import { database } from '$lib/server/db/database';
import { numbersView } from '$lib/server/views/numbers';

const isDate = (text: string | null): text is string => dayOf('').safeParse(text).success;

/** A year back unless someone asks for another period; one that ends before it begins is turned round. */
export const load = async ({ url, depends }) => {
  depends('record:job');
  const today = new Date().toISOString().slice(0, 10);
  const yearAgo = new Date(Date.now() - 364 * 86_400_000).toISOString().slice(0, 10);
  const asked = [url.searchParams.get('from'), url.searchParams.get('to')];
  const wrong = asked.filter((d) => d !== null && d !== '' && !isDate(d));
  const [from, to] = [isDate(asked[0]) ? asked[0] : yearAgo, isDate(asked[1]) ? asked[1] : today].sort();
  return { period: { from, to }, today, wrong, numbers: await numbersView(database(), { from, to }) };
};
