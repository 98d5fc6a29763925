import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Symptom, SymptomId } from '../../../src/core/vehicle/symptoms';
import type { Dice } from './dice';
import { Bench, type Leg } from './engine';
import type { Sick } from './faults';

/** Drives people come in from. */
const DRIVES: Readonly<Record<string, readonly Leg[]>> = {
  school: [
    { minutes: 2, rpm: 900, kmh: 0, power: 0 },
    { minutes: 9, rpm: 1700, kmh: 35, power: 0.08 },
    { minutes: 5, rpm: 850, kmh: 0, power: 0 },
    { minutes: 8, rpm: 1800, kmh: 40, power: 0.09 },
    { minutes: 8, rpm: 850, kmh: 0, power: 0.02 }
  ],
  highway: [
    { minutes: 4, rpm: 1600, kmh: 35, power: 0.08 },
    { minutes: 25, rpm: 2400, kmh: 95, power: 0.17 },
    { minutes: 5, rpm: 850, kmh: 0, power: 0.02 }
  ],
  hill: [
    { minutes: 8, rpm: 1800, kmh: 45, power: 0.12 },
    { minutes: 9, rpm: 2900, kmh: 50, power: 0.36 },
    { minutes: 6, rpm: 850, kmh: 0, power: 0.02 }
  ],
  queue: [
    { minutes: 9, rpm: 1700, kmh: 38, power: 0.08 },
    { minutes: 22, rpm: 900, kmh: 4, power: 0.02 }
  ]
};

const WHERE: Readonly<Record<string, 'idle' | 'crawl' | 'steady' | 'grade'>> = {
  school: 'idle',
  highway: 'steady',
  hill: 'grade',
  queue: 'crawl'
};

export interface Story {
  readonly symptoms: readonly Symptom[];
  readonly codes: readonly string[];
}

/** Heard, smelt or seen without any simulation: how often a driver tells of it. */
const BESIDE: Readonly<Partial<Record<FaultId, readonly (readonly [SymptomId, number])[]>>> = {
  'coolant-low': [
    ['smell-coolant', 0.5],
    ['heater-swings', 0.6]
  ],
  'combustion-leak': [
    ['smell-steam', 0.4],
    ['heater-swings', 0.35],
    ['smell-coolant', 0.3]
  ],
  'pressure-cap-weak': [
    ['smell-steam', 0.5],
    ['smell-coolant', 0.35]
  ],
  'water-pump-bearing': [
    ['noise-rattle', 0.7],
    ['smell-coolant', 0.4]
  ],
  'clutch-bearing': [['noise-rattle', 0.8]],
  'clutch-seized': [
    ['noise-roar', 0.8],
    ['economy-poor', 0.3]
  ],
  'clutch-circuit-open': [
    ['noise-roar', 0.75],
    ['economy-poor', 0.3]
  ],
  'fan-relay-welded': [['fan-always', 0.85]],
  'fan-controller-shorted': [
    ['fan-always', 0.7],
    ['fan-odd', 0.4]
  ],
  'fan-motor-weak': [['noise-rattle', 0.3]],
  'fan-setpoint-modified': [
    ['fan-odd', 0.2],
    ['fan-always', 0.2]
  ],
  'fan-motor-dead': [['fan-never', 0.3]],
  'fan-feed-open': [['fan-never', 0.3]],
  'fan-relay-contacts': [['fan-never', 0.3]],
  'fan-relay-coil': [['fan-never', 0.3]],
  'fan-command-missing': [['fan-never', 0.3]],
  'fan-controller-dead': [['fan-never', 0.3]],
  'heater-core-restricted': [['heater-weak', 0.9]],
  'thermostat-heater-failed': [
    ['economy-poor', 0.4],
    ['power-reduced', 0.3]
  ],
  'thermostat-stuck-open': [['economy-poor', 0.35]],
  'thermostat-low-rating': [['economy-poor', 0.2]]
};
const WORRIES: readonly SymptomId[] = [
  'gauge-high',
  'gauge-low',
  'heater-weak',
  'fan-always',
  'smell-coolant',
  'economy-poor',
  'noise-rattle',
  'ac-off'
];

