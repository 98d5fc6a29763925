import { ticksOf } from '../base/ticks';
import { fromBase, toBase, type Unit } from './units';

/**
 * Ticks of a scale from `from` to `to` (the core's unit, to > from) that are round in the unit a person reads: values
 * of the core, at most `most` of them and one more.
 */
export const ticksInUnit = (
  from: number,
  to: number,
  most: number,
  unit: Unit,
  steps?: readonly number[]
): number[] =>
  ticksOf(fromBase(from, unit), fromBase(to, unit), most, steps).map((tick) => toBase(tick, unit));
