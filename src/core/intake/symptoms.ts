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
  'ect-reads-hot'
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
  'ect-reads-hot'
];

/** Ids are kept in records: they may grow, not change meaning. */
export const SYMPTOMS = {
  'gauge-high': { kind: 'gauge', title: 'Climbs or reads high', points: [...OVERHEATS, 'gauge-fault'] },
  'gauge-low': {
    kind: 'gauge',
    title: 'Stays low',
    points: [
      'thermostat-stuck-open',
      'thermostat-low-rating',
      'ect-reads-cold',
      'sensor-branch-restricted',
      'gauge-fault'
    ]
  },
  'gauge-jumps': {
    kind: 'gauge',
    title: 'Jumps or drops',
    points: ['ect-intermittent', 'ect-wiring', 'coolant-low', 'gauge-fault']
  },
  'heater-weak': {
    kind: 'heater',
    title: 'Weak or slow to come',
    points: ['thermostat-stuck-open', 'coolant-low', 'thermostat-low-rating', 'pump-flow-low']
  },
  'heater-swings': {
    kind: 'heater',
    title: 'Goes cold now and then',
    points: ['coolant-low', 'pump-flow-low', 'combustion-leak']
  },
  'fan-always': { kind: 'fan', title: 'Runs when it should not', points: FAN_ON },
  'fan-never': { kind: 'fan', title: 'Never runs', points: FAN_DEAD },
  'fan-odd': {
    kind: 'fan',
    title: 'Changes speed by itself',
    points: ['fan-controller-shorted', 'ect-intermittent', 'ect-wiring', 'fan-setpoint-modified']
  },
  'smell-coolant': {
    kind: 'smell',
    title: 'Sweet smell, wet patch',
    points: ['coolant-low', 'pressure-cap-weak', 'combustion-leak', 'water-pump-bearing']
  },
  'smell-steam': {
    kind: 'smell',
    title: 'Steam or boiled over',
    points: [...OVERHEATS, 'pressure-cap-weak']
  },
  'power-reduced': {
    kind: 'power',
    title: 'Held back',
    points: ['ect-reads-hot', 'ect-short-circuit', ...OVERHEATS]
  },
  'ac-off': {
    kind: 'ac',
    title: 'Cuts out',
    points: ['ect-intermittent', 'ect-reads-hot', 'ect-short-circuit', 'fan-motor-dead', 'airflow-restricted']
  },
  'economy-poor': {
    kind: 'economy',
    title: 'Drinks fuel',
    points: ['thermostat-stuck-open', 'ect-reads-cold', 'clutch-seized', 'clutch-circuit-open']
  },
  'noise-roar': {
    kind: 'noise',
    title: 'Roars with engine speed',
    points: ['clutch-seized', 'clutch-circuit-open', 'fan-relay-welded']
  },
  'noise-rattle': {
    kind: 'noise',
    title: 'Rattles, grinds or wobbles',
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

/** How much a complaint points at each suspect: a rough weight, 0 where it says nothing. Only an order, no probability. */
export function pointsOf(symptoms: readonly Symptom[]): ReadonlyMap<FaultId, number> {
  const points = new Map<FaultId, number>();
  for (const { what, when } of symptoms) {
    SYMPTOMS[what].points.forEach((fault: FaultId, i) => {
      const situations = when.filter((w) => BY_SITUATION[w].includes(fault)).length;
      points.set(fault, (points.get(fault) ?? 0) + (1 / (1 + i / 4)) * (1 + situations));
    });
  }
  return points;
}
