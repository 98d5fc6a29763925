import { z } from 'zod';
import type { FaultId } from '../plant/faults';

/** When the driver noticed it. */
export const SITUATIONS = {
  start: 'from the moment of starting',
  idle: 'at idle',
  crawl: 'crawling',
  steady: 'at a steady road speed',
  grade: 'on a grade or under load',
  stopping: 'after stopping',
  'key-off': 'with the key off'
} as const;
export type SituationId = keyof typeof SITUATIONS;

interface SymptomRow {
  readonly kind: SymptomKind;
  readonly title: string;
  /** What it points to before anything is measured; the first few weigh most. */
  readonly points: readonly FaultId[];
  /** How often drivers tell of it where nothing of that is at fault. Ours. */
  readonly otherwise: number;
}

/** What is noticed, grouped as a driver tells it. */
export const SYMPTOM_KINDS = {
  gauge: 'Gauge',
  heater: 'Heater',
  fan: 'Fan',
  smell: 'Smell or steam',
  power: 'Power',
  ac: 'Air conditioning',
  economy: 'Economy',
  noise: 'Noise'
} as const;
export type SymptomKind = keyof typeof SYMPTOM_KINDS;

const OVERHEATS: readonly FaultId[] = [
  'airflow-restricted',
  'thermostat-stuck-closed',
  'coolant-low',
  'radiator-clogged',
  'pump-flow-low',
  'fan-motor-dead',
  'clutch-slipping',
  'combustion-leak',
  'ect-reads-hot',
  'fan-feed-open',
  'fan-relay-contacts',
  'fan-relay-coil',
  'fan-controller-dead',
  'fan-command-missing',
  'fan-motor-weak',
  'clutch-engages-late',
  'thermostat-sluggish',
  'ect-reads-cold',
  'ect-wrong-part',
  'ect-short-circuit',
  'ect-wiring',
  'fan-setpoint-modified'
];
const FAN_DEAD: readonly FaultId[] = [
  'fan-motor-dead',
  'fan-feed-open',
  'fan-relay-contacts',
  'fan-relay-coil',
  'fan-controller-dead',
  'fan-command-missing',
  'clutch-slipping',
  'ect-reads-cold'
];
const FAN_ON: readonly FaultId[] = [
  'ect-intermittent',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-wiring',
  'fan-relay-welded',
  'fan-controller-shorted',
  'clutch-seized',
  'clutch-circuit-open',
  'ect-reads-hot',
  'ect-wrong-part',
  'fan-setpoint-modified'
];

/** Ids are kept in records: they may grow, not change meaning. */
export const SYMPTOMS = {
  'gauge-high': {
    kind: 'gauge',
    title: 'Climbs or reads high',
    otherwise: 0.12,
    points: [...OVERHEATS, 'gauge-fault']
  },
  'gauge-low': {
    kind: 'gauge',
    title: 'Stays low',
    otherwise: 0.08,
    points: [
      'thermostat-stuck-open',
      'thermostat-low-rating',
      'ect-reads-cold',
      'sensor-branch-restricted',
      'gauge-fault',
      'ect-wrong-part',
      'ect-wiring',
      'ect-open-circuit',
      'clutch-seized',
      'clutch-circuit-open',
      'fan-relay-welded',
      'fan-controller-shorted'
    ]
  },
  'gauge-jumps': {
    kind: 'gauge',
    title: 'Jumps or drops',
    otherwise: 0.03,
    points: ['ect-intermittent', 'ect-wiring', 'coolant-low', 'gauge-fault']
  },
  'heater-weak': {
    kind: 'heater',
    title: 'Weak or slow to come',
    otherwise: 0.1,
    points: ['thermostat-stuck-open', 'coolant-low', 'thermostat-low-rating', 'pump-flow-low']
  },
  'heater-swings': {
    kind: 'heater',
    title: 'Goes cold now and then',
    otherwise: 0.04,
    points: ['coolant-low', 'pump-flow-low', 'combustion-leak']
  },
  'fan-always': { kind: 'fan', title: 'Runs when it should not', otherwise: 0.06, points: FAN_ON },
  'fan-never': { kind: 'fan', title: 'Never runs', otherwise: 0.05, points: FAN_DEAD },
  'fan-odd': {
    kind: 'fan',
    title: 'Changes speed by itself',
    otherwise: 0.02,
    points: ['fan-controller-shorted', 'ect-intermittent', 'ect-wiring', 'fan-setpoint-modified']
  },
  'smell-coolant': {
    kind: 'smell',
    title: 'Sweet smell, wet patch',
    otherwise: 0.06,
    points: ['coolant-low', 'pressure-cap-weak', 'combustion-leak', 'water-pump-bearing']
  },
  'smell-steam': {
    kind: 'smell',
    title: 'Steam or boiled over',
    otherwise: 0.05,
    points: [...OVERHEATS, 'pressure-cap-weak']
  },
  'power-reduced': {
    kind: 'power',
    title: 'Held back',
    otherwise: 0.05,
    points: ['ect-reads-hot', 'ect-short-circuit', ...OVERHEATS]
  },
  'ac-off': {
    kind: 'ac',
    title: 'Cuts out',
    otherwise: 0.06,
    points: ['ect-intermittent', 'ect-short-circuit', ...OVERHEATS]
  },
  'economy-poor': {
    kind: 'economy',
    title: 'Drinks fuel',
    otherwise: 0.12,
    points: ['thermostat-stuck-open', 'ect-reads-cold', 'clutch-seized', 'clutch-circuit-open']
  },
  'noise-roar': {
    kind: 'noise',
    title: 'Roars with engine speed',
    otherwise: 0.03,
    points: ['clutch-seized', 'clutch-circuit-open', 'fan-relay-welded']
  },
  'noise-rattle': {
    kind: 'noise',
    title: 'Rattles, grinds or wobbles',
    otherwise: 0.02,
    points: ['clutch-bearing', 'water-pump-bearing', 'fan-motor-weak']
  }
} as const satisfies Readonly<Record<string, SymptomRow>>;
export type SymptomId = keyof typeof SYMPTOMS;