/** What the owner tells, and what the control unit has stored. Null where nobody would have noticed anything. */
export function storyOf(s: Sick, sound: Sick, ambientC: number, worries: boolean, dice: Dice): Story | null {
  const name = dice.of(Object.keys(DRIVES));
  const was = driven(sound, DRIVES[name], ambientC, dice);
  const is = driven(s, DRIVES[name], ambientC, dice);
  const symptoms: Symptom[] = [];
  const tell = (what: SymptomId, share: number, when: Symptom['when'] = []) => {
    if (!symptoms.some((x) => x.what === what) && dice.chance(share))
      symptoms.push({ what, when: dice.chance(0.6) ? when : [] });
  };
  const codes: string[] = [];
  const store = (code: string, share: number) => void (dice.chance(share) && codes.push(code));
  const hotC = sound.holdsC + 20;
  const needle = (list: readonly number[]) => list.map((v) => v + s.gaugeOff);
  const peak = Math.max(...needle(is.read));
  const settled = (list: readonly number[]) => list[Math.floor(list.length * 0.8)];
  const jumps = is.read.filter((v, i) => i > 0 && Math.abs(v - is.read[i - 1]) > 20).length;
  if (jumps > 1) tell('gauge-jumps', 0.8);
  else {
    if (peak > hotC - 4 && peak > Math.max(...was.read) + 5) tell('gauge-high', 0.85, [WHERE[name]]);
    if (settled(needle(is.read)) < settled(was.read) - 9) tell('gauge-low', 0.75, [WHERE[name]]);
  }
  if (settled(is.coolant) < settled(was.coolant) - 9) {
    tell('heater-weak', ambientC < 14 ? 0.7 : 0.1, ['steady']);
    tell('economy-poor', 0.25);
  }
  if (s.engine.pumpShare < 0.2 || s.engine.air > 0.5) tell('heater-weak', 0.6, ['idle']);
  if (Math.max(...is.coolant) > s.engine.boilsC - 1) tell('smell-steam', 0.7, [WHERE[name]]);
  if (peak > hotC + 3) {
    tell('power-reduced', 0.35, [WHERE[name]]);
    tell('ac-off', 0.3);
    store('P0217', 0.5);
  }
  for (const f of s.faults) for (const [what, share] of BESIDE[f] ?? []) tell(what, share);
  if (dice.chance(0.05)) tell(dice.of(WORRIES), 1);
  const faults = new Set(s.faults);
  const lost = is.read.filter((v) => v <= -38).length / is.read.length;
  const short = is.read.filter((v) => v >= 138).length / is.read.length;
  if (lost > 0.8) store('P0118', 0.9);
  else if (short > 0.8) store('P0117', 0.9);
  else if (faults.has('ect-intermittent')) store('P0119', 0.6);
  else if (Math.abs(is.read[0] - ambientC) > 11) store('P0116', 0.4);
  if (settled(is.read) < sound.engine.opensC - 12 && settled(is.read) > -30) store('P0128', 0.55);
  if (faults.has('fan-relay-coil') || faults.has('fan-controller-dead')) store('P0480', 0.6);
  if (faults.has('fan-command-missing')) store('P0480', 0.25);
  if (faults.has('thermostat-heater-failed')) store('P0597', 0.6);
  if (faults.has('clutch-circuit-open')) store('P0526', 0.5);
  if (symptoms.length === 0) {
    if (!faults.has('none') && !worries) return null;
    symptoms.push({ what: dice.of(WORRIES), when: [] });
  }
  return { symptoms, codes };
}

function driven(s: Sick, legs: readonly Leg[], ambientC: number, dice: Dice) {
  const b = new Bench({ ...s.engine, heaterOn: ambientC < 15 ? 0.8 : 0 }, ambientC, dice);
  const read: number[] = [];
  const coolant: number[] = [];
  for (const leg of legs)
    b.run(leg, undefined, (m) => {
      if (m.t % 10 === 0) {
        read.push(m.readC);
        coolant.push(m.coolantC);
      }
    });
  return { read, coolant };
}
