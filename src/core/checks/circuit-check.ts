import { z } from 'zod';
import { FAN_CONTROLLER } from '../physics/circuit/fan-controller';
import { FAN_PAIR } from '../physics/circuit/fan-pair';
import { FAN_RELAY } from '../physics/circuit/fan-relay';
import { GAUGE_CIRCUIT } from '../physics/circuit/gauge-circuit';
import {
  foundIn,
  locate,
  SOUND,
  soundAt,
  type Located,
  type Measured,
  type Template
} from '../physics/circuit/template';
import type { FaultId } from '../vehicle/faults';
import type { Problem } from '../base/result';
import { say } from '../units/say';
import { eachOf, outcome, type Judged } from './check';
import type { Hands } from './hands';

export const TEMPLATES = {
  'fan-relay': FAN_RELAY,
  'fan-pair': FAN_PAIR,
  'fan-controller': FAN_CONTROLLER,
  gauge: GAUGE_CIRCUIT
} as const satisfies Readonly<Record<string, Template>>;
export type TemplateId = keyof typeof TEMPLATES;
export const templateOf = (id: TemplateId): Template => TEMPLATES[id];

const measured = z.object({
  state: z.string(),
  at: z.string(),
  value: z
    .number()
    .min(-2, 'A tip on the wrong side of the battery: volts are 0 or a little below at the least')
    .max(48, 'More than 48 V is on no such circuit')
});

/** Readings of a circuit: the battery as it is now, and what was measured or seen where and when. */
export const circuitReadings = <Id extends TemplateId>(ids: readonly [Id, ...Id[]]) =>
  z
    .object({
      circuit: z.enum(ids),
      batteryV: z
        .number('Measure the battery first: the rest is held against it')
        .min(6, 'A battery below 6 V runs no fan: charge it first')
        .max(32, 'A battery above 32 V is on no vehicle'),
      taken: z.array(measured).min(1, 'Measure or watch one place at least').max(80),
      /** What the tapped places are called on this vehicle, where it has names of its own. */
      names: z.record(z.string(), z.string().trim().max(30)).default({})
    })
    .superRefine(({ circuit, taken }, context) => {
      taken.forEach(({ state, at }, i) => {
        if (!placeOf(templateOf(circuit), state, at))
          context.addIssue({
            code: 'custom',
            path: ['taken', i],
            message: `${at} cannot be measured in state ${state} of this circuit`
          });
      });
    });
export interface CircuitReadings {
  circuit: TemplateId;
  batteryV: number;
  taken: Measured[];
  names: Record<string, string>;
}

/** A circuit before anything is measured, with its battery as it usually is. */
export const emptyCircuit = { batteryV: 12.6, taken: [], names: {} };

export interface Place {
  readonly title: string;
  readonly terminal: string | null;
  /** The steps of what is seen; null where it is volts. */
  readonly steps: readonly string[] | null;
  readonly stateTitle: string;
}

/** A place of a circuit in one of its states; undefined where it has none such. */
export function placeOf(t: Template, state: string, at: string): Place | undefined {
  const stateTitle = t.states.find((s) => s.id === state)?.title;
  const tap = t.taps.find((p) => p.id === at);
  const sight = t.sights.find((s) => s.id === at && s.states.includes(state));
  if (!stateTitle || !(tap ?? sight)) return undefined;
  return {
    title: (tap ?? sight)!.title,
    terminal: tap?.terminal ?? null,
    steps: sight?.steps ?? null,
    stateTitle
  };
}

/** Volts as a workshop writes them, or the step that was seen. */
const told = (place: Place, value: number): string =>
  place.steps ? (place.steps[Math.round(value)] ?? '?') : sayVolts(value);

/** Volts of a circuit to a tenth, and to a hundredth where they are few. */
export const sayVolts = (volts: number): string => say(volts, 'voltage', Math.abs(volts) < 1 ? 2 : 1);

const lowerFirst = (text: string) => text[0].toLowerCase() + text.slice(1);

