import type { PlantParams } from '../physics/plant/params';
import type { CodeId } from '../vehicle/codes';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import type { PartId } from '../vehicle/parts';
import type { SituationId, SymptomId } from '../vehicle/symptoms';

/** Why a run could not show a fault, and what would. */
export interface Blindness {
  readonly because: string;
  readonly toShow: string;
}

/** What a run showed, as far as it decides why the run was blind to a fault, °C. */
export interface Shown {
  readonly maxC: number;
  readonly startOpenC: number;
  /** Where the first stage of an electric fan comes on; null without one. */
  readonly fanOnC: number | null;
}

/** How a fault changes the plant, from severity 0 (nothing) to 1 (as bad as it gets). */
export interface Change {
  /** What severity means here, for the reader of a simulated log. */
  readonly scale: string;
  /** Ways the same fault can come about; the first is the usual one. */
  readonly variants: Readonly<Record<string, (p: PlantParams, severity: number) => Partial<PlantParams>>>;
  /** Whether a plant can have it at all. */
  readonly applies?: (p: PlantParams) => boolean;
}

/** What a fault does to a temperature curve. */
export type Curve =
  | (Change & {
      /** It changes how the engine warms or regulates: it is ranked by what it draws. */
      readonly kind: 'warms';
      /** Severities it is tried at when a run is ranked; the worst alone where none are named. */
      readonly severities?: readonly number[];
      /** The severity at which it is plain, when it is asked whether a run would have shown it; 0.7 where it is not said. */
      readonly plain?: number;
      readonly blind: (shown: Shown) => Blindness;
    })
  /** It is read from the jumps and flat lines of the reading itself, not from how the engine warms. */
  | (Change & { readonly kind: 'reading' })
  /** It draws what the faults it is `like` draw, and nothing of its own. */
  | { readonly kind: 'shared' }
  /** No coolant temperature log can show it, whatever it does to the plant. */
  | ({ readonly kind: 'unseen' } & Blindness & Partial<Change>);

/** Everything there is to say of a fault of the catalogue. Ids are a contract; words and numbers are ours to better. */
export interface Fault {
  readonly title: string;
  /** What is wrong with it. */
  readonly means: string;
  /** What settles it. */
  readonly confirm: string;
  /** Chance before any evidence, relative to the others; a rough trade frequency for a vehicle whose temperature is in question. */
  readonly prior: number;
  /** What cures it. */
  readonly repair: RepairId;
  /** How often a driver tells of what, where it is at fault. Ours: what simulated drives show, less what is missed. */
  readonly told: Readonly<Partial<Record<SymptomId, number>>>;
  /** When it is worse: a driver who names such a situation tells of it more. */
  readonly worse?: readonly SituationId[];
  /** Trouble codes that can name it. */
  readonly codes?: readonly CodeId[];
  /** Faults that stand for it in a run: one temperature log cannot tell it from them, so they are told together. */
  readonly like?: readonly FaultId[];
  /** The part it is of, where not every vehicle has that. */
  readonly part?: PartId;
  readonly curve: Curve;
  /** A bad case shows in a run, and most do not: its own checks prove the repair, not a drive. */
  readonly provenBy?: 'checks';
}

/** Says everything of a fault in one place. What is left out does not compile. */
export const defineFault = (fault: Fault): Fault => fault;

/** A change that comes about in one way only. */
export const usual = (apply: (p: PlantParams, severity: number) => Partial<PlantParams>) => ({
  usual: apply
});
