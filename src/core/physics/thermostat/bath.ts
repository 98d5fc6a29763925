/** One reading in the bath: water at the element, lift of the valve. */
export interface BathPoint {
  readonly bathC: number;
  readonly liftMm: number;
  readonly way: 'heating' | 'cooling';
  /** Since the bath began, min; null where no clock ran. */
  readonly atMin: number | null;
}

export interface BathReading {
  /** °C at which it starts to open while heating, corrected for the lag of the wax; null if not seen. */
  readonly startC: number | null;
  /**
   * The last reading shut and the first one open, °C, where too few lie on the rise for a line and these lie more than
   * 4 °C apart: it started between, and no more is known. Null where `startC` stands for itself.
   */
  readonly startBetweenC: readonly [shut: number, open: number] | null;
  /** °C at which it was full open: a hotter reading lifts it no further; null if not seen. */
  readonly fullC: number | null;
  /** °C by which it is shut again while cooling. */
  readonly closedC: number | null;
  readonly hysteresisC: number | null;
  readonly liftMm: number;
  /** Lift well below the start, where it should be shut, mm; null where it was not measured there. */
  readonly coldLiftMm: number | null;
  /** How fast the bath warmed while it opened, °C/min; null without times. */
  readonly rateCPerMin: number | null;
  /** What was taken off for the lag, °C. */
  readonly lagC: number;
  /** Rows (of the points as given) whose lift went down while heating, or up while cooling. */
  readonly against: readonly number[];
}

/** A valve counts as open from this lift, mm. */
const OPENS_MM = 0.1;
/** Readings of a dial gauge wander by this much, mm. */
const WANDER_MM = 0.25;
/** In stirred water the wax follows with about this lag, s: as an element of the size in the model does in flow. */
export const WAX_LAG_S = 20;
/** Faster than this and the lag is no longer small against what is judged, °C/min. */
export const FAST_C_PER_MIN = 2;
const COLD_BELOW_C = 12;
/** Readings further apart than this are too coarse to interpolate a start between, °C: thermostats differ by no more. */
const COARSE_C = 4;

/**
 * Start, full, closing and lift of a thermostat from its bath. Start is where a line through the rising part of
 * the lift (15 to 70 % of what was reached) meets 0.1 mm; each way by itself. A bath that warms at a steady rate
 * runs ahead of the wax by rate × lag, which is taken off (first-order lag at a ramp). Needs points in the order
 * they were taken. Rows that go against their way by more than 0.25 mm are named and left out of the lines.
 */
export function readBath(points: readonly BathPoint[]): BathReading {
  const against: number[] = [];
  points.forEach((p, i) => {
    const before = points.slice(0, i).findLast((b) => b.way === p.way);
    if (!before) return;
    const down = p.way === 'heating' ? before.liftMm - p.liftMm : p.liftMm - before.liftMm;
    const onward = p.way === 'heating' ? p.bathC >= before.bathC : p.bathC <= before.bathC;
    if (onward && down > WANDER_MM) against.push(i);
  });
  const kept = points.filter((_, i) => !against.includes(i));
  const heating = kept.filter((p) => p.way === 'heating').sort((a, b) => a.bathC - b.bathC);
  const cooling = kept.filter((p) => p.way === 'cooling').sort((a, b) => a.bathC - b.bathC);
  const liftMm = Math.max(0, ...kept.map((p) => p.liftMm));
  const opening = onset(heating, liftMm);
  const rising = opening?.celsius ?? null;
  const rate = rateOf(heating);
  const lagC = rate === null ? 0 : (rate * WAX_LAG_S) / 60;
  const back = rateOf(cooling);
  const coolLagC = back === null ? 0 : (back * WAX_LAG_S) / 60;
  const startC = rising === null ? null : credible(rising - lagC);
  const full = heating.find((p) => p.liftMm >= 0.95 * liftMm && liftMm > 1);
  const closing = onset(cooling, Math.max(0, ...cooling.map((p) => p.liftMm)))?.celsius ?? null;
  const closedC = closing === null ? null : closing - coolLagC;
  const cold = startC === null ? [] : heating.filter((p) => p.bathC < startC - COLD_BELOW_C);
  return {
    startC,
    startBetweenC: startC === null ? null : (opening?.between ?? null),
    fullC:
      startC !== null && full && full.bathC < heating[heating.length - 1].bathC ? full.bathC - lagC : null,
    closedC,
    hysteresisC: startC !== null && !opening?.between && closedC !== null ? startC - closedC : null,
    liftMm,
    coldLiftMm:
      cold.length > 0
        ? Math.max(...cold.map((p) => p.liftMm))
        : liftMm < OPENS_MM || rising !== null
          ? null
          : (heating[0]?.liftMm ?? null),
    rateCPerMin: rate,
    lagC,
    against
  };
}