/** Volts that no tap of this circuit can have: above what feeds it. */
export function refuseVolts({ circuit, batteryV, taken }: CircuitReadings): Problem[] {
  const t = templateOf(circuit);
  return taken.flatMap(({ state, at, value }, i) => {
    const place = placeOf(t, state, at);
    const field = `taken.${i}`;
    if (place?.steps)
      return value >= 0 && value < place.steps.length && Number.isInteger(value)
        ? []
        : [{ field, message: `${place.title}: choose one of ${place.steps.join(', ')}` }];
    return value > batteryV * 1.04 + 0.3
      ? [
          {
            field,
            message: `${place?.title ?? at}: ${sayVolts(value)} is above the battery’s ${sayVolts(batteryV)}; measure the battery anew, in the same state`
          }
        ]
      : [];
  });
}

/** Which suspect an element of a fan's circuit belongs to. Elements of none speak only against the others. */
const SUSPECT_OF = {
  'fuse-open': 'fan-feed-open',
  'feed-open': 'fan-feed-open',
  'feed-resists': 'fan-feed-open',
  'ground-open': 'fan-feed-open',
  'ground-resists': 'fan-feed-open',
  'coil-feed-open': 'fan-feed-open',
  'fuse-1-open': 'fan-feed-open',
  'fuse-2-open': 'fan-feed-open',
  'ground-1-open': 'fan-feed-open',
  'ground-2-open': 'fan-feed-open',
  'contacts-open': 'fan-relay-contacts',
  'contacts-burnt': 'fan-relay-contacts',
  'contacts-A-open': 'fan-relay-contacts',
  'contacts-A-burnt': 'fan-relay-contacts',
  'contacts-B-open': 'fan-relay-contacts',
  'contacts-B-burnt': 'fan-relay-contacts',
  'changeover-stays': 'fan-relay-contacts',
  'series-path-open': 'fan-relay-contacts',
  'contacts-welded': 'fan-relay-welded',
  'contacts-A-welded': 'fan-relay-welded',
  'contacts-B-welded': 'fan-relay-welded',
  'changeover-stuck-on': 'fan-relay-welded',
  'coil-open': 'fan-relay-coil',
  'coil-A-open': 'fan-relay-coil',
  'coil-B-open': 'fan-relay-coil',
  'coil-C-open': 'fan-relay-coil',
  'command-missing': 'fan-command-missing',
  'command-wire-open': 'fan-command-missing',
  'low-command-missing': 'fan-command-missing',
  'high-command-missing': 'fan-command-missing',
  'motor-open': 'fan-motor-dead',
  'motor-1-open': 'fan-motor-dead',
  'motor-2-open': 'fan-motor-dead',
  'motor-weak': 'fan-motor-weak',
  'controller-shorted': 'fan-controller-shorted',
  'controller-dead': 'fan-controller-dead',
  'supply-missing': 'gauge-fault',
  'gauge-open': 'gauge-fault',
  'wire-open': 'gauge-fault',
  'wire-grounded': 'gauge-fault',
  'body-resists': 'gauge-fault',
  'sender-open': 'gauge-fault',
  'sender-off': 'gauge-fault'
} as const satisfies Readonly<Record<string, FaultId>>;
type Suspect = (typeof SUSPECT_OF)[keyof typeof SUSPECT_OF];
const suspectOf = (element: string) => (SUSPECT_OF as Readonly<Record<string, Suspect>>)[element];

/** The results of a circuit: each of its suspects is found or cleared by itself. */
export type CircuitResult = Suspect | `not ${Suspect}`;
export const circuitResults = (ids: readonly TemplateId[]) =>
  eachOf([...new Set(ids.flatMap((id) => templateOf(id).faults.flatMap((f) => suspectOf(f.id) ?? [])))]);

/** A suspect that has this much of the ranking is spoken for; one this unlikely is out. */
const FOUND = 0.75;
const OUT = 0.02;

