import { withFault } from '../faults/registry';
import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { sayC, sayDeltaC } from '../units/say';
import { driveFromLegs, DRIVES, type DriveName } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import { boilsAtC } from '../physics/plant/filling';
import { plantFor, type PlantParams } from '../physics/plant/params';
import { simulate, type Trace } from '../physics/plant/simulate';

/** Something that is sold or said to cure an engine that runs hot: what it really changes in the plant. */
export interface Cure {
  readonly id: string;
  readonly title: string;
  readonly unit: string;
  readonly from: number;
  readonly to: number;
  readonly usual: number;
  /** Why this vehicle cannot have it; null where it can. */
  readonly lacks: (p: PlantParams) => string | null;
  readonly apply: (p: PlantParams, size: number) => Partial<PlantParams>;
  /** What must be said with it, whatever comes out. */
  readonly mind: string;
}

const electric = (p: PlantParams) => (p.fan.kind === 'none' ? 'no electric fan' : null);
const always = () => null;

export const CURES: readonly Cure[] = [
  {
    id: 'cooler-thermostat',
    title: 'A cooler thermostat',
    unit: '°C lower',
    from: 2,
    to: 25,
    usual: 10,
    lacks: always,
    apply: (p, dC) => ({ startOpenC: p.startOpenC - dC, fullOpenC: p.fullOpenC - dC }),
    mind: 'It decides from where the radiator is used, not how much heat the radiator can give: economy, heater and oil pay for it all year.'
  },
  {
    id: 'resistor-on-sensor',
    title: 'A resistor across the sensor',
    unit: 'Ω',
    from: 200,
    to: 10_000,
    usual: 1000,
    lacks: electric,
    apply: (_, ohm) => ({ sensorError: { kind: 'parallel', ohm } }),
    mind: 'The control unit reads too hot everywhere, most of all cold: mixture, timing, gauge and the warning at the stop limit are wrong with it.'
  },
  {
    id: 'fan-earlier',
    title: 'The fan one stage earlier',
    unit: '°C earlier',
    from: 2,
    to: 15,
    usual: 5,
    lacks: electric,
    apply: (p, dC) => ({ fanShiftC: p.fanShiftC - dC }),
    mind: 'It starts earlier and runs longer; a fan that already runs all the time at the top gives nothing more.'
  },
  {
    id: 'airflow-back',
    title: 'Half of the lost airflow back',
    unit: '% of what is lost',
    from: 10,
    to: 100,
    usual: 50,
    lacks: (p) => (p.airFactor > 0.98 ? 'the air passes freely: nothing is lost' : null),
    apply: (p, pct) => ({ airFactor: p.airFactor + ((1 - p.airFactor) * pct) / 100 }),
    mind: 'Debris is blown out from the engine side outward, at low pressure, with the fan disconnected.'
  }
];

export interface WhatIfAsk {
  readonly spec: SpecSheet;
  /** What is wrong with the vehicle now, and how badly (0 to 1). */
  readonly fault: FaultId;
  readonly severity: number;
  readonly drive: DriveName;
  readonly ambientC: number;
  readonly cure: Cure;
  readonly size: number;
}

/** What a drive came to, with or without a cure. Truth, not what the control unit reads. */
export interface CameTo {
  readonly trace: Trace;
  readonly hottestC: number;
  /** Over the last fifth of the drive. */
  readonly endC: number;
  /** When the coolant was warm enough to heat the cabin, min; null if never. */
  readonly warmAtMin: number | null;
  /** When it passed the sheet's hot limit, min; null if never. */
  readonly hotAtMin: number | null;
  readonly fanMin: number;
  /** The largest amount by which the reading lay off the truth while running warm, °C. */
  readonly readsOffC: number;
  /** Share of the filling that is missing at the end: lost before, boiled over, or driven out by gas. */
  readonly missing: number;
}

export interface WhatIf {
  /** Where the coolant of this vehicle boils, °C. */
  readonly boilsC: number;
  readonly without: CameTo;
  readonly with: CameTo;
}

/** A change smaller than this, nobody would notice, °C and min. */
const SLIGHT_C = 2.5;
const SLIGHT_MIN = 1.5;

