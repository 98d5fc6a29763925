import { resistanceAt, temperatureAt } from './curve';
import { MODELS, type ErrorId, type ErrorModel, type LadderPoint, type LadderSetting } from './error-models';

export type { ErrorId, LadderPoint, LadderSetting } from './error-models';

/** A fitted explanation of a ladder. */
export interface Explanation {
  readonly id: ErrorId;
  /** The other curve, where it is one. */
  readonly curveId?: string;
  readonly title?: string;
  readonly unit: string;
  /** Size of the error and its 90 % interval; null where the explanation has none. */
  readonly size: number | null;
  readonly low: number | null;
  readonly high: number | null;
  /** Minus twice the log-likelihood, and the criterion made of it: less is better. */
  readonly misfit: number;
  readonly aicc: number;
  /** Share among all explanations by exp(−Δ/2). */
  readonly weight: number;
  readonly ohmAt: (celsius: number) => number;
}

/** The point at which two explanations differ most for the noise, and what each would measure there. */
interface NextPoint {
  readonly celsius: number;
  readonly ohm: readonly [number, number];
  /** How far apart, in standard deviations of one reading. */
  readonly apart: number;
}

export interface LadderReading {
  readonly explanations: readonly Explanation[];
  readonly best: Explanation;
  readonly rival: Explanation | null;
  /** The best is apart from its rival with these points. */
  readonly settled: boolean;
  /** Where a further reading would tell best from rival; null where none would. */
  readonly next: NextPoint | null;
  /** Why no error could be fitted, though the points are judged. */
  readonly notFitted: string | null;
  /** What the control unit reads at each point less the truth, °C. */
  readonly readsOffC: readonly number[];
}

const OPEN_OHM = 1e6;
const SHORT_OHM = 3;
const LEAST_SPAN_C = 8;
const FEWEST = 3;
/** Δ of the criterion from which the better explanation is held apart: odds of seven to one. */
const SETTLED = 4;
/** An error these points allow counts as hidden where one more reading would show it by this many deviations. */
const HIDDEN_SD = 3;
const ALLOWED = 8;
/** 90 % of a normal unknown by its profile. */
const CHI2_90 = 2.706;
/** Where an engine can be taken to with reason, °C. */
const REACH = { from: -10, to: 105 };

/** Slope of ln R with temperature, per °C. */
const slopeOf = (ohm: (c: number) => number, celsius: number): number =>
  Math.log(ohm(celsius + 0.5) / ohm(celsius - 0.5));

/**
 * Compares all error models on a ladder. Each has the same noise: for each point its thermometer and its meter, and
 * for all points together what shifts them alike. The criterion is Akaike’s with the correction for few points.
 * Throws RangeError without a point.
 */
export function readLadder(points: readonly LadderPoint[], setting: LadderSetting): LadderReading {
  if (points.length === 0) throw new RangeError('a ladder takes a reading at least');
  const readsOffC = points.map((p) => temperatureAt(setting.curve, p.ohm) - p.trueC);
  const flat = flatOf(points);
  if (flat) {
    const only = plain(flat, 0, () => (flat === 'open' ? Infinity : 0));
    return {
      explanations: [only],
      best: only,
      rival: null,
      settled: true,
      next: null,
      notFitted: null,
      readsOffC
    };
  }
  const misfit = (ohm: (c: number) => number) => misfitOf(points, setting, ohm);
  const n = points.length;
  const temperatures = points.map((p) => p.trueC);
  const span = Math.max(...temperatures) - Math.min(...temperatures);
  const notFitted =
    n < FEWEST
      ? `${n === 1 ? 'One reading' : 'Two readings'} cannot tell one kind of error from another: take at least three, 40\u202f°C apart`
      : span < LEAST_SPAN_C
        ? 'All readings are at about one temperature, where every kind of error looks alike: warm or cool the engine by 40\u202f°C'
        : null;
  const healthyOhm = (c: number) => resistanceAt(setting.curve, c);
  const raw: Explanation[] = [plain('healthy', misfit(healthyOhm), healthyOhm)];
  if (!notFitted) {
    for (const model of MODELS)
      if (model.id !== 'reference' || setting.byVolts) raw.push(fitted(model, setting, misfit, n));
    for (const { id, title, curve } of setting.others) {
      const ohm = (c: number) => resistanceAt(curve, c);
      raw.push({ ...plain('other-curve', misfit(ohm), ohm, aiccOf(misfit(ohm), 1, n)), curveId: id, title });
    }
  }
  const least = Math.min(...raw.map((e) => e.aicc));
  const total = raw.reduce((sum, e) => sum + Math.exp((least - e.aicc) / 2), 0);
  const explanations = raw
    .map((e) => ({ ...e, weight: Math.exp((least - e.aicc) / 2) / total }))
    .sort((a, b) => a.aicc - b.aicc);
  const [best] = explanations;
  const { rival, next } = rivalOf(explanations, points, setting);
  // Healthy lies within every error of size nothing, so it can never lead by much: what counts is what could hide.
  const apart =
    best.id === 'healthy'
      ? next === null || next.apart < HIDDEN_SD
      : rival === null || rival.aicc - best.aicc >= SETTLED;
  const settled = !notFitted && apart;
  return {
    explanations,
    best,
    rival,
    settled,
    next: settled ? null : next,
    notFitted,
    readsOffC
  };
}

