import type { FaultId } from '../vehicle/faults';

/** Something that is known of a job, and how much likelier it is under each suspect than under any other. */
export interface Finding {
  readonly id: string;
  readonly title: string;
  /** What was found, in the words of its check. */
  readonly says: string;
  /** Natural logarithm of the likelihood ratio; a suspect that is not named has 0. */
  readonly llr: Readonly<Partial<Record<FaultId, number>>>;
  /** What both together make of it, where that was simulated: it goes before what each says by itself. */
  readonly together?: {
    readonly leading: readonly FaultId[];
    /** By the other fault, what both have less than the leading one alone, nats: 0 where it is hidden. */
    readonly less: Readonly<Partial<Record<FaultId, number>>>;
  };
  /** Findings of one group can be wrong together. */
  readonly group: string;
}

/** One in so many measurements is a blunder: a tip that slipped, a reading of another day. */
export const BLUNDER = 0.03;

/** A likelihood ratio that admits a blunder: no single finding makes the truth impossible. */
export const withBlunder = (llr: number): number => Math.log((1 - BLUNDER) * Math.exp(llr) + BLUNDER);