/** What a cure came to, in a sentence that does not spare it. Temperatures as `say.ts` writes them. */
export function whatIfSays({ without, with: cured }: Pick<WhatIf, 'without' | 'with'>): string {
  const cooler = without.hottestC - cured.hottestC;
  const later =
    without.hotAtMin === null ? null : cured.hotAtMin === null ? Infinity : cured.hotAtMin - without.hotAtMin;
  const parts: string[] = [];
  if (without.hotAtMin !== null && later === Infinity)
    parts.push(
      `keeps it below the hot limit: ${sayC(cured.hottestC, 0)} at the most instead of ${sayC(without.hottestC, 0)}`
    );
  else if (without.hotAtMin !== null)
    parts.push(
      `it gets as hot as before${cooler > SLIGHT_C ? ` less ${sayDeltaC(cooler, 0)}` : ''}, ${later! < SLIGHT_MIN ? 'at the same time' : `${later!.toFixed(0)} min later`}`
    );
  else if (Math.abs(cooler) < SLIGHT_C) parts.push('its hottest moment is as hot as before');
  else
    parts.push(`its hottest moment is ${sayDeltaC(Math.abs(cooler), 0)} ${cooler > 0 ? 'cooler' : 'hotter'}`);
  const end = without.endC - cured.endC;
  if (without.hotAtMin === null && Math.abs(end) >= SLIGHT_C)
    parts.push(`it runs ${sayDeltaC(Math.abs(end), 0)} ${end > 0 ? 'colder' : 'hotter'} at the end`);
  if (
    cured.warmAtMin !== null &&
    without.warmAtMin !== null &&
    cured.warmAtMin - without.warmAtMin > SLIGHT_MIN
  )
    parts.push(`the heater is warm ${(cured.warmAtMin - without.warmAtMin).toFixed(0)} min later`);
  // An engine that boils uncovers its sensor with or without a cure: only what the cure adds is its doing.
  if (Math.abs(cured.readsOffC) - Math.abs(without.readsOffC) > 3)
    parts.push(
      `the control unit reads up to ${sayDeltaC(Math.abs(cured.readsOffC), 0)} ${cured.readsOffC > 0 ? 'hot' : 'cold'}`
    );
  const fan = cured.fanMin - without.fanMin;
  if (Math.abs(fan) > SLIGHT_MIN)
    parts.push(`the fan runs ${Math.abs(fan).toFixed(0)} min ${fan > 0 ? 'more' : 'less'}`);
  const text = parts.join('; ');
  return text[0].toUpperCase() + text.slice(1);
}

const WARM_C = 60;
const MINUTE = 60;

/**
 * Simulates a drive on a day with the vehicle as it is, and again with the cure. The model of docs/method.md; about a
 * millisecond each. Throws RangeError for a fault or a cure this vehicle cannot have.
 */
export function whatIf({ spec, fault, severity, drive, ambientC, cure, size }: WhatIfAsk): WhatIf {
  const now = withFault(plantFor(spec), fault, severity);
  const lacks = cure.lacks(now);
  if (lacks) throw new RangeError(lacks);
  const course = driveFromLegs(DRIVES[drive], ambientC);
  const hotC = limitsOf(spec).hotC.value;
  const run = (p: PlantParams) => cameTo(simulate(p, course, { startC: ambientC }), hotC);
  return { boilsC: boilsAtC(now), without: run(now), with: run({ ...now, ...cure.apply(now, size) }) };
}

function cameTo(trace: Trace, hotC: number): CameTo {
  const n = trace.jacket.length;
  const minute = (i: number) => (i < 0 ? null : (i * trace.dt) / MINUTE);
  const last = trace.jacket.subarray(Math.floor(0.8 * n));
  let fanS = 0;
  let readsOffC = 0;
  for (let i = 0; i < n; i++) {
    if (trace.fanPct[i] > 5 || trace.fanRpm[i] > 1000) fanS += trace.dt;
    const off = trace.ect[i] - trace.jacket[i];
    if (trace.jacket[i] > 75 && Math.abs(off) > Math.abs(readsOffC)) readsOffC = off;
  }
  return {
    trace,
    hottestC: trace.jacket.reduce((a, b) => Math.max(a, b), -100),
    endC: last.reduce((a, b) => a + b, 0) / last.length,
    warmAtMin: minute(trace.jacket.findIndex((c) => c >= WARM_C)),
    hotAtMin: minute(trace.jacket.findIndex((c) => c >= hotC)),
    fanMin: fanS / MINUTE,
    readsOffC,
    missing: 1 - trace.ended.filling
  };
}
