import { limitsOf } from '../../core/vehicle/limits';
import { SITUATION_IDS, type SituationId, type Symptom, type SymptomId } from '../../core/vehicle/symptoms';
import { driveFromLegs, DRIVES, type Drive, type DriveName } from '../../core/physics/plant/drive';
import { flowLeft, heaterLeft } from '../../core/physics/plant/filling';
import { simulate, type Trace } from '../../core/physics/plant/simulate';
import type { Random } from '../../core/base/random';
import type { Case } from './hidden-case';

type Vehicle = Pick<Case, 'spec' | 'fault' | 'severity' | 'plant' | 'sound' | 'ambientC' | 'seed'>;

/** Drivers miss this many of the things they could have noticed, and name so many that were nothing. */
const MISSED = 0.25;
const IMAGINED = 0.05;
/** What a driver worries about for nothing: a warm day on a grade, a cold one, a fan that was heard. */
const WORRIES: readonly SymptomId[] = [
  ...['gauge-high', 'gauge-high', 'gauge-low', 'heater-weak', 'heater-weak'],
  ...[
    'economy-poor',
    'economy-poor',
    'fan-always',
    'smell-coolant',
    'ac-off',
    'power-reduced',
    'noise-rattle'
  ]
] as SymptomId[];
/** So much air in the loop comes through the heater in gulps. */
const AIR_HEARD = 0.12;
const WARM_BY_S = 15 * 60;

/** What a driver who drove this vehicle noticed, from what the plant made of the drive. */
export function complaintOf(
  c: Vehicle,
  name: DriveName,
  worries: boolean,
  random: Random
): { symptoms: Symptom[]; trace: Trace } {
  const { found: all, trace } = driven(c, name, random);
  const found = all.filter(() => random() > MISSED);
  const symptoms = found.filter((s, i) => found.findIndex((o) => o.what === s.what) === i);
  const nothing = c.fault === 'none' || c.fault === 'sheet-wrong';
  if (random() < IMAGINED || ((worries || nothing) && symptoms.length === 0)) {
    const what = WORRIES[Math.floor(random() * WORRIES.length)];
    symptoms.push({ what, when: [SITUATION_IDS[Math.floor(random() * SITUATION_IDS.length)]] });
  }
  return { symptoms: symptoms.filter((s, i) => symptoms.findIndex((o) => o.what === s.what) === i), trace };
}

/** What there was to notice on a drive, nothing missed and nothing imagined. */
export const noticedOn = (c: Vehicle, name: DriveName, random: Random): Symptom[] =>
  driven(c, name, random).found;

function driven(c: Vehicle, name: DriveName, random: Random): { found: Symptom[]; trace: Trace } {
  const drive = driveFromLegs(DRIVES[name], c.ambientC, 1);
  const trace = simulate({ ...c.plant, seed: c.seed + 3 }, drive, { startC: c.ambientC });
  // A driver knows the vehicle as it was: what it does otherwise is what is noticed.
  const was = simulate({ ...c.sound, seed: c.seed + 3 }, drive, { startC: c.ambientC });
  return { found: noticed(c, drive, trace, was, random), trace };
}

