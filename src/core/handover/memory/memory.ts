import { sayC, sayDeltaC } from '../../units/say';
import { driftOf, typicalOf, type Drift, type Span, type Typical } from './drift';
import { TRAIT_IDS, TRAITS, type TraitId, type Fingerprint } from './fingerprint';

/** What is remembered of a vehicle since its cooling system was last repaired. */
export interface Memory {
  readonly since: string | null;
  readonly runs: number;
  readonly typical: readonly Typical[];
  readonly drifts: readonly Drift[];
  /** What has moved beyond weather and chance, in words; empty where nothing has. */
  readonly warnings: readonly string[];
}

/** What to check when a trait has moved up or down, before anything fails outright. */
const CHECKS: Readonly<Record<TraitId, Readonly<Record<'up' | 'down', string>>>> = {
  opening: { up: 'the thermostat before it sticks', down: 'the thermostat before it sticks open' },
  regulates: { up: 'the radiator before it clogs', down: 'the thermostat before it sticks open' },
  rate: { up: 'the coolant level before it falls further', down: 'the thermostat before it sticks open' },
  fanOn: { up: 'whether the ECT sensor reads cold', down: 'whether the ECT sensor reads hot' }
};

/** Runs since the last repair make the memory: what was replaced is no reason to compare. */
export function memoryOf(fingerprints: readonly Fingerprint[], repairedAt: string | null): Memory {
  const since = repairedAt ? fingerprints.filter((p) => p.at > repairedAt) : fingerprints;
  const drifts = TRAIT_IDS.flatMap((trait) => driftOf(since, trait) ?? []);
  return {
    since: repairedAt,
    runs: since.length,
    typical: TRAIT_IDS.flatMap((trait) => typicalOf(since, trait) ?? []),
    drifts,
    warnings: drifts.filter((d) => d.sure).map(warningOf)
  };
}

/** The drift a list shows of a vehicle: a sure one, else that on the road, else where it opens; null with too few runs. */
export const toldDrift = ({ drifts }: Memory): Drift | null =>
  drifts.find((d) => d.sure) ??
  drifts.find((d) => d.trait === 'regulates') ??
  drifts.find((d) => d.trait === 'opening') ??
  null;

const SAYS: Readonly<Record<TraitId, string>> = {
  opening: 'Opens',
  regulates: 'Regulates',
  rate: 'Warms up',
  fanOn: 'Its fan comes on'
};

function warningOf(drift: Drift): string {
  const { trait, byC, withinC, then } = drift;
  const higher = trait === 'rate' ? ['faster a minute', 'slower a minute'] : ['higher', 'lower'];
  return `${SAYS[trait]} ${sayDeltaC(Math.abs(byC))} ± ${sayDeltaC(withinC)} ${byC > 0 ? higher[0] : higher[1]} than in ${spanWords(then)}. Check ${CHECKS[trait][byC > 0 ? 'up' : 'down']}`;
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December'
];

/** A span in the words of the yard: its months, the year once. */
export function spanWords({ from, to }: Pick<Span, 'from' | 'to'>): string {
  const [a, b] = [new Date(from), new Date(to)];
  const month = (d: Date) => MONTHS[d.getUTCMonth()];
  const [ya, yb] = [a.getUTCFullYear(), b.getUTCFullYear()];
  if (ya !== yb) return `${month(a)} ${ya} to ${month(b)} ${yb}`;
  return month(a) === month(b) ? `${month(a)} ${ya}` : `${month(a)} to ${month(b)} ${ya}`;
}

export const traitTitle = (trait: TraitId): string => TRAITS[trait].title;

/** A trait's level or change in words. */
export const sayTrait = (trait: TraitId, celsius: number): string =>
  TRAITS[trait].unit === 'temperature' ? sayC(celsius) : sayDeltaC(celsius);
