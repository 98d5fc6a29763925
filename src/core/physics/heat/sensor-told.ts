import type { limitsOf } from '../../vehicle/limits';

type Limits = ReturnType<typeof limitsOf>;

/** A run whose end the engine’s own sensor told. */
export interface ToldBySensor {
  /** What it read at its start and where the engine stopped; null where nothing was read. */
  readonly startC: number | null;
  readonly stopC: number | null;
  /** For how long the engine ran; null where nobody kept it. */
  readonly ranMin: number | null;
}

/** No engine warms faster, °C a minute. Ours. */
const FASTEST_C_PER_MIN = 12;
/** A reading within this of what an open or shorted circuit reads is none. */
const AT_DEFAULT_C = 1.5;
/** An engine that ran is not colder than its air; what sensors and thermometers differ by is granted. */
const BELOW_AIR_C = 5;

/**
 * What a reading says of the coolant, °C: null where it is what a broken circuit reads, or colder than the air.
 * `hottestC` is what the engine may have been at the most: a sensor may read cold, so an engine that was run is as hot as
 * a healthy one can have become in that time, whatever the sensor says. A cap is guarded by that.
 */
export function toldOf(
  told: {
    readonly coolantC: number | null;
    readonly ambientC: number | null;
    readonly bySensor?: ToldBySensor;
  },
  limits: Limits
): { readonly coolantC: number | null; readonly hottestC: number } {
  // Where nobody knows how hot it was when it stopped, it may have been at the stop limit.
  const unknown = { coolantC: null, hottestC: limits.stopC.value };
  const { coolantC, ambientC, bySensor } = told;
  if (coolantC === null) return unknown;
  if (!bySensor) return { coolantC, hottestC: coolantC };
  const broken = (c: number) =>
    c <= limits.openReadsC.value + AT_DEFAULT_C ||
    c >= limits.shortReadsC.value - AT_DEFAULT_C ||
    (ambientC !== null && c < ambientC - BELOW_AIR_C);
  const { startC, stopC, ranMin } = bySensor;
  if (broken(coolantC) || (stopC !== null && broken(stopC))) return unknown;
  const becomes =
    startC === null || ranMin === null || broken(startC) ? Infinity : startC + FASTEST_C_PER_MIN * ranMin;
  const atStop = Math.min(limits.fullOpenC.value, becomes);
  return { coolantC, hottestC: coolantC + Math.max(0, atStop - (stopC ?? coolantC)) };
}
