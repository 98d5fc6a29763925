import type { Analysis } from '../../runs/analyse';
import type { Features, Segment } from '../../runs/features';

/** What a vehicle is known by: the quantities of a run that stay the same while nothing changes in the engine. */
export const TRAITS = {
  opening: { title: 'Thermostat opens', unit: 'temperature', betweenRuns: 0.7, perC: 0.04 },
  regulates: { title: 'Regulates on the road', unit: 'temperature', betweenRuns: 1.8, perC: 0.08 },
  rate: { title: 'Warms up at, a minute', unit: 'difference', betweenRuns: 0.5, perC: 0.03 },
  fanOn: { title: 'Fan comes on', unit: 'temperature', betweenRuns: 0.8, perC: 0.03 }
} as const satisfies Readonly<Record<string, Trait>>;

interface Trait {
  readonly title: string;
  readonly unit: 'temperature' | 'difference';
  /** Standard deviation from one run of a healthy engine to the next that weather does not explain, °C. Ours. */
  readonly betweenRuns: number;
  /** How much of it the weather may make, °C a degree of ambient: standard deviation of what is not known. Ours. */
  readonly perC: number;
}

export type TraitId = keyof typeof TRAITS;
export const TRAIT_IDS = Object.keys(TRAITS) as TraitId[];

/** One reading of a trait. */
export interface Mark {
  readonly celsius: number;
  /** Standard uncertainty from this run alone. */
  readonly sd: number;
}

/** A run as memory keeps it. */
export interface Fingerprint {
  readonly runId: string;
  /** ISO 8601. */
  readonly at: string;
  readonly ambientC: number | null;
  readonly marks: Readonly<Partial<Record<TraitId, Mark>>>;
}

/** A bend further than this from where the sheet lets the thermostat open is no opening, °C. */
const OPENING_WITHIN_C = 12;

export interface TracedRun {
  readonly id: string;
  readonly at: string;
  readonly verdict: Analysis['verdict'];
  readonly jumps: number;
  readonly features: Pick<
    Features,
    'knee' | 'segments' | 'warmRateCPerMin' | 'startC' | 'startMinusAmbientC' | 'fan'
  >;
}

/** A reading is rounded to 1 °C. */
const ROUNDED_SD = 0.3;

/**
 * What a run tells of its vehicle. A sensor that jumps or reads a default tells nothing; a run that was judged faulty
 * tells as much as any other, for it is how a part fails that is looked for.
 */
export function fingerprintOf(
  { id, at, verdict, jumps, features: f }: TracedRun,
  startOpenC: number
): Fingerprint | null {
  if (jumps > 0 || verdict === 'ect-open-circuit' || verdict === 'ect-short-circuit') return null;
  const marks: Partial<Record<TraitId, Mark>> = {};
  const mark = (trait: TraitId, celsius: number | null | undefined, sd: number) => {
    if (celsius != null && Number.isFinite(celsius)) marks[trait] = { celsius, sd };
  };
  const opens = f.knee && Math.abs(f.knee.celsius - startOpenC) <= OPENING_WITHIN_C;
  mark('opening', opens ? f.knee?.celsius : null, Math.max(ROUNDED_SD, f.knee?.uncertaintyC ?? 1));
  // At idle an engine may hold itself below its thermostat; on the road it is the thermostat that holds it.
  mark('regulates', longest(f.segments, 'road')?.celsius, ROUNDED_SD);
  mark('rate', f.warmRateCPerMin, 0.12 * (f.warmRateCPerMin ?? 0));
  const ons = f.fan.switches.filter((s) => s.to === 'on' && !s.withAc && s.atS > 10);
  if (ons.length > 0) mark('fanOn', ons.reduce((sum, s) => sum + s.celsius, 0) / ons.length, ROUNDED_SD);
  if (Object.keys(marks).length === 0) return null;
  const ambientC =
    f.startC !== null && f.startMinusAmbientC !== null ? f.startC - f.startMinusAmbientC : null;
  return { runId: id, at, ambientC, marks };
}

const longest = (segments: readonly Segment[], kind: Segment['kind']): Segment | undefined =>
  segments.filter((s) => s.kind === kind).sort((a, b) => b.toS - b.fromS - (a.toS - a.fromS))[0];
