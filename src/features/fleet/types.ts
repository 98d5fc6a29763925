import type { Memory } from '$core/handover/memory/memory';

/** A vehicle of the fleet with what is remembered of it. */
export interface FleetLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly memory: Memory | null;
  readonly marks: readonly { readonly at: string; readonly celsius: number }[];
}
