import {
  flatAt,
  type Explanation,
  type LadderPoint,
  type LadderReading
} from '../../physics/thermistor/errors';
import { sayC, sayDeltaC } from '../../units/say';
import { SENSOR_FAULTS } from '../../vehicle/sensor-faults';
import type { Judged, NamedResult } from '../check';

/** Three figures are as many as a fit knows. */
const threeFigures = (x: number, unit: string) => `${Number(x.toPrecision(3))}\u00a0${unit}`;
export const sayOhm = (ohm: number) =>
  ohm < 1e4
    ? threeFigures(ohm, 'Ω')
    : ohm < 1e6
      ? threeFigures(ohm / 1e3, 'kΩ')
      : threeFigures(ohm / 1e6, 'MΩ');
export const sayV = (volts: number) => threeFigures(volts, 'V');

const NOT_THAT_FAR = ['ect-open-circuit', 'ect-short-circuit'] as const;
/** What a ladder can find, and what each speaks for and against. */
export const LADDER_RESULTS = {
  sound: { against: [...SENSOR_FAULTS, 'ect-wiring'] },
  // Ohms are measured on the sensor with its plug off: they say nothing of the wires behind the plug.
  soundByOhms: { against: SENSOR_FAULTS },
  near: { against: [...NOT_THAT_FAR, 'ect-wrong-part'] },
  hotHere: { for: ['ect-reads-hot', 'ect-wiring'] },
  coldHere: { for: ['ect-reads-cold', 'ect-wiring'] },
  readsHot: { seen: 'it reads hot along its curve', for: ['ect-reads-hot'], against: NOT_THAT_FAR },
  readsCold: { seen: 'it reads cold along its curve', for: ['ect-reads-cold'], against: NOT_THAT_FAR },
  series: {
    for: ['ect-reads-cold', 'ect-wiring'],
    against: ['ect-reads-hot', 'ect-wrong-part', ...NOT_THAT_FAR]
  },
  leak: {
    for: ['ect-reads-hot', 'ect-wiring'],
    against: ['ect-reads-cold', 'ect-wrong-part', ...NOT_THAT_FAR]
  },
  wrongPart: { for: ['ect-wrong-part'], against: NOT_THAT_FAR },
  otherCurve: {
    for: ['ect-wrong-part'],
    against: ['ect-wiring', 'ect-reads-hot', 'ect-reads-cold', ...NOT_THAT_FAR]
  },
  otherCurveByOhms: {
    seen: 'it is on another curve',
    for: ['ect-wrong-part'],
    against: ['ect-reads-hot', 'ect-reads-cold', ...NOT_THAT_FAR]
  },
  reference: { for: ['ect-wiring'], against: ['ect-wrong-part'] },
  open: { seen: 'it is open', for: ['ect-open-circuit', 'ect-wiring'], against: ['ect-short-circuit'] },
  short: { seen: 'it is shorted', for: ['ect-short-circuit', 'ect-wiring'], against: ['ect-open-circuit'] }
} as const satisfies Readonly<Record<string, NamedResult>>;
export type LadderResult = keyof typeof LADDER_RESULTS;

/** An open or a shorted sensor is told as such, and not in hundreds of degrees. */
export const sayFlat = (ohm: number): string | null => {
  const flat = flatAt(ohm);
  return flat && { open: 'as open', short: 'as shorted' }[flat];
};

/** A slip or a contact that comes and goes: nothing is cleared before it was measured there again. */
export function withStrays(o: Judged<LadderResult>, strays: readonly LadderPoint[]): Judged<LadderResult> {
  if (strays.length === 0) return o;
  const where = strays.map((p) => `at ${sayC(p.trueC)} ${sayFlat(p.ohm)}`).join(', ');
  return {
    ...o,
    says: `${o.says}. It reads ${where}: measure there again. If it comes back, a contact comes and goes`,
    ...(o.result === 'pass' ? { result: 'unclear', found: [] } : {})
  };
}

/** Which further reading would tell the two leading explanations apart, and what each expects there. */
export function toSettle({ settled, next, rival, best }: LadderReading): string {
  if (settled || !rival) return '';
  if (!next) return `; ${NAMES[rival.id]} fits as well, and no further reading would tell them apart`;
  return `; to tell it from ${NAMES[rival.id]}, read at ${sayC(next.celsius)}: ${sayOhm(next.ohm[0])} if it is ${NAMES[best.id]}, ${sayOhm(next.ohm[1])} if not`;
}

const NAMES: Readonly<Record<Explanation['id'], string>> = {
  healthy: 'a healthy sensor',
  shift: 'a shift',
  factor: 'a factor on the resistance',
  series: 'a resistance in series',
  parallel: 'a leak across',
  'other-curve': 'another curve',
  reference: 'a reference that is off',
  open: 'an open circuit',
  short: 'a short'
};

const between = ({ low, high, unit }: Explanation): string => {
  const told = unit === 'V' ? sayV : sayOhm;
  return `${told(Math.min(low!, high!))} to ${told(Math.max(low!, high!))}`;
};

type Says = (e: Explanation, worstC: number) => { says: string; found: LadderResult[] };
const offBy = (worst: number) => `reads up to ${sayDeltaC(Math.abs(worst))} ${worst > 0 ? 'hot' : 'cold'}`;
const wayOf = (worst: number): LadderResult => (worst > 0 ? 'readsHot' : 'readsCold');
/** A sensor that ages drifts by some per cent; one this far off all along was made to another curve. */
const AGES_BY = 0.2;

/** What is said of the explanation that fits best, and the result it is. */
export const SAYS: Readonly<Record<Explanation['id'], Says>> = {
  healthy: (_, worst) => ({
    says: `Off its curve by up to ${sayDeltaC(Math.abs(worst))}, but within what the thermometer may be off`,
    found: []
  }),
  series: (e, worst) => ({
    says: `Series resistance about ${sayOhm(e.size!)} (${between(e)}): ${offBy(worst)}, worst when hot`,
    found: ['series']
  }),
  parallel: (e, worst) => ({
    says: `A leak across it of about ${sayOhm(e.size!)} (${between(e)}): ${offBy(worst)}, worst when cold`,
    found: ['leak']
  }),
  shift: (e, worst) => ({
    says: `Shifted by about ${sayDeltaC(e.size!)} (${sayDeltaC(Math.min(e.low!, e.high!))} to ${sayDeltaC(Math.max(e.low!, e.high!))}) all along: ${offBy(worst)}`,
    found: [wayOf(worst)]
  }),
  factor: (e, worst) => ({
    says: `Resistance about ${e.size!.toFixed(2)} times its curve’s (${Math.min(e.low!, e.high!).toFixed(2)} to ${Math.max(e.low!, e.high!).toFixed(2)}): ${offBy(worst)}`,
    found: [Math.abs(Math.log(e.size!)) > AGES_BY ? 'wrongPart' : wayOf(worst)]
  }),
  'other-curve': (e, worst) => ({
    says: `A healthy sensor of another family, ${e.title!}: ${offBy(worst)}`,
    found: ['otherCurve']
  }),
  reference: (e, worst) => ({
    says: `Reference about ${sayV(e.size!)} (${between(e)}): ${offBy(worst)}; the supply of the sensor, not the sensor`,
    found: ['reference']
  }),
  open: () => ({
    says: 'Open: no current at any temperature',
    found: ['open']
  }),
  short: () => ({
    says: 'Shorted: next to no resistance at any temperature',
    found: ['short']
  })
};
