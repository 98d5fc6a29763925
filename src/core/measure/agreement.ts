/** A temperature with the ± (95 %) of what took it. */
export interface Taken {
  readonly celsius: number;
  readonly uncertaintyC: number;
}

export interface Agreement {
  /** a − b. */
  readonly byC: number;
  /** ± (95 %) of that difference: the root of the sum of squares. */
  readonly uncertaintyC: number;
  /** |a − b| over that uncertainty: up to 1 the two cannot be told apart. */
  readonly ratio: number;
}

/** How far two thermometers disagree, against what each may be off: |a−b| / √(ua² + ub²). */
export function agreement(a: Taken, b: Taken): Agreement {
  const byC = a.celsius - b.celsius;
  const uncertaintyC = Math.hypot(a.uncertaintyC, b.uncertaintyC);
  return { byC, uncertaintyC, ratio: Math.abs(byC) / uncertaintyC };
}

/** The mean of several readings of one temperature, each weighted by 1/u². */
export function weightedMean(readings: readonly Taken[]): Taken {
  const weights = readings.map((r) => 1 / r.uncertaintyC ** 2);
  const sum = weights.reduce((s, w) => s + w, 0);
  return {
    celsius: readings.reduce((s, r, i) => s + r.celsius * weights[i], 0) / sum,
    uncertaintyC: 1 / Math.sqrt(sum)
  };
}
