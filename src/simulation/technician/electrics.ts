import { TEMPLATES, type TemplateId } from '../../core/checks/circuit-check';
import { sensorProbes, type SensorCircuitFault } from '../../core/physics/circuit/sensor-circuit';
import { locate, probesOf, type Measured } from '../../core/physics/circuit/template';
import { normalDraw, seeded, type Random } from '../../core/base/random';
import { brokenElement, readCircuit } from '../vehicle/circuits';
import type { Case } from '../cases/hidden-case';

const BATTERY_V = 12.6;

function templateFor({ spec, plant }: Case): TemplateId {
  if (plant.fan.kind === 'proportional') return 'fan-controller';
  return (spec.fan?.stages?.length ?? 0) > 1 ? 'fan-pair' : 'fan-relay';
}

/** What would be seen or measured at a place; sights come in whole steps, and are misread now and then. */
function shown(c: Case, id: TemplateId, state: string, at: string, random: Random): number {
  const t = TEMPLATES[id];
  const sight = t.sights.find((s) => s.id === at);
  if (!sight) return readCircuit(id, state, at, c.fault, c.seed, random) ?? 0;
  const { id: element, sizeAt } = brokenElement(t, c.fault, c.seed);
  const steps = probesOf(t, BATTERY_V)
    .find((p) => p.key === `${state}/${at}`)!
    .shows(element);
  return Math.min(
    sight.steps.length - 1,
    Math.max(0, Math.round(steps[Math.min(sizeAt, steps.length - 1)] + 0.15 * normalDraw(random)))
  );
}

const MOST = 7;
/** Goes round the circuit as the sheet proposes it, until it names no further place. */
export function circuitTaken(c: Case, random: Random) {
  const id = templateFor(c);
  const taken: Measured[] = [];
  for (let i = 0; i < MOST; i++) {
    const { next } = locate(TEMPLATES[id], taken, BATTERY_V);
    if (!next) break;
    taken.push({ state: next.state, at: next.at, value: shown(c, id, next.state, next.at, random) });
  }
  return { circuit: id, batteryV: BATTERY_V, taken, names: {} };
}

/** Click and fan under a commanded test. A motor that is weak turns slowly, whatever its circuit. */
export function fanBy(c: Case, random: Random) {
  const id = templateFor(c);
  const state = { 'fan-relay': 'on', 'fan-pair': 'high', 'fan-controller': 'demand', gauge: 'on' }[id];
  const fan = shown(c, id, state, id === 'fan-pair' ? 'fan1' : 'turns', random);
  const click =
    id === 'fan-relay'
      ? shown(c, id, 'on', 'clicks', random) > 0
        ? 'yes'
        : 'no'
      : c.fault === 'fan-relay-coil' || c.fault === 'fan-command-missing'
        ? 'no'
        : 'yes';
  const turns =
    c.fault === 'fan-motor-weak'
      ? c.severity > 0.45
        ? 'slow'
        : 'full'
      : fan > 1
        ? 'full'
        : fan > 0
          ? 'slow'
          : 'no';
  return { click: id === 'fan-controller' || random() < 0.1 ? 'unknown' : click, turns };
}

export const relayFeels = ({ fault, plant }: Case) =>
  plant.fanStuckPct > 0
    ? fault === 'fan-relay-welded'
      ? 'stops'
      : 'runs-on'
    : /relay-(contacts|coil)/.test(fault)
      ? 'runs'
      : /fan-(motor-dead|feed|command)/.test(fault)
        ? 'dead'
        : 'ran';

/** The sensor’s plug, open and bridged: by the network of its circuit with the element that is broken. */
export function sensorCircuit(c: Case, random: Random) {
  const e = c.plant.sensorError;
  const hidden = seeded(c.seed * 17 + 3);
  const broken = c.fault === 'ect-wiring';
  const kinds: readonly SensorCircuitFault[] =
    e.kind === 'series'
      ? ['signal-resists', 'ground-resists']
      : e.kind === 'fixed'
        ? e.readsC < 0
          ? ['signal-open', 'ground-open']
          : ['signal-grounded']
        : ['reference-low'];
  const element = broken ? kinds[Math.floor(hidden() * kinds.length)] : 'sound';
  const at = hidden();
  const size = (list: readonly number[]) =>
    element.endsWith('-resists') && e.kind === 'series'
      ? nearest(e.ohm, list.length)
      : Math.floor(at * list.length * 0.6);
  return Object.fromEntries(
    sensorProbes(c.spec).map((p) => {
      const shows = p.shows(element);
      const value = shows[Math.min(shows.length - 1, size(shows))];
      const volts = p.key.endsWith('V');
      const noisy = value + (volts ? 0.01 : 0.4) * normalDraw(random);
      return [
        p.key,
        volts
          ? Math.round(1000 * Math.max(0, noisy)) / 1000
          : Math.round(Math.max(c.plant.openReadsC, Math.min(c.plant.shortReadsC, noisy)))
      ];
    })
  );
}

/** Sizes go from 30 Ω to 20 kΩ by even steps of the logarithm. */
const nearest = (ohm: number, n: number) =>
  Math.round(((n - 1) * Math.log(Math.max(30, ohm) / 30)) / Math.log(20_000 / 30));