/** Whether a resistance is that of no sensor: no current flows, or nothing stands in its way; null where it is one’s. */
export const flatAt = (ohm: number): 'open' | 'short' | null =>
  ohm >= OPEN_OHM ? 'open' : ohm <= SHORT_OHM ? 'short' : null;

function flatOf(points: readonly LadderPoint[]): 'open' | 'short' | null {
  const first = flatAt(points[0].ohm);
  return points.every((p) => flatAt(p.ohm) === first) ? first : null;
}

const plain = (id: ErrorId, misfit: number, ohmAt: (c: number) => number, aicc = misfit): Explanation => ({
  id,
  unit: '',
  size: null,
  low: null,
  high: null,
  misfit,
  aicc,
  weight: 1,
  ohmAt
});

/** Akaike’s criterion for k unknowns and n points of known noise, corrected for few points. */
const aiccOf = (misfit: number, k: number, n: number): number =>
  misfit + 2 * k + (n - k - 1 > 0 ? (2 * k * (k + 1)) / (n - k - 1) : Infinity);

const STEPS = 160;

/** The best size of a model over its whole range, then its 90 % interval by the profile of the misfit. */
function fitted(
  model: ErrorModel,
  setting: LadderSetting,
  misfit: (ohm: (c: number) => number) => number,
  n: number
): Explanation {
  const to = (u: number) => (model.log ? Math.exp(u) : u);
  const [from, end] = model.log ? [Math.log(model.from), Math.log(model.to)] : [model.from, model.to];
  const cost = (u: number) => misfit((c) => model.ohm(setting, c, to(u)));
  const grid = Array.from({ length: STEPS + 1 }, (_, i) => from + ((end - from) * i) / STEPS);
  const costs = grid.map(cost);
  const i = costs.indexOf(Math.min(...costs));
  const u = golden(cost, grid[Math.max(0, i - 1)], grid[Math.min(STEPS, i + 1)]);
  const least = cost(u);
  const edge = (stop: number) => to(crossing((v) => cost(v) - least - CHI2_90, u, stop));
  return {
    id: model.id,
    unit: model.unit,
    size: to(u),
    low: edge(from),
    high: edge(end),
    misfit: least,
    aicc: aiccOf(least, 1, n),
    weight: 1,
    ohmAt: (c) => model.ohm(setting, c, to(u))
  };
}

