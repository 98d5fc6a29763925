import { GROUND, METER_OHM, voltagesOf, type Network } from './network';
import { nextProbe, rankElements, type ElementFault, type Probe, type RankedElement } from './rank';

/** A place where the red tip of a meter can be held; the black one stays on battery minus. */
interface Tap {
  readonly id: string;
  readonly title: string;
  /** Terminal by DIN 72552 where it has one: 30 battery, 15 ignition, 31 ground, 85 and 86 coil, 87 load. */
  readonly terminal: string | null;
}

/** Something seen or heard instead of measured, as a step of its scale. */
export interface Sight {
  readonly id: string;
  readonly title: string;
  /** From nothing to all of it. */
  readonly steps: readonly string[];
  /** States of the circuit in which it can be seen. */
  readonly states: readonly string[];
  /** The step it would be at, from the voltages of the nodes: a fraction where it lies between two. */
  readonly step: (volts: (node: string) => number, state: string, fault: string, size: number) => number;
}

/** A circuit as the workshop meets it: its states, where it can be tapped, and how each of its elements fails. */
export interface Template {
  readonly id: string;
  readonly title: string;
  readonly states: readonly { readonly id: string; readonly title: string }[];
  readonly taps: readonly Tap[];
  readonly sights: readonly Sight[];
  readonly faults: readonly ElementFault<string>[];
  /** Sizes each fault is tried at; one of size 1 where it has none. */
  readonly sizes: Readonly<Record<string, readonly number[]>>;
  /** The network in a state with a fault of one size. Battery or charging voltage as it was measured, V. */
  readonly network: (state: string, fault: string, size: number, batteryV: number) => Network;
}

/** One reading: volts at a tap in a state, or the step of a sight. */
export interface Measured {
  readonly state: string;
  readonly at: string;
  readonly value: number;
}

export const SOUND = 'sound';
const TRIED = 12;
/** Even steps of the logarithm from one size to another. */
export const sizesFrom = (from: number, to: number): readonly number[] =>
  Array.from({ length: TRIED }, (_, i) => from * (to / from) ** (i / (TRIED - 1)));

const ONE = [1];
/** A workshop meter on a clamp: two hundredths, and what leads and battery wander meanwhile. */
const voltSd = (volts: number) => Math.hypot(0.03, 0.02 * volts);
/** A person sees “slow” for “full” now and then. */
const SIGHT_SD = 0.3;

const keyOf = (state: string, at: string) => `${state}/${at}`;

/** What a meter shows at every tap of a state, its own resistance in the circuit one tap at a time. */
function shownAt(t: Template, state: string, tap: string, fault: string, size: number, batteryV: number) {
  const network = t.network(state, fault, size, batteryV);
  const loaded: Network = { ...network, resistors: [...network.resistors, [tap, GROUND, METER_OHM]] };
  return voltagesOf(loaded).get(tap) ?? 0;
}

/** Solving every fault in every state takes some ms; a sheet asks at every key for the same circuit and battery. */
const solved = new WeakMap<Template, { readonly batteryV: number; readonly probes: Probe<string>[] }>();

/** Everything that can be measured or seen on a circuit, each with what any fault would make of it. */
export function probesOf(t: Template, batteryV: number): readonly Probe<string>[] {
  const had = solved.get(t);
  if (had?.batteryV === batteryV) return had.probes;
  const probes = solve(t, batteryV);
  solved.set(t, { batteryV, probes });
  return probes;
}

function solve(t: Template, batteryV: number): Probe<string>[] {
  const sizes = (fault: string) => t.sizes[fault] ?? ONE;
  const known = new Map<string, readonly number[]>();
  const once = (key: string, make: () => readonly number[]) => {
    const had = known.get(key) ?? make();
    known.set(key, had);
    return had;
  };
  return t.states.flatMap(({ id: state, title: stateTitle }) => [
    ...t.taps.map((tap): Probe<string> => ({
      key: keyOf(state, tap.id),
      title: `${tap.title}, ${stateTitle.toLowerCase()}`,
      shows: (fault) =>
        once(`${state}/${tap.id}/${fault}`, () =>
          sizes(fault).map((size) => shownAt(t, state, tap.id, fault, size, batteryV))
        ),
      sd: voltSd
    })),
    ...t.sights
      .filter((s) => s.states.includes(state))
      .map((sight): Probe<string> => ({
        key: keyOf(state, sight.id),
        title: `${sight.title}, ${stateTitle.toLowerCase()}`,
        shows: (fault) =>
          once(`${state}/${sight.id}/${fault}`, () =>
            sizes(fault).map((size) => {
              const volts = voltagesOf(t.network(state, fault, size, batteryV));
              return sight.step((node) => volts.get(node) ?? 0, state, fault, size);
            })
          ),
        sd: () => SIGHT_SD
      }))
  ]);
}

export interface Located {
  /** Element faults, the likeliest first. */
  readonly ranked: readonly RankedElement<string>[];
  /** What to measure next to tell the leaders apart; null where nothing left would. */
  readonly next: (Measured & { readonly title: string }) | null;
  /** What a sound circuit would show for each reading taken, V or step. */
  readonly expected: readonly number[];
}

/** An element that explains the readings this well has been found. */
const FOUND = 0.75;
/** A circuit is called sound only where nothing is left to ask that could show otherwise, or hardly anything. */
const SOUND_FROM = 0.93;

/** The element that has been found, or `sound`; null while it is open. */
export function foundIn({ ranked, next }: Located): RankedElement<string> | null {
  const [first] = ranked;
  const enough = first.id === SOUND && next !== null ? SOUND_FROM : FOUND;
  return first.probability >= enough ? first : null;
}

/** Locates a fault of a circuit by what was measured and seen on it. `batteryV` between 6 and 32 V. */
export function locate(t: Template, taken: readonly Measured[], batteryV: number): Located {
  const probes = probesOf(t, batteryV);
  const keyed = taken.map(({ state, at, value }) => ({ key: keyOf(state, at), value }));
  const ranked = rankElements(t.faults, probes, keyed);
  const next = nextProbe(ranked, probes, keyed);
  const [state, at] = next?.key.split('/') ?? [];
  return {
    ranked,
    next: next && { state, at, title: next.title, value: next.shows(SOUND)[0] },
    expected: keyed.map(({ key }) => probes.find((p) => p.key === key)?.shows(SOUND)[0] ?? NaN)
  };
}

/** What a sound circuit shows at a place in a state: V at a tap, the step of a sight. */
export function soundAt(t: Template, state: string, at: string, batteryV: number): number {
  const probe = probesOf(t, batteryV).find((p) => p.key === keyOf(state, at));
  return probe ? probe.shows(SOUND)[0] : NaN;
}