function noticed(c: Vehicle, drive: Drive, trace: Trace, was: Trace, random: Random): Symptom[] {
  const { spec, plant, fault, severity } = c;
  const n = trace.ect.length;
  const { air } = trace.ended;
  const limits = limitsOf(spec);
  const hot = limits.hotC.value;
  // A gauge’s own fault moves its needle; otherwise it shows what the control unit reads, damped.
  const off = fault === 'gauge-fault' ? (random() < 0.5 ? -1 : 1) * (15 + 40 * severity) : 0;
  const needle = Float64Array.from(trace.ect, (v) => v + off);
  const out: Symptom[] = [];
  const say = (what: SymptomId, ...when: SituationId[]) => out.push({ what, when });
  const at = (i: number): SituationId =>
    drive.speedKmh[i] < 3
      ? 'idle'
      : drive.load[i] > 0.6
        ? 'grade'
        : drive.speedKmh[i] > 60
          ? 'steady'
          : 'crawl';

  const jumps = needle.reduce((sum, v, i) => sum + (i > 0 && Math.abs(v - needle[i - 1]) > 18 ? 1 : 0), 0);
  const peak = needle.reduce((best, v, i) => (v > needle[best] ? i : best), 0);
  if (jumps > 1) say('gauge-jumps');
  else if (needle[peak] > hot) say('gauge-high', at(peak));
  const late = Math.min(n - 1, WARM_BY_S);
  if (jumps <= 1 && needle[late] < was.ect[late] - 8) say('gauge-low', at(late));
  const colder = trace.jacket[late] < was.jacket[late] - 8;
  if (colder) say('heater-weak', 'steady');
  else if (plant.flowFactor * flowLeft(air) < 0.5 || plant.heater * heaterLeft(air) < 0.4 * c.sound.heater)
    say('heater-weak', 'idle');
  if (air > AIR_HEARD) say('heater-swings');
  if (plant.fan.kind !== 'none') {
    const cold = trace.fanPct.findIndex((p, i) => i > 60 && i < 300 && p > 20 && !drive.ac[i]);
    if (cold >= 0) say('fan-always', 'start');
    if (plant.fanStuckWanders) say('fan-odd');
    const due = plant.fan.stages[0].onC;
    const ever = trace.fanPct.some((p) => p * plant.fanStrength > 10);
    if (!ever && trace.jacket.some((v) => v > due + 4) && random() < 0.5) say('fan-never', 'idle');
    if (fault === 'fan-relay-welded') say('fan-always', 'key-off');
  }
  if (plant.clutchLocked) say('noise-roar');
  if (
    fault === 'clutch-bearing' ||
    fault === 'water-pump-bearing' ||
    (fault === 'fan-motor-weak' && random() < 0.3)
  )
    say('noise-rattle');
  if (fault === 'coolant-low' || fault === 'water-pump-bearing') if (random() < 0.5) say('smell-coolant');
  if (fault === 'combustion-leak' || fault === 'pressure-cap-weak')
    say(random() < 0.6 ? 'smell-steam' : 'smell-coolant');
  if (trace.jacket.some((v) => v > limits.stopC.value + 4)) say('smell-steam', at(peak));
  if (trace.ect.some((v) => v > limits.stopC.value)) say('power-reduced', at(peak));
  if (trace.ect.some((v) => v > hot) && random() < 0.4) say('ac-off');
  if ((colder || plant.clutchLocked) && random() < 0.5) say('economy-poor');
  return out;
}

/** Codes a control unit would have stored on that drive; it does not always come to it. */
export function codesOf(c: Vehicle, { ect }: Trace, driven: boolean, random: Random): string[] {
  const { spec, plant, fault, ambientC } = c;
  const codes: string[] = [];
  const store = (code: string, share = 0.8) => random() < share && codes.push(code);
  const at = (readsC: number) => ect.reduce((sum, v) => sum + (v === readsC ? 1 : 0), 0) / ect.length;
  const [open, short] = [at(plant.openReadsC), at(plant.shortReadsC)];
  if (open > 0.9) store('P0118', 0.95);
  else if (short > 0.9) store('P0117', 0.95);
  else if (plant.sensorError.kind === 'dropouts' && open + short > 0.002) store('P0119', 0.65);
  else if (Math.abs(ect[0] - ambientC) > 9) store('P0116', 0.5);
  const monitored = Math.min(ect.length - 1, 20 * 60);
  if (driven && ect.slice(0, monitored).every((v) => v < limitsOf(spec).startOpenC.value - 11))
    store('P0128', 0.6);
  if (ect.some((v) => v > limitsOf(spec).stopC.value)) store('P0217', 0.6);
  if (fault === 'fan-relay-coil' || fault === 'fan-controller-dead') store('P0480', 0.7);
  if (fault === 'fan-command-missing') store('P0480', 0.3);
  if (fault === 'thermostat-heater-failed') store('P0597', 0.7);
  if (fault === 'clutch-circuit-open') store('P0526', 0.6);
  return codes;
}
