import type { CheckId } from '../checks/registry';

/** What a check's word is worth, and what it leans on. */
export interface Strength {
  /** How often it speaks for a suspect that is at fault. */
  readonly finds: number;
  /** How often it speaks for a suspect that is not. */
  readonly falsely: number;
  /** How often it clears a suspect that is at fault, where it clears at all. */
  readonly misses: number;
  /** Findings that lean on the same thing can be wrong together: the weaker ones count half. */
  readonly leansOn:
    'thermometer' | 'meter' | 'hand' | 'eye' | 'scan' | 'tachometer' | 'gauge' | 'run' | 'itself';
  /** Why these numbers. */
  readonly because: string;
}

const s = (
  finds: number,
  falsely: number,
  misses: number,
  leansOn: Strength['leansOn'],
  because: string
): Strength => ({
  finds,
  falsely,
  misses,
  leansOn,
  because
});

/**
 * How much each check is believed. Shares are judgements of ours, held to the benchmark of whole jobs; a check whose
 * number decides by itself (a drop across contacts) stands near the top, a hand on a hose or a memory near the bottom.
 */
export const STRENGTHS: Readonly<Record<CheckId, Strength>> = {
  soak: s(0.5, 0.5, 1, 'itself', 'Says when cold checks count, and nothing of a fault'),
  codes: s(0.55, 0.1, 0.6, 'scan', 'Many faults store none, and a code names a circuit more than a part'),
  'level-and-look': s(0.75, 0.05, 0.2, 'eye', 'What is seen is there; what is not seen may be'),
  'cold-agreement': s(
    0.85,
    0.05,
    0.06,
    'thermometer',
    'Four readings that must agree; drafts and sun disagree'
  ),
  'clutch-cold-turn': s(0.85, 0.03, 0.06, 'hand', 'The drag of a hand, on the first turn only'),
  'clutch-play': s(0.9, 0.015, 0.06, 'hand', 'Play is felt and measured'),
  'ect-ladder': s(0.95, 0.02, 0.04, 'thermometer', 'A whole curve; the shape names the cause'),
  'ect-circuit': s(0.92, 0.01, 0.05, 'meter', 'Both extremes of the circuit are forced'),
  'ect-substitute': s(0.85, 0.05, 0.1, 'thermometer', 'One point, in air'),
  wiggle: s(0.7, 0.03, 0.2, 'hand', 'A contact that answers is the one; one that does not may be cold today'),
  'gauge-compare': s(0.85, 0.05, 0.07, 'gauge', 'A needle is read to a few degrees at best'),
  'hose-rush': s(0.75, 0.06, 0.12, 'hand', 'Quick and free, and felt by a hand'),
  'fan-switching': s(0.8, 0.06, 0.08, 'scan', 'Switching points by a reading that may itself be off'),
  'fan-command': s(0.85, 0.05, 0.15, 'scan', 'Splits the command from the power, not part from part'),
  'key-off-fan': s(0.6, 0.1, 0.1, 'itself', 'Rules of after-run differ'),
  'warm-up-run': s(0.8, 0.05, 0.2, 'run', 'Ranked by the model; see the run'),
  'road-run': s(0.6, 0.08, 0.3, 'run', 'The same run again, by speed and load'),
  'fan-direct-feed': s(0.93, 0.01, 0.05, 'meter', 'Motor by its current, past everything else'),
  'relay-bench': s(0.93, 0.01, 0.04, 'meter', 'Coil and contacts measured under load'),
  'relay-swap': s(0.95, 0.02, 0.04, 'itself', 'The part is exchanged and nothing else'),
  'relay-socket': s(0.93, 0.008, 0.04, 'meter', 'The circuit solved from its volts'),
  'controller-in-out': s(0.93, 0.008, 0.04, 'meter', 'The circuit solved from its volts'),
  'clutch-hot-speed': s(0.88, 0.02, 0.07, 'tachometer', 'Speeds are sure, the air before the clutch less so'),
  'clutch-electronic': s(0.9, 0.03, 0.06, 'tachometer', 'Command against speed'),
  'temperature-map': s(0.85, 0.05, 0.06, 'thermometer', 'Drops along the loop by one thermometer'),
  'radiator-face': s(0.8, 0.05, 0.07, 'thermometer', 'A gun on fins reads low, everywhere alike'),
  'air-rise': s(0.75, 0.06, 0.12, 'thermometer', 'Air is uneven behind a fan'),
  'pressure-hold': s(0.85, 0.02, 0.06, 'itself', 'Kept shut and watched'),
  'cap-test': s(0.92, 0.01, 0.04, 'itself', 'The cap against its own rating'),
  'combustion-gas': s(0.9, 0.01, 0.15, 'itself', 'Gas is there or not; small leaks come and go'),
  'thermostat-bath': s(0.95, 0.02, 0.04, 'itself', 'The part itself, measured over its whole range'),
  'thermostat-heater': s(0.93, 0.01, 0.04, 'meter', 'The element itself')
};
