import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** Changes of the coolant reading that no coolant can make, and the log with them bridged. */
export interface Jumps {
  readonly count: number;
  /** Separate departures from the believable trace. */
  readonly excursions: readonly Excursion[];
  /** Share of samples at the open-circuit and at the short-circuit default. */
  readonly openShare: number;
  readonly shortShare: number;
  /** The reading held one value for the whole run though the engine must have changed. */
  readonly frozen: boolean;
  /** The coolant column with excursions blanked; the original where it never was believable. */
  readonly cleaned: Float32Array;
}

interface Excursion {
  readonly fromS: number;
  readonly toS: number;
  readonly samples: number;
  readonly reachedC: number;
}

/**
 * The fastest a coolant reading can move, °C/s: full-load heat into the jacket alone gives well under 1, the
 * first cold slug after a thermostat opens about 1.5. Above 2.5, after 4 °C for rounding, it is electrical.
 */
export const FASTEST_C_PER_S = 2.5;
export const ROUNDING_C = 4;
const LOST_S = 60;

/** Finds impossible jumps. Times in s ascending, readings in °C with NaN for blank. */
export function findJumps(t: Float64Array, ect: Float32Array, spec: SpecSheet): Jumps {
  const { openReadsC, shortReadsC } = limitsOf(spec);
  const [openAt, shortAt] = [openReadsC.value, shortReadsC.value];
  const n = t.length;
  const cleaned = ect.slice();
  const excursions: Excursion[] = [];
  let open = 0;
  let short = 0;
  let valid = 0;
  let least = Infinity;
  let most = -Infinity;
  for (let i = 0; i < n; i++) {
    const value = ect[i];
    if (Number.isNaN(value)) continue;
    valid++;
    if (value <= openAt + 1.5 || value <= -38) open++;
    else if (value >= shortAt - 1.5) short++;
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  const openShare = open / Math.max(1, valid);
  const shortShare = short / Math.max(1, valid);
  const frozen = most - least <= 1 && t[n - 1] > 300 && valid > 20;
  let count = 0;

  if (openShare < 0.6 && shortShare < 0.6) {
    let good = firstBelievable(ect, openAt, shortAt);
    for (let i = 0; i < good; i++) cleaned[i] = NaN;
    for (let i = good + 1; i < n; i++) {
      if (Number.isNaN(ect[i])) continue;
      if (believable(ect[i] - ect[good], t[i] - t[good])) {
        good = i;
        continue;
      }
      const back = comesBack(t, ect, good, i);
      const level = ect[i];
      if (back < 0) {
        // It stayed away: one step, and the new level is what there is to read.
        count++;
        excursions.push({ fromS: t[i], toS: t[i], samples: 1, reachedC: level });
        good = i;
        continue;
      }
      count += 2;
      let samples = 0;
      for (let k = i; k < back; k++) {
        if (!Number.isNaN(ect[k])) samples++;
        cleaned[k] = NaN;
      }
      excursions.push({ fromS: t[i], toS: t[back], samples, reachedC: level });
      good = back;
      i = back;
    }
  }
  return { count, excursions, openShare, shortShare, frozen, cleaned };
}

const believable = (rise: number, seconds: number) =>
  Math.abs(rise) <= ROUNDING_C + FASTEST_C_PER_S * Math.min(seconds, 8) + 0.5 * Math.max(0, seconds - 8);

function comesBack(t: Float64Array, ect: Float32Array, good: number, from: number): number {
  for (let k = from + 1; k < t.length && t[k] - t[from] <= LOST_S; k++) {
    if (!Number.isNaN(ect[k]) && believable(ect[k] - ect[good], Math.min(8, t[k] - t[good]))) return k;
  }
  return -1;
}

function firstBelievable(ect: Float32Array, openAt: number, shortAt: number): number {
  const i = ect.findIndex((v) => !Number.isNaN(v) && v > openAt + 1.5 && v < shortAt - 1.5);
  return Math.max(0, i);
}