function golden(cost: (u: number) => number, low: number, high: number): number {
  const g = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  for (let k = 0; k < 60; k++) {
    const [c, d] = [b - g * (b - a), a + g * (b - a)];
    if (cost(c) < cost(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}

/** Where a function that is negative at `inside` first turns positive towards `stop`; `stop` where it never does. */
function crossing(f: (u: number) => number, inside: number, stop: number): number {
  let last = inside;
  for (let k = 1; k <= STEPS; k++) {
    const u = inside + ((stop - inside) * k) / STEPS;
    if (f(u) > 0) {
      let [a, b] = [last, u];
      for (let j = 0; j < 50; j++) {
        const m = (a + b) / 2;
        if (f(m) > 0) b = m;
        else a = m;
      }
      return (a + b) / 2;
    }
    last = u;
  }
  return stop;
}

/** What one point may be off in ln R, by its thermometer through the slope that is measured, and by its meter. */
const ownSd = (slope: number, p: Pick<LadderPoint, 'trueSdC' | 'ohmSd'>): number =>
  Math.hypot(slope * p.trueSdC, p.ohmSd);

/**
 * A thermometer on a surface is off by a share of what that is above the air: low on bare metal, a little high under a
 * clamp or tape beside something hotter. Standard deviation of that share, the same for all points of a ladder. Ours.
 */
const SURFACE_SHARE = 0.025;
const overAir = ({ onSurface, trueC }: Pick<LadderPoint, 'onSurface' | 'trueC'>, airC: number): number =>
  onSurface ? Math.max(0, trueC - airC) : 0;

/**
 * Minus twice the log-likelihood of the readings under an explanation, up to a constant. The covariance is a
 * diagonal plus two things that all points share: a shift, σ, and a surface that loses a share τ of what it is above
 * the air. With g the explanation's own slope of ln R, which a resistor in the way makes flatter, and h that slope
 * times the excess over the air, the misfit is by Woodbury's identity Σ r²/s² less b'M⁻¹b, with b = (Σ r·g/s², Σ r·h/s²)
 * and M = diag(1/σ², 1/τ²) + the sums of gg, gh and hh; the determinant is Π s² · σ²τ²·|M|.
 */
function misfitOf(
  points: readonly LadderPoint[],
  { commonSdC, airC }: LadderSetting,
  ohm: (c: number) => number
): number {
  let [plainSum, rg, rh, gg, gh, hh, logDet] = [0, 0, 0, 0, 0, 0, 0];
  for (const p of points) {
    const slope = slopeOf(ohm, p.trueC);
    const s2 = ownSd(slope, p) ** 2;
    const r = Math.log(p.ohm) - Math.log(ohm(p.trueC));
    const g = slope * commonSdC;
    const h = slope * SURFACE_SHARE * overAir(p, airC);
    plainSum += (r * r) / s2;
    rg += (r * g) / s2;
    rh += (r * h) / s2;
    gg += (g * g) / s2;
    gh += (g * h) / s2;
    hh += (h * h) / s2;
    logDet += Math.log(s2);
  }
  // In units of σ and τ the matrix is the unit matrix plus the sums.
  const det = (1 + gg) * (1 + hh) - gh * gh;
  const explained = ((1 + hh) * rg * rg - 2 * gh * rg * rh + (1 + gg) * rh * rh) / det;
  return plainSum - explained + logDet + Math.log(det);
}

/**
 * What might be instead of the best. A healthy sensor is no sooner held for one than the errors that these points
 * allow are small everywhere: else the one that would show most elsewhere is its rival.
 */
function rivalOf(
  explanations: readonly Explanation[],
  points: readonly LadderPoint[],
  setting: LadderSetting
): { rival: Explanation | null; next: NextPoint | null } {
  const [best, second = null] = explanations;
  if (!second) return { rival: null, next: null };
  const possible =
    best.id === 'healthy'
      ? explanations.filter((e) => e !== best && e.id !== 'other-curve' && e.aicc - best.aicc < ALLOWED)
      : [second];
  return (possible.length > 0 ? possible : [second])
    .map((rival) => ({ rival, next: nextPoint(best, rival, points, setting) }))
    .reduce((a, b) => ((b.next?.apart ?? 0) > (a.next?.apart ?? 0) ? b : a));
}

/** The temperature within reach, some way from what was read, at which two explanations differ most for the noise. */
function nextPoint(
  a: Explanation,
  b: Explanation,
  points: readonly LadderPoint[],
  setting: LadderSetting
): NextPoint | null {
  const usual = points[points.length - 1];
  let best: NextPoint | null = null;
  for (let celsius = REACH.from; celsius <= REACH.to; celsius += 5) {
    const ohm = [a.ohmAt(celsius), b.ohmAt(celsius)] as const;
    const slope = Math.max(Math.abs(slopeOf(a.ohmAt, celsius)), Math.abs(slopeOf(b.ohmAt, celsius)));
    const sd = Math.hypot(ownSd(slope, usual), slope * setting.commonSdC);
    const apart = Math.abs(Math.log(ohm[0] / ohm[1])) / sd;
    if (!best || apart > best.apart) best = { celsius, ohm, apart };
  }
  return best && best.apart >= 1.5 ? best : null;
}