/** A line through a few readings can end anywhere: what no thermostat of an engine does is no answer. */
const credible = (c: number): number | null => (c >= -20 && c <= 130 ? c : null);

interface Onset {
  readonly celsius: number;
  readonly between: BathReading['startBetweenC'];
}

/** Where a line through the rising part meets the lift that counts as open, °C; null where it never rises. */
function onset(points: readonly BathPoint[], top: number): Onset | null {
  if (top < 4 * OPENS_MM) return null;
  // What it stands open by when cold, by a leak or the zero of the gauge, is no opening.
  const cold = points[0]?.liftMm ?? 0;
  if (cold > 0.15 * top) return null;
  const part = points.filter((p) => p.liftMm > 0.15 * top && p.liftMm < 0.7 * top);
  const first = points.findIndex((p) => p.liftMm > cold + OPENS_MM);
  if (first <= 0) return null;
  if (part.length < 2) {
    // Too coarse for a line: between the last shut and the first open reading.
    const [shut, open] = [points[first - 1], points[first]];
    const share = (OPENS_MM - shut.liftMm) / Math.max(0.01, open.liftMm - shut.liftMm);
    return {
      celsius: shut.bathC + (open.bathC - shut.bathC) * share,
      between: open.bathC - shut.bathC > COARSE_C ? [shut.bathC, open.bathC] : null
    };
  }
  const mc = part.reduce((s, p) => s + p.bathC, 0) / part.length;
  const ml = part.reduce((s, p) => s + p.liftMm, 0) / part.length;
  // Temperature on lift: the bath's thermometer errs more than the gauge, for the few degrees a lift spans.
  const spread = part.reduce((s, p) => s + (p.liftMm - ml) ** 2, 0);
  if (!(spread > 0)) return null;
  const cPerMm = part.reduce((s, p) => s + (p.liftMm - ml) * (p.bathC - mc), 0) / spread;
  return cPerMm > 0 ? { celsius: mc - (ml - OPENS_MM) * cPerMm, between: null } : null;
}

/** Faster than this no bath warms (4 kW into 2 L): its times are those at which the readings were typed, °C/min. */
const NO_BATH_C_PER_MIN = 28;

/** Rate over the readings that have a time, °C/min; signed, by least squares; null where the times are no bath’s. */
function rateOf(points: readonly BathPoint[]): number | null {
  const timed = points.filter((p) => p.atMin !== null);
  if (timed.length < 2) return null;
  const mt = timed.reduce((s, p) => s + p.atMin!, 0) / timed.length;
  const mc = timed.reduce((s, p) => s + p.bathC, 0) / timed.length;
  const spread = timed.reduce((s, p) => s + (p.atMin! - mt) ** 2, 0);
  const rate =
    spread > 0 ? timed.reduce((s, p) => s + (p.atMin! - mt) * (p.bathC - mc), 0) / spread : Infinity;
  return Math.abs(rate) > NO_BATH_C_PER_MIN ? null : rate;
}