const keys = <T extends object>(of: T) => Object.keys(of) as [keyof T & string, ...(keyof T & string)[]];
export const SYMPTOM_IDS = keys(SYMPTOMS);
export const SITUATION_IDS = keys(SITUATIONS);

export const symptomSchema = z.object({
  what: z.enum(SYMPTOM_IDS),
  when: z.array(z.enum(SITUATION_IDS)).max(SITUATION_IDS.length)
});
export type Symptom = z.infer<typeof symptomSchema>;

/** `Gauge: climbs or reads high, at idle, crawling`. */
export function symptomText({ what, when }: Symptom): string {
  const { kind, title } = SYMPTOMS[what];
  const place = when.map((w) => SITUATIONS[w]).join(', ');
  return `${SYMPTOM_KINDS[kind]}: ${title.charAt(0).toLowerCase()}${title.slice(1)}${place ? `, ${place}` : ''}`;
}

/**
 * What the situation adds: heat that comes only without road wind points at the fan and the air, heat with load at
 * flow and radiator, and the rest. Faults named here count double when the driver named the situation.
 */
const BY_SITUATION: Readonly<Record<SituationId, readonly FaultId[]>> = {
  start: [
    'ect-open-circuit',
    'ect-short-circuit',
    'fan-relay-welded',
    'fan-controller-shorted',
    'clutch-seized'
  ],
  idle: ['airflow-restricted', 'fan-motor-dead', 'clutch-slipping', 'coolant-low'],
  crawl: ['airflow-restricted', 'fan-motor-dead', 'clutch-slipping', 'clutch-engages-late'],
  steady: ['thermostat-stuck-open', 'thermostat-stuck-closed', 'radiator-clogged', 'pump-flow-low'],
  grade: ['radiator-clogged', 'pump-flow-low', 'thermostat-stuck-closed', 'airflow-restricted'],
  stopping: ['ect-intermittent', 'fan-motor-dead', 'pressure-cap-weak', 'coolant-low'],
  'key-off': ['fan-relay-welded', 'fan-controller-shorted', 'ect-intermittent']
};

/** How often a driver tells of what the first suspect of the list does, and each next a little less. */
const TOLD = 0.4;
const AT_MOST = 0.8;

/** How often a driver tells of this symptom where a suspect is at fault; {@link SymptomRow.otherwise} where it is not named. */
export function toldOf({ what, when }: Symptom, fault: FaultId): number {
  const { points, otherwise }: SymptomRow = SYMPTOMS[what];
  const i = points.indexOf(fault);
  if (i < 0) return otherwise;
  const situations = when.filter((w) => BY_SITUATION[w].includes(fault)).length;
  return Math.max(otherwise, Math.min(AT_MOST, (TOLD * (1 + situations / 2)) / (1 + i / 4)));
}
