import type { CheckId } from '../checks/registry';
import type { FaultId } from '../vehicle/faults';

/** How often a check says what of a suspect. */
export interface Shares {
  /** How often it speaks for a suspect that is at fault. */
  readonly finds: number;
  /** How often it speaks for it on a vehicle without a fault: of two suspects it cannot tell apart both are spoken for. */
  readonly falsely: number;
  /** How often it clears a suspect that is at fault, where it clears at all. */
  readonly misses: number;
}

/** What a check's word is worth, and what it leans on. */
export interface Strength extends Shares {
  /** Findings that lean on the same thing can be wrong together: the weaker ones count less. */
  readonly leansOn:
    'thermometer' | 'meter' | 'hand' | 'eye' | 'scan' | 'tachometer' | 'gauge' | 'run' | 'itself';
  /** Why these numbers. */
  readonly because: string;
  /** Suspects that it tells better or worse than its others. */
  readonly overrides: Readonly<Partial<Record<FaultId, Shares & { readonly because: string }>>>;
}

const s = (
  finds: number,
  falsely: number,
  misses: number,
  leansOn: Strength['leansOn'],
  because: string,
  overrides: Strength['overrides'] = {}
): Strength => ({ finds, falsely, misses, leansOn, because, overrides });

const a = (finds: number, falsely: number, misses: number, because: string) => ({
  finds,
  falsely,
  misses,
  because
});

/** Whatever is open or shorted, or off, is seen by what stands beside it; which part of the way it is, is not. */
const SCAN_BESIDE_METAL: Strength['overrides'] = {
  'ect-intermittent': a(0.2, 0.01, 0.5, 'Seen only if it happens just then'),
  'ect-reads-hot': a(0.82, 0.005, 0.2, 'A leak across shows less when hot'),
  'ect-wrong-part': a(0.47, 0.005, 0.04, 'Off in one way or the other'),
  'ect-wiring': a(
    0.75,
    0.005,
    0.05,
    'Open, shorted or a contact in series: what it is, every check of it sees'
  )
};

/**
 * How much each check is believed. Shares are judgements of ours, held to what simulated jobs of other vehicles than
 * the benchmark's made of each check; a check whose number decides by itself (a drop across contacts) stands near
 * the top, a hand on a hose or a memory near the bottom. No share is nearer to nothing than a blunder now and then.
 */