/** What each suspect has of the ranking. */
function bySuspect(t: Template, located: Located): Map<Suspect, { now: number; before: number }> {
  const total = t.faults.reduce((sum, f) => sum + f.prior, 0);
  const sums = new Map<Suspect, { now: number; before: number }>();
  for (const { id, probability } of located.ranked) {
    const suspect = suspectOf(id);
    if (!suspect) continue;
    const had = sums.get(suspect) ?? { now: 0, before: 0 };
    const prior = t.faults.find((f) => f.id === id)!.prior / total;
    sums.set(suspect, { now: had.now + probability, before: had.before + prior });
  }
  return sums;
}

/** Judges a circuit by its readings: the element that fits, or what to measure next. */
export function judgeCircuit(r: CircuitReadings): Judged<CircuitResult> {
  const t = templateOf(r.circuit);
  const located = locate(t, r.taken, r.batteryV);
  const [first, second] = located.ranked;
  const numbers = [
    ...r.taken.flatMap(({ state, at, value }, i) => {
      const place = placeOf(t, state, at);
      if (!place) return [];
      const name = r.names[at] || place.title;
      return [
        {
          name: `${name}, ${place.stateTitle.toLowerCase()}`,
          value: told(place, value),
          limit: `${told(place, located.expected[i])} if sound`
        }
      ];
    }),
    ...located.ranked
      .filter((e) => e.probability >= 0.05)
      .slice(0, 5)
      .map((e) => ({ name: e.title, value: `${Math.min(99, Math.round(100 * e.probability))} %` }))
  ];
  const suspects = bySuspect(t, located);
  const named = [...suspects].flatMap(([fault, { now, before }]): CircuitResult[] =>
    now > FOUND || (now > 0.25 && now > 2 * before)
      ? [fault]
      : now < OUT || now < before / 8
        ? [`not ${fault}`]
        : []
  );
  const goOn = located.next ? `. Measure next: ${located.next.title}` : '';
  const found = foundIn(located);
  if (found?.id === SOUND)
    return outcome('pass', `Everything measured is as a sound circuit shows it`, { numbers, found: named });
  if (found)
    return outcome('fail', `${found.title}, by ${r.taken.length} reading${r.taken.length === 1 ? '' : 's'}`, {
      numbers,
      found: named
    });
  return outcome('unclear', `Open between: ${lowerFirst(first.title)}, ${lowerFirst(second.title)}${goOn}`, {
    numbers,
    found: named
  });
}

/** Readings in a line of the history. */
export const circuitWords = (r: CircuitReadings): string =>
  r.taken
    .flatMap(({ state, at, value }) => {
      const place = placeOf(templateOf(r.circuit), state, at);
      return place
        ? [`${r.names[at] || place.title} ${told(place, value)} (${place.stateTitle.toLowerCase()})`]
        : [];
    })
    .join(', ');

/** What a sound circuit shows at a place, in words. */
export const soundWords = (id: TemplateId, state: string, at: string, batteryV: number): string => {
  const place = placeOf(templateOf(id), state, at);
  return place ? told(place, soundAt(templateOf(id), state, at, batteryV)) : '';
};

/** The circuit that feeds the fan of a vehicle. */
export function circuitOf({ plant, spec }: Hands): TemplateId {
  if (plant.fan.kind === 'proportional') return 'fan-controller';
  return (spec.fan?.stages?.length ?? 0) > 1 ? 'fan-pair' : 'fan-relay';
}

/** So many places a simulated technician measures at the most. */
const MOST_PLACES = 7;
/** Goes round the circuit as the form proposes it, until it names no further place. */
export function simulateCircuit(h: Hands) {
  const circuit = circuitOf(h);
  const taken: Measured[] = [];
  for (let i = 0; i < MOST_PLACES; i++) {
    const { next } = locate(TEMPLATES[circuit], taken, emptyCircuit.batteryV);
    if (!next) break;
    const { state, at } = next;
    taken.push({ state, at, value: h.circuit(circuit, state, at) });
  }
  return { ...emptyCircuit, circuit, taken };
}
