import type { FaultId } from '../vehicle/faults';
import { READS_COLD, READS_HOT } from '../vehicle/sensor-faults';

/** How often a check says what of a suspect. */
export interface Shares {
  /** How often it speaks for a suspect that is at fault. */
  readonly finds: number;
  /** How often it speaks for it on a vehicle without a fault: of two suspects it cannot tell apart both are spoken for. */
  readonly falsely: number;
  /** How often it clears a suspect that is at fault, where it clears at all. */
  readonly misses: number;
}

/**
 * What a check's word is worth, and what it leans on. Shares are judgements of ours, held to what simulated jobs of
 * other vehicles than the benchmark's made of each check; a check whose number decides by itself (a drop across
 * contacts) stands near the top, a hand on a hose or a memory near the bottom. No share is nearer to nothing than a
 * blunder now and then.
 */
export interface Strength extends Shares {
  /** Findings that lean on the same thing can be wrong together: the weaker ones count less. */
  readonly leansOn:
    'thermometer' | 'meter' | 'hand' | 'eye' | 'scan' | 'tachometer' | 'gauge' | 'run' | 'itself';
  /** Why these numbers. */
  readonly because: string;
  /** Suspects that it tells better or worse than its others. */
  readonly overrides: Readonly<Partial<Record<FaultId, Shares & { readonly because: string }>>>;
}

export const strength = (
  finds: number,
  falsely: number,
  misses: number,
  leansOn: Strength['leansOn'],
  because: string,
  overrides: Strength['overrides'] = {}
): Strength => ({ finds, falsely, misses, leansOn, because, overrides });

/** Shares of one suspect, with the reason why they are others. */
export const share = (finds: number, falsely: number, misses: number, because: string) => ({
  finds,
  falsely,
  misses,
  because
});

/** What a scan value held against metal can read as, by {@link readsOff}: which part of its way is at fault, it does not say. */
export const SCAN_OFF = {
  open: {
    seen: 'the scan value is at its cold default',
    for: ['ect-open-circuit', 'ect-wiring', 'ect-intermittent']
  },
  short: {
    seen: 'the scan value is at its hot default',
    for: ['ect-short-circuit', 'ect-wiring', 'ect-intermittent']
  },
  cold: { seen: 'the scan value is below the metal around it', for: READS_COLD },
  hot: { seen: 'the scan value is above the metal around it', for: READS_HOT }
} as const;

/** Whatever is open or shorted, or off, is seen by what stands beside it; which part of the way it is, is not. */
export const SCAN_BESIDE_METAL: Strength['overrides'] = {
  'ect-intermittent': share(0.2, 0.01, 0.5, 'Seen only if it happens just then'),
  'ect-reads-hot': share(0.82, 0.005, 0.2, 'A leak across shows less when hot'),
  'ect-wrong-part': share(0.47, 0.005, 0.04, 'Off in one way or the other'),
  'ect-wiring': share(
    0.75,
    0.005,
    0.05,
    'Open, shorted or a contact in series: what it is, every check of it sees'
  )
};
