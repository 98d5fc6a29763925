import { z } from 'zod';
import { FAN_DEAD, type FaultId } from './faults';

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
  /** How often a driver tells of it where a suspect is at fault. Ours: what simulated drives show, less what is missed. */
  readonly told: Readonly<Partial<Record<FaultId, number>>>;
  /** How often drivers tell of it where nothing of that is at fault. Ours. */
  readonly otherwise: number;
}

/** Suspects by how often it is told of them. */
const shares = (...rows: readonly (readonly [number, ...FaultId[]])[]): SymptomRow['told'] =>
  Object.fromEntries(rows.flatMap(([share, ...faults]) => faults.map((f) => [f, share])));

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

/** Ids are kept in records: they may grow, not change meaning. */
export const SYMPTOMS = {
  'gauge-high': {
    kind: 'gauge',
    title: 'Climbs or reads high',
    otherwise: 0.13,
    told: shares(
      [0.7, 'airflow-restricted', 'thermostat-stuck-closed', 'radiator-clogged', 'ect-short-circuit'],
      [0.5, 'ect-reads-hot', 'thermostat-sluggish', 'gauge-fault'],
      [0.35, ...FAN_DEAD, 'clutch-slipping', 'clutch-engages-late', 'ect-wiring'],
      [0.2, 'coolant-low', 'pump-flow-low', 'combustion-leak', 'ect-wrong-part'],
      [0.2, 'fan-motor-weak', 'fan-setpoint-modified', 'thermostat-heater-failed']
    )
  },
  'gauge-low': {
    kind: 'gauge',
    title: 'Stays low',
    otherwise: 0.08,
    told: shares(
      [0.9, 'ect-reads-cold', 'sensor-branch-restricted', 'ect-open-circuit'],
      [0.7, 'thermostat-stuck-open', 'thermostat-low-rating', 'ect-wrong-part', 'ect-wiring'],
      [0.5, 'gauge-fault'],
      [0.12, 'clutch-seized', 'clutch-circuit-open', 'fan-relay-welded', 'fan-controller-shorted']
    )
  },
  'gauge-jumps': {
    kind: 'gauge',
    title: 'Jumps or drops',
    otherwise: 0.02,
    told: shares([0.8, 'ect-intermittent'], [0.12, 'ect-wiring', 'coolant-low', 'gauge-fault'])
  },
  'heater-weak': {
    kind: 'heater',
    title: 'Weak or slow to come',
    otherwise: 0.13,
    told: shares(
      [0.8, 'pump-flow-low', 'thermostat-stuck-open', 'thermostat-low-rating'],
      [0.5, 'coolant-low']
    )
  },
  'heater-swings': {
    kind: 'heater',
    title: 'Goes cold now and then',
    otherwise: 0.02,
    told: shares([0.7, 'coolant-low'], [0.4, 'combustion-leak'], [0.1, 'pump-flow-low'])
  },
  'fan-always': {
    kind: 'fan',
    title: 'Runs when it should not',
    otherwise: 0.07,
    told: shares(
      [0.9, 'fan-relay-welded', 'fan-controller-shorted'],
      [0.4, 'ect-intermittent', 'ect-open-circuit', 'ect-short-circuit'],
      [0.3, 'ect-wiring'],
      [
        0.15,
        'fan-setpoint-modified',
        'clutch-seized',
        'clutch-circuit-open',
        'ect-reads-hot',
        'ect-wrong-part'
      ]
    )
  },
  'fan-never': {
    kind: 'fan',
    title: 'Never runs',
    otherwise: 0.02,
    told: shares([0.25, ...FAN_DEAD], [0.06, 'clutch-slipping', 'ect-reads-cold'])
  },
  'fan-odd': {
    kind: 'fan',
    title: 'Changes speed by itself',
    otherwise: 0.02,
    told: shares(
      [0.75, 'fan-controller-shorted'],
      [0.1, 'ect-intermittent', 'ect-wiring', 'fan-setpoint-modified']
    )
  },
  'smell-coolant': {
    kind: 'smell',
    title: 'Sweet smell, wet patch',
    otherwise: 0.07,
    told: shares([0.45, 'coolant-low', 'water-pump-bearing', 'pressure-cap-weak', 'combustion-leak'])
  },
  'smell-steam': {
    kind: 'smell',
    title: 'Steam or boiled over',
    otherwise: 0.02,
    told: shares(
      [0.65, 'thermostat-stuck-closed', 'pressure-cap-weak', 'combustion-leak'],
      [0.45, 'radiator-clogged', 'airflow-restricted'],
      [0.1, ...FAN_DEAD, 'clutch-slipping', 'coolant-low', 'pump-flow-low', 'thermostat-sluggish']
    )
  },
  'power-reduced': {
    kind: 'power',
    title: 'Held back',
    otherwise: 0.07,
    told: shares(
      [0.7, 'thermostat-stuck-closed', 'ect-short-circuit'],
      [0.5, 'radiator-clogged', 'airflow-restricted', 'ect-intermittent'],
      [0.3, 'ect-wiring'],
      [0.2, ...FAN_DEAD, 'ect-reads-hot', 'clutch-slipping'],
      [0.12, 'ect-wrong-part', 'thermostat-sluggish', 'clutch-engages-late', 'pump-flow-low']
    )
  },
  'ac-off': {
    kind: 'ac',
    title: 'Cuts out',
    otherwise: 0.08,
    told: shares(
      [0.35, 'ect-short-circuit', 'thermostat-stuck-closed', 'airflow-restricted'],
      [0.22, 'ect-reads-hot', 'thermostat-sluggish', 'ect-intermittent', 'radiator-clogged'],
      [0.14, ...FAN_DEAD, 'ect-wrong-part', 'clutch-slipping', 'pump-flow-low']
    )
  },
  'economy-poor': {
    kind: 'economy',
    title: 'Drinks fuel',
    otherwise: 0.13,
    told: shares(
      [0.36, 'thermostat-stuck-open', 'thermostat-low-rating', 'clutch-seized', 'clutch-circuit-open'],
      [0.2, 'ect-reads-cold']
    )
  },
  'noise-roar': {
    kind: 'noise',
    title: 'Roars with engine speed',
    otherwise: 0.02,
    told: shares([0.85, 'clutch-seized', 'clutch-circuit-open'], [0.06, 'fan-relay-welded'])
  },
  'noise-rattle': {
    kind: 'noise',
    title: 'Rattles, grinds or wobbles',
    otherwise: 0.06,
    told: shares([0.85, 'clutch-bearing', 'water-pump-bearing'], [0.6, 'fan-motor-weak'])
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

/** A situation that speaks for a suspect makes it so much likelier to be told of. */
const NAMED = 0.25;
const AT_MOST = 0.95;

/** How often a driver tells of this symptom where a suspect is at fault; {@link SymptomRow.otherwise} where it is not named. */
export function toldOf({ what, when }: Symptom, fault: FaultId): number {
  const { told, otherwise }: SymptomRow = SYMPTOMS[what];
  const share = told[fault];
  if (share === undefined) return otherwise;
  const situations = when.filter((w) => BY_SITUATION[w].includes(fault)).length;
  return Math.max(otherwise, Math.min(AT_MOST, share * (1 + situations * NAMED)));
}
