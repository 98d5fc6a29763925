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
  /** How often drivers tell of it where nothing that causes it is at fault. Ours; how often of a fault is said with the fault. */
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

/** Ids are kept in records: they may grow, not change meaning. */
export const SYMPTOMS = {
  'gauge-high': {
    kind: 'gauge',
    title: 'Climbs or reads high',
    otherwise: 0.13
  },
  'gauge-low': {
    kind: 'gauge',
    title: 'Stays low',
    otherwise: 0.08
  },
  'gauge-jumps': {
    kind: 'gauge',
    title: 'Jumps or drops',
    otherwise: 0.02
  },
  'heater-weak': {
    kind: 'heater',
    title: 'Weak or slow to come',
    otherwise: 0.13
  },
  'heater-swings': {
    kind: 'heater',
    title: 'Goes cold now and then',
    otherwise: 0.02
  },
  'fan-always': {
    kind: 'fan',
    title: 'Runs when it should not',
    otherwise: 0.07
  },
  'fan-never': {
    kind: 'fan',
    title: 'Never runs',
    otherwise: 0.02
  },
  'fan-odd': {
    kind: 'fan',
    title: 'Changes speed by itself',
    otherwise: 0.02
  },
  'smell-coolant': {
    kind: 'smell',
    title: 'Sweet smell, wet patch',
    otherwise: 0.07
  },
  'smell-steam': {
    kind: 'smell',
    title: 'Steam or boiled over',
    otherwise: 0.02
  },
  'power-reduced': {
    kind: 'power',
    title: 'Held back',
    otherwise: 0.07
  },
  'ac-off': {
    kind: 'ac',
    title: 'Cuts out',
    otherwise: 0.08
  },
  'economy-poor': {
    kind: 'economy',
    title: 'Drinks fuel',
    otherwise: 0.13
  },
  'noise-roar': {
    kind: 'noise',
    title: 'Roars with engine speed',
    otherwise: 0.02
  },
  'noise-rattle': {
    kind: 'noise',
    title: 'Rattles, grinds or wobbles',
    otherwise: 0.06
  }
} as const satisfies Readonly<Record<string, SymptomRow>>;
export type SymptomId = keyof typeof SYMPTOMS;

const keys = <T extends object>(of: T) => Object.keys(of) as [keyof T & string, ...(keyof T & string)[]];
export const SYMPTOM_IDS = keys(SYMPTOMS);
export const SITUATION_IDS = keys(SITUATIONS);

/** What a driver noticed, and when. */
export interface Symptom {
  readonly what: SymptomId;
  readonly when: readonly SituationId[];
}

/** `Gauge: climbs or reads high, at idle, crawling`. */
export function symptomText({ what, when }: Symptom): string {
  const { kind, title } = SYMPTOMS[what];
  const place = when.map((w) => SITUATIONS[w]).join(', ');
  return `${SYMPTOM_KINDS[kind]}: ${title.charAt(0).toLowerCase()}${title.slice(1)}${place ? `, ${place}` : ''}`;
}
