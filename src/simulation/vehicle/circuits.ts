import { emptyCircuit, TEMPLATES, type TemplateId } from '../../core/checks/circuit-check';
import { probesOf, type Template } from '../../core/physics/circuit/template';
import type { FaultId } from '../../core/vehicle/faults';
import { normalDraw, seeded, type Random } from '../../core/base/random';

/** The element of each circuit that is broken where a vehicle has a fault; sound where it has none there. */
const ELEMENT: Partial<Record<FaultId, Partial<Record<TemplateId, readonly string[]>>>> = {
  'fan-relay-contacts': {
    'fan-relay': ['contacts-burnt', 'contacts-open'],
    'fan-pair': ['contacts-A-burnt', 'contacts-B-open']
  },
  'fan-relay-welded': { 'fan-relay': ['contacts-welded'], 'fan-pair': ['contacts-A-welded'] },
  'fan-relay-coil': { 'fan-relay': ['coil-open'], 'fan-pair': ['coil-A-open'] },
  'fan-command-missing': {
    'fan-relay': ['command-missing', 'command-wire-open'],
    'fan-pair': ['low-command-missing'],
    'fan-controller': ['command-missing', 'command-wire-open']
  },
  'fan-feed-open': {
    'fan-relay': ['fuse-open', 'ground-open'],
    'fan-pair': ['fuse-1-open', 'ground-2-open'],
    'fan-controller': ['feed-open', 'ground-open']
  },
  'fan-motor-dead': {
    'fan-relay': ['motor-open'],
    'fan-pair': ['motor-1-open'],
    'fan-controller': ['motor-open']
  },
  'fan-motor-weak': { 'fan-relay': ['motor-weak'], 'fan-controller': ['motor-weak'] },
  'fan-controller-shorted': { 'fan-controller': ['controller-shorted'] },
  'fan-controller-dead': { 'fan-controller': ['controller-dead'] },
  'gauge-fault': { gauge: ['body-resists', 'wire-open'] }
};

/** Which element is broken, and how badly, by the seed of the vehicle: the same at every reading. */
export function brokenElement(t: Template, fault: FaultId, seed: number): { id: string; sizeAt: number } {
  const choices = ELEMENT[fault]?.[t.id as TemplateId] ?? ['sound'];
  const random = seeded(seed * 31 + 7);
  const id = choices[Math.floor(random() * choices.length)];
  const sizes = t.sizes[id]?.length ?? 1;
  // Middling sizes: a joint of a few tenths of an ohm is there, but shows nothing yet.
  return { id, sizeAt: Math.floor(sizes * (0.3 + 0.5 * random())) };
}

/** What a meter on the simulated vehicle shows at a place of a circuit in a state, V; null at no such place. */
export function readCircuit(
  circuit: string,
  state: string,
  at: string,
  fault: FaultId,
  seed: number,
  random: Random
): number | null {
  const t = Object.hasOwn(TEMPLATES, circuit) ? TEMPLATES[circuit as TemplateId] : null;
  const probe = t && probesOf(t, emptyCircuit.batteryV).find((p) => p.key === `${state}/${at}`);
  if (!t || !probe) return null;
  const { id, sizeAt } = brokenElement(t, fault, seed);
  const shows = probe.shows(id);
  const value = shows[Math.min(sizeAt, shows.length - 1)];
  return Math.round(1000 * (value * (1 + 0.005 * normalDraw(random)) + 0.004 * normalDraw(random))) / 1000;
}

/** Volts at a place, or the step of what is seen there: sights come in whole steps, and are misread now and then. */
export function seenInCircuit(
  t: Template,
  state: string,
  at: string,
  fault: FaultId,
  seed: number,
  random: Random
): number | null {
  const sight = t.sights.find((s) => s.id === at);
  if (!sight) return readCircuit(t.id, state, at, fault, seed, random);
  const { id, sizeAt } = brokenElement(t, fault, seed);
  const steps = probesOf(t, emptyCircuit.batteryV)
    .find((p) => p.key === `${state}/${at}`)!
    .shows(id);
  const step = Math.round(steps[Math.min(sizeAt, steps.length - 1)] + 0.15 * normalDraw(random));
  return Math.min(sight.steps.length - 1, Math.max(0, step));
}