export const STRENGTHS: Readonly<Record<CheckId, Strength>> = {
  soak: s(0.5, 0.5, 1, 'itself', 'Says when cold checks count, and nothing of a fault'),
  codes: s(0.45, 0.03, 0.6, 'scan', 'Many faults store none, and a code names a circuit more than a part', {
    'ect-open-circuit': a(0.92, 0.006, 0.15, 'Its own code, and hardly ever missing'),
    'ect-short-circuit': a(0.92, 0.006, 0.15, 'Its own code, and hardly ever missing'),
    'ect-wiring': a(0.85, 0.006, 0.5, 'The code of its circuit'),
    'ect-intermittent': a(0.65, 0.006, 0.45, 'Its own code'),
    'thermostat-heater-failed': a(0.7, 0.006, 0.35, 'Its own code'),
    'clutch-circuit-open': a(0.55, 0.006, 0.5, 'Its own code'),
    'fan-relay-coil': a(0.65, 0.01, 0.42, 'The code of its circuit'),
    'fan-controller-dead': a(0.65, 0.01, 0.42, 'The code of its circuit'),
    'fan-command-missing': a(0.3, 0.01, 0.8, 'The unit seldom sees that its own wire is open'),
    'coolant-low': a(0.1, 0.03, 0.9, 'Named beside a code for another cause')
  }),
  'level-and-look': s(0.4, 0.05, 0.58, 'eye', 'What is seen is there; what is not seen may be', {
    'coolant-low': a(0.9, 0.11, 0.12, 'A level is plain; a dried trace is no leak'),
    'airflow-restricted': a(0.6, 0.1, 0.35, 'Debris between the cores is behind what is seen'),
    'water-pump-bearing': a(0.85, 0.02, 0.18, 'Felt at its pulley; a little play is missed'),
    'fan-setpoint-modified': a(0.6, 0.004, 0.4, 'Nobody adds a part for nothing'),
    'combustion-leak': a(0.12, 0.004, 0.9, 'An oil film is seldom there, and telling'),
    'pressure-cap-weak': a(0.12, 0.004, 0.9, 'A hose sucked flat is seldom there, and telling')
  }),
  'cold-agreement': s(0.95, 0.006, 0.03, 'thermometer', 'Readings that must agree; drafts and sun disagree', {
    'ect-reads-cold': a(0.5, 0.006, 0.5, 'A contact in series hardly shows when cold'),
    'ect-wrong-part': a(
      0.45,
      0.006,
      0.08,
      'Off in one way or the other; two families may meet at one temperature'
    ),
    'ect-wiring': a(0.7, 0.006, 0.32, 'Open or shorted: a contact in series hardly shows when cold')
  }),
  'clutch-cold-turn': s(0.92, 0.004, 0.06, 'hand', 'The drag of a hand, on the first turn only'),
  'clutch-play': s(0.95, 0.004, 0.04, 'hand', 'Play is felt and measured'),
  'ect-ladder': s(0.95, 0.005, 0.03, 'thermometer', 'A whole curve; the shape names the cause', {
    'ect-wiring': a(0.05, 0.02, 0.9, 'Ohms are measured with the plug off'),
    'ect-wrong-part': a(0.9, 0.006, 0.06, 'Some families lie near each other')
  }),
  'ect-circuit': s(0.95, 0.004, 0.04, 'meter', 'Both extremes of the circuit are forced'),
  'ect-substitute': s(0.95, 0.006, 0.05, 'thermometer', 'One point, in air; the sensor, whatever it has', {
    'ect-reads-cold': a(0.55, 0.006, 0.5, 'A contact in series hardly shows in cool air'),
    'ect-wiring': a(0.65, 0.004, 0.3, 'A good sensor that is off as well')
  }),
  wiggle: s(
    0.8,
    0.03,
    0.2,
    'hand',
    'A contact that answers is the one; one that does not may be cold today',
    {
      'ect-wiring': a(0.33, 0.02, 0.7, 'Most of it is broken for good'),
      'fan-controller-shorted': a(0.45, 0.008, 0.6, 'Its connector answers now and then')
    }
  ),
  'gauge-compare': s(0.95, 0.006, 0.03, 'gauge', 'A needle is read to a few degrees at best', {
    ...SCAN_BESIDE_METAL,
    'sensor-branch-restricted': a(0.25, 0.01, 0.6, 'Shows only where the thermometer is not at its housing')
  }),
  'hose-rush': s(0.85, 0.05, 0.12, 'hand', 'Quick and free, and felt by a hand', {
    'thermostat-low-rating': a(0.88, 0.006, 0.1, 'A rush too early is nothing else'),
    'thermostat-stuck-closed': a(0.75, 0.006, 0.24, 'One that opens a little warms the hose as well'),
    'thermostat-sluggish': a(0.35, 0.008, 0.55, 'A late rush is not always late enough'),
    'pump-flow-low': a(0.05, 0.006, 0.9, 'Hardly ever so little that the hose stays cool')
  }),
  'fan-switching': s(0.76, 0.01, 0.04, 'scan', 'A fan that never runs does not say why', {
    'fan-setpoint-modified': a(
      0.9,
      0.012,
      0.03,
      'The control unit’s own reading, at its own switching point'
    ),
    'fan-relay-welded': a(0.9, 0.01, 0.05, 'Runs from the first minute'),
    'fan-controller-shorted': a(0.9, 0.01, 0.05, 'Runs from the first minute')
  }),
  'fan-command': s(0.93, 0.006, 0.06, 'scan', 'Splits the command from the power, not part from part', {
    'fan-command-missing': a(0.88, 0.006, 0.15, 'No click, and the coil does not click either'),
    'fan-motor-weak': a(0.87, 0.008, 0.12, 'Turns slowly'),
    'fan-feed-open': a(0.85, 0.01, 0.14, 'One of two fans may still run'),
    'fan-relay-coil': a(0.45, 0.006, 0.5, 'One relay of three, and the fan still runs'),
    'fan-relay-contacts': a(0.4, 0.006, 0.33, 'One relay of three, and the fan still runs')
  }),
  'key-off-fan': s(0.95, 0.015, 0.05, 'itself', 'Rules of after-run differ', {
    'ect-intermittent': a(0.1, 0.015, 0.9, 'Says next to nothing of a contact')
  }),
  'warm-up-run': s(0.8, 0.05, 0.2, 'run', 'Ranked by the model; see the run'),
  'road-run': s(0.6, 0.08, 0.3, 'run', 'The same run again, by speed and load'),
  'fan-direct-feed': s(0.96, 0.003, 0.03, 'meter', 'Motor by its current, past everything else', {
    'fan-motor-weak': a(0.87, 0.004, 0.12, 'A little weak is within what a good one draws')
  }),
  'relay-bench': s(0.97, 0.003, 0.03, 'meter', 'Coil and contacts measured under load'),
  'relay-swap': s(0.94, 0.005, 0.05, 'itself', 'The part is exchanged and nothing else'),
  'relay-socket': s(0.95, 0.003, 0.04, 'meter', 'The circuit solved from its volts', {
    'fan-motor-weak': a(0.5, 0.004, 0.3, 'A little weak hardly moves a volt')
  }),
  'controller-in-out': s(0.95, 0.004, 0.04, 'meter', 'The circuit solved from its volts'),
  'clutch-hot-speed': s(0.85, 0.006, 0.05, 'tachometer', 'Speeds are sure, the air before it less so', {
    'clutch-engages-late': a(0.7, 0.006, 0.1, 'The air may not get hot enough to show it'),
    'clutch-seized': a(0.9, 0.004, 0.08, 'It drives with cool air')
  }),
  'clutch-electronic': s(0.94, 0.004, 0.06, 'tachometer', 'Command against speed, and volts at its plug'),
  'temperature-map': s(0.95, 0.006, 0.05, 'thermometer', 'Drops along the loop by one thermometer', {
    ...SCAN_BESIDE_METAL,
    'sensor-branch-restricted': a(0.95, 0.004, 0.03, 'A cold branch beside a hot outlet is nothing else'),
    'thermostat-stuck-closed': a(0.92, 0.005, 0.06, 'Hardly anything comes through'),
    'thermostat-low-rating': a(0.48, 0.02, 0.5, 'Warm behind a shut thermostat, and not for long'),
    'thermostat-stuck-open': a(0.85, 0.02, 0.1, 'Warm behind a shut thermostat'),
    'pump-flow-low': a(0.63, 0.006, 0.35, 'Two thirds of the flow still make a good map'),
    'coolant-low': a(0.3, 0.006, 0.6, 'A cold heater has other causes'),
    'airflow-restricted': a(0.02, 0.01, 1, 'Not on the loop'),
    'radiator-clogged': a(0.02, 0.01, 1, 'A cold outlet has better reasons')
  }),
  'radiator-face': s(0.8, 0.006, 0.07, 'thermometer', 'A gun on fins reads low, everywhere alike', {
    'radiator-clogged': a(0.95, 0.005, 0.04, 'Cold places in a hot core'),
    'airflow-restricted': a(0.6, 0.04, 0.5, 'It takes off too little, and so do other things'),
    'pump-flow-low': a(0.08, 0.01, 0.9, 'Little flow cools well'),
    'thermostat-stuck-closed': a(0.75, 0.006, 0.3, 'Next to nothing goes in')
  }),
  'air-rise': s(0.75, 0.006, 0.3, 'thermometer', 'Air is uneven behind a fan', {
    'airflow-restricted': a(0.72, 0.008, 0.32, 'As hot as the coolant, and a fan that turns'),
    'fan-motor-dead': a(0.75, 0.006, 0.08, 'Where the fan was seen to drive the air, it runs'),
    'thermostat-stuck-closed': a(0.75, 0.006, 0.3, 'Nothing hot comes to the air'),
    'radiator-clogged': a(0.02, 0.01, 1, 'Half a core warms the air as well'),
    'clutch-slipping': a(0.04, 0.01, 1, 'The air is not driven, and that is seen better at the fan'),
    'clutch-engages-late': a(0.04, 0.01, 1, 'The air is not driven, and that is seen better at the fan')
  }),
  'pressure-hold': s(0.96, 0.005, 0.03, 'itself', 'Kept shut and watched', {
    'combustion-leak': a(0.95, 0.006, 0.05, 'Warmth makes pressure as well')
  }),
  'cap-test': s(0.97, 0.004, 0.03, 'itself', 'The cap against its own rating'),
  'combustion-gas': s(0.82, 0.004, 0.15, 'itself', 'Gas is there or not; small leaks come and go'),
  'thermostat-bath': s(0.96, 0.015, 0.03, 'itself', 'The part itself, measured over its whole range', {
    'thermostat-stuck-open': a(0.97, 0.004, 0.03, 'It passes when cold, or it does not'),
    'thermostat-low-rating': a(0.97, 0.08, 0.03, 'Good ones open some degrees early too')
  }),
  'thermostat-heater': s(0.97, 0.005, 0.03, 'meter', 'The element itself')
};

/** What a check's word of one suspect is worth. */
export const sharesOf = (check: CheckId, fault: FaultId): Shares =>
  STRENGTHS[check].overrides[fault] ?? STRENGTHS[check];
